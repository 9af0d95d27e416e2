import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button } from "antd";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, done, type Shape, wordsOf } from "../../../api/client";
import { day } from "../../../ui/days";
import { Loaded } from "../../../ui/Quiet";
import { Where } from "../../../ui/Where";
import { useMayChange } from "../../asof/asOf";
import { CopyOutModal } from "../../leaving/CopyOutModal";
import { AskField } from "../AskField";
import { batchOptions, languageName } from "../letterQueries";
import "../letters.css";

type Batch = Shape<"BatchAnswer">;

/** The same letter for many: answered together, each looked at and corrected by itself, filed in one go. */
export function LetterBatchPage() {
  const { id = "" } = useParams();
  const [isFiling, setFiling] = useState(false);
  const batch = useQuery({
    ...batchOptions(id),
    refetchInterval: ({ state }) =>
      isFiling && state.data?.letters.some((l) => l.ready && !l.documentId) ? 4000 : false,
  });
  return (
    <div className="letters-page">
      <Loaded query={batch}>{(found) => <Many batch={found} onFiling={() => setFiling(true)} />}</Loaded>
    </div>
  );
}

function Many({ batch, onFiling }: { batch: Batch; onFiling: () => void }) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const mayChange = useMayChange();
  const params = { path: { id: batch.id } };
  const [typed, setTyped] = useState<Record<string, string>>({});
  const open = batch.letters.filter((l) => !l.documentId);
  const ready = open.filter((l) => l.ready);
  const [isLeaving, setLeaving] = useState(false);
  const filed = batch.letters.flatMap((l) =>
    l.documentId ? [{ id: l.documentId, name: `${batch.model}, ${l.person}` }] : [],
  );
  const again = () => queries.invalidateQueries({ queryKey: batchOptions(batch.id).queryKey });
  const answerAll = useMutation({
    mutationFn: () => done(api.PUT("/api/letter-batches/{id}/answers", { params, body: { answers: typed } })),
    onSuccess: async () => {
      await again();
      setTyped({});
    },
  });
  const file = useMutation({
    mutationFn: () => answer(api.POST("/api/letter-batches/{id}/filing", { params })),
    onSuccess: () => {
      message.success("They are being filed; the top of the page tells how far it is.");
      queries.invalidateQueries({ queryKey: ["jobs"] });
      onFiling();
      again();
    },
  });
  const error = answerAll.error ?? file.error;
  return (
    <>
      <Where>
        <Link to="/letters">Letters</Link> <span className="muted">·</span> <strong>{batch.model}</strong>
      </Where>
      <h1>
        {batch.model} for {batch.letters.length} people
      </h1>
      <p className="muted">
        takes effect {day(batch.effectiveOn)} · {languageName(batch.language)}, version {batch.version} ·
        begun by {batch.by}
      </p>
      {error ? <Alert type="error" title={wordsOf(error)} /> : null}
      {open.length > 0 && batch.asks.length > 0 && mayChange && (
        <section aria-label="For all of them">
          <h2>For all of them</h2>
          <div className="model-fields">
            {batch.asks.map((ask) => (
              <AskField
                key={ask.name}
                ask={ask}
                mayChange
                placeholder={
                  ask.answer === null || ask.answer === undefined ? "not the same in all" : undefined
                }
                value={typed[ask.name] ?? ask.answer ?? ""}
                onChange={(value) => setTyped({ ...typed, [ask.name]: value })}
              />
            ))}
            <Button
              disabled={Object.keys(typed).length === 0}
              loading={answerAll.isPending}
              onClick={() => answerAll.mutate()}
            >
              Use for all
            </Button>
          </div>
        </section>
      )}
      <div className="buttons">
        {mayChange && open.length > 0 && (
          <Button
            type="primary"
            disabled={ready.length === 0 || Object.keys(typed).length > 0}
            loading={file.isPending}
            onClick={() => file.mutate()}
          >
            {filingWords(ready.length)}
          </Button>
        )}
        {filed.length > 0 && (
          <Button onClick={() => setLeaving(true)}>
            Print or send {filed.length === 1 ? "it" : `all ${filed.length}`}
          </Button>
        )}
      </div>
      {isLeaving && <CopyOutModal papers={filed} wanted="PRINT" onClose={() => setLeaving(false)} />}
      <h2>Each of them</h2>
      <table className="letter-batch">
        <thead>
          <tr>
            <th>Who</th>
            <th>How it stands</th>
            <th>Letter</th>
          </tr>
        </thead>
        <tbody>
          {batch.letters.map((letter) => (
            <tr key={letter.id}>
              <td>
                <Link to={`/files/${letter.fileId}`}>{letter.person}</Link>
              </td>
              <td>
                {letter.documentId
                  ? "filed"
                  : letter.missing.length > 0
                    ? `${letter.ready ? "open" : "lacks"}: ${letter.missing.join(", ")}`
                    : "ready"}
                {letter.differs && <span className="clay"> · differs from the model</span>}
              </td>
              <td>
                {letter.documentId ? (
                  <Link
                    to={`/files/${letter.fileId}?${new URLSearchParams({ view: "read", paper: letter.documentId })}`}
                  >
                    Read it
                  </Link>
                ) : (
                  <Link to={`/letters/${letter.id}`}>{letter.ready ? "Look at it" : "Complete it"}</Link>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function filingWords(ready: number): string {
  if (ready === 0) {
    return "File those that are ready";
  }
  return ready === 1 ? "File the one that is ready" : `File the ${ready} that are ready`;
}
