import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Input, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day, moment } from "../../ui/days";
import { colleaguesForOptions } from "./colleagues";
import "./handover.css";

type HandOver = Shape<"HandOverAnswer">;
type Dialog = "begin" | "pass-on" | "return" | "finish";

const handOversOptions = (id: string) => ({
  queryKey: ["files", "document", id, "hand-overs"],
  queryFn: () => answer(api.GET("/api/documents/{id}/hand-overs", { params: { path: { id } } })),
});

/** With whom a paper lies, the way it took, and what the one who has it can do. */
export function HandOverSection({
  paper,
  mayChange,
}: {
  paper: Shape<"DocumentAnswer">;
  mayChange: boolean;
}) {
  const [dialog, setDialog] = useState<Dialog>();
  const [latest] = useQuery(handOversOptions(paper.id)).data ?? [];
  const open = latest?.open ? latest : undefined;
  return (
    <>
      {latest && <Way handOver={latest} />}
      {mayChange && (
        <div className="buttons">
          {!open && !paper.enteredInErrorOn && (
            <Button size="small" onClick={() => setDialog("begin")}>
              Hand over
            </Button>
          )}
          {open?.mayAct && (
            <>
              <Button
                size="small"
                type={open.mine ? "primary" : undefined}
                onClick={() => setDialog("finish")}
              >
                Finish
              </Button>
              <Button size="small" onClick={() => setDialog("pass-on")}>
                Pass on
              </Button>
              <Button size="small" onClick={() => setDialog("return")}>
                Return
              </Button>
            </>
          )}
        </div>
      )}
      {dialog && (
        <HandOverModal dialog={dialog} paper={paper} handOver={open} onClose={() => setDialog(undefined)} />
      )}
    </>
  );
}

const WORDS: Record<string, string> = {
  HANDED_OVER: "handed over to",
  PASSED_ON: "passed on to",
  RETURNED: "returned to",
  FINISHED: "finished",
};

/** The steps of a hand-over, one below the other. */
function Way({ handOver }: { handOver: HandOver }) {
  return (
    <>
      <h3>
        {handOver.open ? `Lies with ${handOver.mine ? "you" : handOver.holder}` : "Handed over"}
        {handOver.open && handOver.due && <span className="muted"> · due {day(handOver.due)}</span>}
      </h3>
      <ol className="way">
        {handOver.steps.map((step) => (
          <li key={step.at + step.act}>
            <span className="muted tabular">{moment(step.at)}</span> {step.by} {WORDS[step.act]} {step.to}
            {step.note && <q>{step.note}</q>}
          </li>
        ))}
      </ol>
    </>
  );
}

const TITLES: Record<Dialog, string> = {
  begin: "Hand this paper over",
  "pass-on": "Pass it on",
  return: "Return it",
  finish: "Finish",
};

function HandOverModal({
  dialog,
  paper,
  handOver,
  onClose,
}: {
  dialog: Dialog;
  paper: Shape<"DocumentAnswer">;
  handOver?: HandOver;
  onClose: () => void;
}) {
  const [to, setTo] = useState<string>();
  const [note, setNote] = useState("");
  const [due, setDue] = useState<string | null>(null);
  const needsSomebody = dialog === "begin" || dialog === "pass-on";
  const colleagues = useQuery({ ...colleaguesForOptions(paper.id), enabled: needsSomebody }).data;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const act = useMutation({
    mutationFn: (): Promise<HandOver> => {
      const params = { path: { id: handOver?.id ?? paper.id } };
      const words = note.trim() || undefined;
      switch (dialog) {
        case "begin":
          return answer(
            api.POST("/api/documents/{id}/hand-overs", {
              params,
              body: { to: to ?? "", note: words, due: due ?? undefined },
            }),
          );
        case "pass-on":
          return answer(
            api.POST("/api/hand-overs/{id}/pass-on", { params, body: { to: to ?? "", note: words } }),
          );
        case "return":
          return answer(api.POST("/api/hand-overs/{id}/return", { params, body: { note: words } }));
        default:
          return answer(api.POST("/api/hand-overs/{id}/finish", { params, body: { note: words } }));
      }
    },
    onSuccess: (now) => {
      message.success(now.open ? `It lies with ${now.mine ? "you" : now.holder} now.` : "Finished.");
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  return (
    <Modal
      title={TITLES[dialog]}
      open
      okText={TITLES[dialog]}
      okButtonProps={{ disabled: needsSomebody && !to, loading: act.isPending }}
      onOk={() => act.mutate()}
      onCancel={onClose}
      width={440}
    >
      {act.error && <Alert type="error" title={wordsOf(act.error)} />}
      <Form layout="vertical">
        {needsSomebody && (
          <Form.Item label="To whom" htmlFor="hand-over-to">
            <Select
              id="hand-over-to"
              value={to}
              onChange={setTo}
              showSearch={{ optionFilterProp: "label" }}
              placeholder="a colleague"
              options={(colleagues ?? []).map((c) => ({
                value: c.id,
                label: c.title ? `${c.name} · ${c.title}` : c.name,
              }))}
            />
          </Form.Item>
        )}
        <Form.Item label="Note" htmlFor="hand-over-note">
          <Input.TextArea
            id="hand-over-note"
            rows={3}
            maxLength={1000}
            placeholder={needsSomebody ? "what is to be done with it" : undefined}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </Form.Item>
        {dialog === "begin" && (
          <Form.Item label="Due" htmlFor="hand-over-due">
            <DayField id="hand-over-due" placeholder="no day" value={due} onChange={setDue} />
          </Form.Item>
        )}
      </Form>
    </Modal>
  );
}
