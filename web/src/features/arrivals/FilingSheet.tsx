import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Select } from "antd";
import { useState } from "react";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { useKeys } from "../../ui/keys";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { asStatus, statuses } from "../../ui/statuses";
import { meOptions } from "../access/sessionQueries";
import { ReasonModal } from "../documents/ReasonModal";
import type { Arrival } from "./ArrivalsPage";
import { complete, type Draft, previewOptions, typesOptions } from "./arrivalQueries";
import { PersonPicker } from "./PersonPicker";

/** Person, type and dates of a waiting paper; the name it will get and the slot it will fill; the key that files it. */
export function FilingSheet({ arrival, onGone }: { arrival: Arrival; onGone: () => void }) {
  const [draft, setDraft] = useState<Draft>({ fileId: arrival.fileId, type: arrival.suggestedType });
  const [setsAside, setSetsAside] = useState(false);
  const [missing, setMissing] = useState<string>();
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const preview = useQuery(previewOptions(arrival.id, draft));
  const { file, undo } = useFiling(arrival, onGone);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const aside = useMutation({
    mutationFn: (reason: string) =>
      done(
        api.POST("/api/arrivals/{id}/set-aside", { params: { path: { id: arrival.id } }, body: { reason } }),
      ),
    onSuccess: () => {
      setSetsAside(false);
      queries.invalidateQueries({ queryKey: ["arrivals"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const problem = file.error ?? preview.error;
  const change = (part: Draft) => {
    file.reset();
    setMissing(undefined);
    setDraft({ ...draft, ...part });
  };
  const fileIt = () => {
    const details = complete(draft);
    details ? file.mutate(details) : setMissing("Choose the person, the type and the date first.");
  };
  useKeys({ enter: fileIt, x: () => setSetsAside(true), u: undo });
  return (
    <section className="filing" aria-label="File this paper">
      <div className="filing-fields">
        <h2>File this paper</h2>
        {arrival.note && <p className="muted">{arrival.note}</p>}
        <Form layout="vertical" disabled={!mayChange}>
          <Form.Item label="Person" htmlFor="filing-person" {...told(problem, "fileId")}>
            <PersonPicker
              id="filing-person"
              value={draft.fileId}
              known={
                arrival.fileId
                  ? { id: arrival.fileId, name: arrival.personName ?? "", number: arrival.fileNumber ?? "" }
                  : undefined
              }
              onChange={(fileId) => change({ fileId })}
            />
          </Form.Item>
          <Form.Item label="Type" htmlFor="filing-type" {...told(problem, "type")}>
            <TypePicker value={draft.type} onChange={(type) => change({ type })} />
          </Form.Item>
          <div className="form-grid">
            <Form.Item label="Dated" htmlFor="filing-dated" {...told(problem, "documentDate")}>
              <DayField
                id="filing-dated"
                value={draft.documentDate}
                onChange={(documentDate) => change({ documentDate })}
              />
            </Form.Item>
            <Form.Item label="Expires" htmlFor="filing-expires" {...told(problem, "statedExpiry")}>
              <DayField
                id="filing-expires"
                placeholder="if stated"
                value={draft.statedExpiry}
                onChange={(statedExpiry) => change({ statedExpiry })}
              />
            </Form.Item>
            <Form.Item label="Takes effect" htmlFor="filing-effective" {...told(problem, "effectiveDate")}>
              <DayField
                id="filing-effective"
                placeholder="with its date"
                value={draft.effectiveDate}
                onChange={(effectiveDate) => change({ effectiveDate })}
              />
            </Form.Item>
            <Form.Item label="Holds to">
              <div className="tabular">
                {preview.data ? (
                  preview.data.holdsTo ? (
                    day(preview.data.holdsTo)
                  ) : (
                    "no end"
                  )
                ) : (
                  <span className="muted">by the type's rule</span>
                )}
              </div>
            </Form.Item>
          </div>
        </Form>
        {preview.data && <Effect preview={preview.data} />}
        {missing && <Alert type="warning" title={missing} />}
        {problem && !fieldProblem(problem) && <Alert type="error" title={wordsOf(problem)} />}
      </div>
      {mayChange && (
        <div className="filing-foot">
          <Button type="primary" style={{ flex: 1 }} loading={file.isPending} onClick={fileIt}>
            File and next <kbd>Enter</kbd>
          </Button>
          <Button onClick={() => setSetsAside(true)}>
            Set aside&nbsp;<kbd>X</kbd>
          </Button>
        </div>
      )}
      <ReasonModal
        title="Set this paper aside"
        hint="The next person sees the reason; the paper stays at the end of the list."
        okText="Set aside"
        open={setsAside}
        onClose={() => setSetsAside(false)}
        onReason={aside.mutate}
      />
    </section>
  );
}

function told(error: unknown, field: string) {
  const words = fieldWords(error, field);
  return words ? { validateStatus: "error" as const, help: words } : {};
}

function fieldProblem(error: unknown): boolean {
  return ["fileId", "type", "documentDate", "statedExpiry", "effectiveDate"].some((f) =>
    fieldWords(error, f),
  );
}

let lastFiled: string | undefined;

/** Files the paper and goes on to the next; the last filing can be undone. */
function useFiling(arrival: Arrival, onGone: () => void) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["arrivals"] }),
      queries.invalidateQueries({ queryKey: ["files"] }),
    ]);
  const undo = async () => {
    if (!lastFiled) {
      message.info("There is no filing to undo.");
      return;
    }
    try {
      await api.POST("/api/arrivals/{id}/undo-filing", { params: { path: { id: lastFiled } } });
      lastFiled = undefined;
      message.success("The paper waits again.");
      await refresh();
    } catch (error) {
      message.error(wordsOf(error));
    }
  };
  const file = useMutation({
    mutationFn: (details: Shape<"FilingDetails">) =>
      answer(
        api.POST("/api/arrivals/{id}/filing", {
          params: { path: { id: arrival.id } },
          body: { version: arrival.version, details },
        }),
      ),
    onSuccess: async (filed) => {
      lastFiled = arrival.id;
      message.success(
        <span>
          Filed “{filed.name}”.{" "}
          <button type="button" className="linklike" onClick={undo}>
            Undo
          </button>
        </span>,
      );
      onGone();
      await refresh();
    },
  });
  return { file, undo };
}

/** 1 when the name begins with what was typed, so that such types stand first; else 0. */
function beginsWith(label: string, typed: string): number {
  return label.toLowerCase().startsWith(typed.toLowerCase()) ? 1 : 0;
}

function TypePicker({ value, onChange }: { value?: string | null; onChange: (code: string) => void }) {
  const types = useQuery(typesOptions).data ?? [];
  const options = types.map((t) => ({
    value: t.code,
    label: t.label,
    words: [t.label, ...t.synonyms].join(" ").toLowerCase(),
  }));
  return (
    <Select
      id="filing-type"
      value={value ?? undefined}
      onChange={onChange}
      options={options}
      placeholder="any part of its name, or another word for it"
      showSearch={{
        filterOption: (typed, option) => option?.words.includes(typed.toLowerCase()) ?? false,
        filterSort: (a, b, { searchValue }) =>
          beginsWith(b.label, searchValue) - beginsWith(a.label, searchValue),
      }}
      notFoundContent="No type is called so."
    />
  );
}

function Effect({ preview }: { preview: Shape<"FilingPreview"> }) {
  return (
    <>
      <div className="muted">Name</div>
      <div className="named">{preview.name}</div>
      <div className="effect">
        {preview.slots.length === 0 && (
          <span className="muted">It fills no slot of this file; it goes to the other papers.</span>
        )}
        {preview.slots.map((slot) => (
          <div key={slot.label}>
            <span className="muted">Fills the slot</span> <strong>{slot.label}</strong>
            <div className="effect-row">
              <Standing standing={slot.before} /> → <Standing standing={slot.after} />
            </div>
            {slot.accepted && (
              <div className="effect-row">
                <span className="muted">once accepted →</span> <Standing standing={slot.accepted} />
              </div>
            )}
          </div>
        ))}
      </div>
    </>
  );
}

function Standing({ standing }: { standing: Shape<"SlotStanding"> }) {
  const { status, coveredThrough, renewal } = standing;
  const over = status === "lapsed" || status === "in-grace";
  return (
    <span>
      <StatusGlyph status={status} /> {statuses[asStatus(status)].word.toLowerCase()}
      {coveredThrough && (over ? `, held to ${day(coveredThrough)}` : ` to ${day(coveredThrough)}`)}
      {renewal !== "none" && `, newer one ${renewal.replaceAll("-", " ")}`}
    </span>
  );
}
