import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input } from "antd";
import { useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { visitsOptions } from "./visitQueries";
import "./visits.css";

type Visit = Shape<"VisitAnswer">;

/** How many visits are listed before one asks for the rest. */
const SHOWN = 5;

/** When the person was here and comes next; each visit parts the papers of the file. */
export function VisitsSection({ fileId }: { fileId: string }) {
  const visits = useQuery(visitsOptions(fileId)).data;
  const mayChange = useMayChange();
  const [all, setAll] = useState(false);
  const { note, remove } = useVisits(fileId);
  if (!visits) {
    return null;
  }
  return (
    <section className="visits" aria-label="Visits">
      <h2>Visits</h2>
      {visits.length === 0 && (
        <p className="muted">None noted. Once there are some, the whole file can be read visit by visit.</p>
      )}
      <ul className="plain-list">
        {(all ? visits : visits.slice(0, SHOWN)).map((visit) => (
          <li key={visit.id}>
            <span className="tabular">{day(visit.day)}</span>
            <span className="muted">
              {visit.words}
              {visit.isNext && <span className="juniper"> next</span>}
            </span>
            {mayChange && (
              <Button
                size="small"
                type="text"
                aria-label={`Remove the visit of ${day(visit.day)}`}
                onClick={() => remove.mutate(visit)}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!all && visits.length > SHOWN && (
        <button type="button" className="linklike" onClick={() => setAll(true)}>
          Show all {visits.length}
        </button>
      )}
      {mayChange && (
        <NewVisit
          problem={note.error ? wordsOf(note.error) : undefined}
          isPending={note.isPending}
          onNote={(noted, after) => note.mutate(noted, { onSuccess: after })}
        />
      )}
    </section>
  );
}

type Noted = Pick<Visit, "day" | "words">;

type NewVisitProps = {
  problem?: string;
  isPending: boolean;
  onNote: (visit: Noted, after: () => void) => void;
};

function NewVisit({ problem, isPending, onNote }: NewVisitProps) {
  const [when, setWhen] = useState<string | null>();
  const [words, setWords] = useState("");
  const clear = () => {
    setWhen(null);
    setWords("");
  };
  return (
    <>
      <form
        className="new-visit"
        onSubmit={(event) => {
          event.preventDefault();
          if (when) {
            onNote({ day: when, words }, clear);
          }
        }}
      >
        <DayField label="Day of the visit" value={when} onChange={setWhen} />
        <Input
          aria-label="What the visit is for"
          placeholder="what for"
          maxLength={120}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <Button htmlType="submit" disabled={!when} loading={isPending}>
          Note it
        </Button>
      </form>
      {problem && <Alert type="error" title={problem} />}
    </>
  );
}

/** Notes visits and removes them; Undo notes a removed one again. */
function useVisits(fileId: string) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["files", fileId] });
  const note = useMutation({
    mutationFn: (visit: Noted) =>
      answer(api.POST("/api/files/{fileId}/visits", { params: { path: { fileId } }, body: visit })),
    onSuccess: refresh,
  });
  const remove = useMutation({
    mutationFn: (visit: Visit) =>
      done(api.DELETE("/api/files/{fileId}/visits/{id}", { params: { path: { fileId, id: visit.id } } })),
    onSuccess: (_, visit) => {
      refresh();
      message.success(
        <span>
          The visit of {day(visit.day)} is removed.{" "}
          <button
            type="button"
            className="linklike"
            onClick={() => note.mutate({ day: visit.day, words: visit.words })}
          >
            Undo
          </button>
        </span>,
        10,
      );
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return { note, remove };
}
