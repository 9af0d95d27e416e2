import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, done, type Shape } from "../../api/client";
import { moment } from "../../ui/days";
import "./chasing.css";
import { STAGES } from "./planWords";

/** One message: to whom, what, when, and what became of it. */
export function NoticeLine({ notice }: { notice: Shape<"NoticeAnswer"> }) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const retry = useMutation({
    mutationFn: () => done(api.POST("/api/notices/{id}/retry", { params: { path: { id: notice.id } } })),
    onSettled: () => queries.invalidateQueries(),
  });
  const result = STAGES[notice.stage];
  return (
    <div className="notice">
      <div>
        <strong>{notice.subject}</strong> <span className={result?.className}>· {result?.word}</span>
      </div>
      <div className="muted">
        to {notice.recipient} · {moment(notice.queuedAt)} by {notice.by}
        {notice.result && ` · ${notice.result}`}
        {notice.awayAt && " · an absence was reported"}
        {notice.nextAttempt && ` · tried again ${moment(notice.nextAttempt)}`}
      </div>
      {notice.body ? (
        <button type="button" className="linklike" onClick={() => setOpen(!open)}>
          {open ? "Hide the text" : "Show the text"}
        </button>
      ) : (
        <span className="muted">Only they see the text</span>
      )}
      {notice.mayRetry && (
        <>
          {" · "}
          <button type="button" className="linklike" onClick={() => retry.mutate()}>
            Send again
          </button>
        </>
      )}
      {open && <pre>{notice.body}</pre>}
    </div>
  );
}
