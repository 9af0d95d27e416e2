import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { CopyOutModal } from "../leaving/CopyOutModal";
import { type Standing, standingOptions } from "./standingQueries";
import { stageWords } from "./standingWords";
import "./standing.css";

type Paper = Pick<Shape<"DocumentAnswer">, "id" | "fileId" | "name"> & { versions: unknown[] };

/** How a paper stands, who must have it and has it, and what is to be done next about that. */
export function PaperStanding({ paper }: { paper: Paper }) {
  const standing = useQuery(standingOptions(paper.id)).data;
  const mayChange = useMayChange();
  const [sendsTo, setSendsTo] = useState<string>();
  if (!standing) {
    return null;
  }
  const { receivers } = standing;
  // of a paper that nobody must have its own note tells the rest
  if (
    receivers.length === 0 &&
    !standing.wantsCheck &&
    !standing.checkedOn &&
    standing.stage !== "WITH_OTHERS"
  ) {
    return null;
  }
  return (
    <section className="paper-standing" aria-label="How it stands">
      <div className={standing.stage === "FILED" ? "standing-words done" : "standing-words"}>
        {stageWords({
          ...standing,
          receivers: receivers.length,
          checked: standing.checkedOn != null,
        })}
      </div>
      {receivers.length > 0 && (
        <ul className="plain-list" aria-label="Who must have it">
          {receivers.map((r) => (
            <Receiver
              key={`${r.label} ${r.name}`}
              receiver={r}
              onSend={mayChange ? () => setSendsTo(r.name ?? "") : undefined}
            />
          ))}
        </ul>
      )}
      <Checked paper={paper} standing={standing} />
      {sendsTo !== undefined && (
        <CopyOutModal
          fileId={paper.fileId}
          papers={[{ id: paper.id, name: paper.name }]}
          to={sendsTo}
          onClose={() => setSendsTo(undefined)}
        />
      )}
    </section>
  );
}

type ReceiverProps = {
  receiver: Standing["receivers"][number];
  /** Undefined for those who may not send. */
  onSend: (() => void) | undefined;
};

function Receiver({ receiver, onSend }: ReceiverProps) {
  const { label, name, given, opened } = receiver;
  return (
    <li className="standing-receiver">
      <span
        aria-hidden
        className={given && opened ? "standing-dot has" : given ? "standing-dot sent" : "standing-dot"}
      />
      <span>
        {name ?? `No ${label} is known`}
        {name && name !== label && <span className="muted"> · {label}</span>}
        <div className={given ? "muted" : "clay"}>
          {given
            ? opened
              ? `has it since ${day(given)}`
              : `sent ${day(given)}, not opened yet`
            : "not sent yet"}
        </div>
      </span>
      {!given && onSend && (
        <Button size="small" onClick={onSend} aria-label={name ? `Send to ${name}` : `Send to ${label}`}>
          Send
        </Button>
      )}
    </li>
  );
}

/** The second person's check: wanted, done, or taken back. */
function Checked({ paper, standing }: { paper: Paper; standing: Standing }) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const after = (words: string) => () => {
    message.success(words);
    queries.invalidateQueries({ queryKey: ["files"] });
  };
  const check = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/documents/check", {
          body: { documents: [{ id: paper.id, version: paper.versions.length }] },
        }),
      ),
    onSuccess: after("Checked."),
  });
  const takeBack = useMutation({
    mutationFn: () => done(api.DELETE("/api/documents/{id}/check", { params: { path: { id: paper.id } } })),
    onSuccess: after("It is to be checked again."),
  });
  const error = check.error ?? takeBack.error;
  return (
    <>
      {standing.checkedOn && (
        <div className="standing-check">
          <span className="muted">
            Checked by {standing.checkedBy}, {day(standing.checkedOn)}
          </span>
          <Button size="small" type="link" loading={takeBack.isPending} onClick={() => takeBack.mutate()}>
            Take back
          </Button>
        </div>
      )}
      {standing.wantsCheck && (
        <div className="standing-check">
          <span>
            {standing.mayCheck
              ? "A second person checks it."
              : "Somebody else checks it: you had a hand in it, or may not change files."}
          </span>
          {standing.mayCheck && (
            <Button size="small" type="primary" loading={check.isPending} onClick={() => check.mutate()}>
              Checked
            </Button>
          )}
        </div>
      )}
      {error && <Alert type="error" title={wordsOf(error)} />}
    </>
  );
}
