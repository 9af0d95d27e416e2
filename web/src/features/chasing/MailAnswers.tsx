import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, done } from "../../api/client";
import { moment } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { mailAnswersOptions } from "./planQueries";

/** What people wrote back to mails about a person, without a paper. */
export function MailAnswers({ fileId }: { fileId: string }) {
  const answers = useQuery(mailAnswersOptions(fileId)).data ?? [];
  const mayChange = useMayChange();
  const queries = useQueryClient();
  const seen = useMutation({
    mutationFn: (id: string) => done(api.POST("/api/mail-answers/{id}/seen", { params: { path: { id } } })),
    onSettled: () => queries.invalidateQueries(),
  });
  if (answers.length === 0) {
    return null;
  }
  return (
    <section aria-label="Answers by mail">
      <h2>Answers by mail</h2>
      {answers.map((a) => (
        <div key={a.id} className="notice">
          <strong>{a.sender}</strong> <span className="muted">· {moment(a.at)}</span>
          <pre>{a.words}</pre>
          {a.seenBy ? (
            <span className="muted">read by {a.seenBy}</span>
          ) : (
            mayChange && (
              <button type="button" className="linklike" onClick={() => seen.mutate(a.id)}>
                Read
              </button>
            )
          )}
        </div>
      ))}
    </section>
  );
}
