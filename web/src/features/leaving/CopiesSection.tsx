import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day, moment } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { copiesOptions, copyMailsOptions } from "./copyQueries";
import "./leaving.css";

const WAYS = { DOWNLOAD: "downloaded", PRINT: "printed", MAIL: "mailed", PORTAL: "shared in the portal" };

/** Who has which copy of a file's papers. */
export function CopiesSection({ fileId }: { fileId: string }) {
  const copies = useQuery(copiesOptions(fileId)).data;
  const mails = useQuery(copyMailsOptions(fileId)).data;
  if (!copies) {
    return null;
  }
  return (
    <section className="copies-given" aria-label="Copies that left">
      <h2>Copies that left</h2>
      {copies.length === 0 ? (
        <p className="muted">None yet. “A copy for …” stands above each paper, at the arrow down.</p>
      ) : (
        <ul className="plain-list copies-list">
          {copies.map((copy) => (
            <li key={copy.id}>
              <a
                className="tabular"
                href={`/api/copies-out/${copy.id}/content`}
                title={`SHA-256 ${copy.sha256}`}
              >
                Copy {copy.number}
              </a>{" "}
              for <strong>{copy.reader}</strong>, of{" "}
              <Link to={`/files/${fileId}?${new URLSearchParams({ view: "read", paper: copy.documentId })}`}>
                {copy.paper}
              </Link>
              <div className="muted" title={copy.reasons.join(", ")}>
                {WAYS[copy.way]} {day(copy.at)}, {copy.by} · {copy.covers}
                {copy.marks && ", with marks"}
              </div>
              <Sent mail={mails?.find((m) => m.copies.includes(copy.number))} fileId={fileId} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What became of the mail with which a copy went. */
function Sent({ mail, fileId }: { mail?: Shape<"MailAnswer">; fileId: string }) {
  const { message } = App.useApp();
  const mayChange = useMayChange();
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (id: string) => done(api.POST("/api/copy-mails/{id}/end", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: copyMailsOptions(fileId).queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!mail) {
    return null;
  }
  const link =
    !mail.attached && (mail.isOver ? "the link has ended" : `link until ${day(mail.endsOn ?? "")}`);
  const opened = mail.firstOpenedAt
    ? `opened ${moment(mail.lastOpenedAt ?? mail.firstOpenedAt)}`
    : !mail.attached && "not opened yet";
  return (
    <div className={mail.failure ? "clay" : "muted"}>
      to {mail.to}
      {" · "}
      {mail.failure
        ? `not delivered: ${mail.failure}`
        : [mail.deliveredAt ? "handed to the mail server" : "on its way", link, opened]
            .filter(Boolean)
            .join(" · ")}
      {!mail.attached && !mail.isOver && mayChange && (
        <Button size="small" type="link" onClick={() => end.mutate(mail.id)}>
          End the link
        </Button>
      )}
    </div>
  );
}
