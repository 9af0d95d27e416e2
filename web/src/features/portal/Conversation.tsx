import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Shape } from "../../api/client";
import { moment } from "../../ui/days";

/** What was written, the last at the bottom. */
export function Conversation({
  messages,
  isGuest,
  fileId,
  children,
}: {
  messages: Shape<"MessageAnswer">[];
  /** Whether a guest reads it; his own messages stand to the right. */
  isGuest: boolean;
  fileId: string;
  /** Where one writes. */
  children?: ReactNode;
}) {
  return (
    <div className="conversation">
      <ol>
        {messages.map((message) => {
          const isOwn = message.fromGuest === isGuest;
          return (
            <li key={message.id} className={isOwn ? "own" : undefined}>
              <p>{message.words}</p>
              {message.papers.map((paper) => (
                <div key={paper.documentId ?? paper.arrivalId ?? paper.name} className="conversation-paper">
                  <Paper paper={paper} fileId={isGuest ? undefined : fileId} />
                </div>
              ))}
              <div className="conversation-by">
                {message.by}, {moment(message.at)}
                {isOwn && message.read && " · seen"}
              </div>
            </li>
          );
        })}
      </ol>
      {children}
    </div>
  );
}

/** A paper that goes with a message. @param fileId where colleagues find it; undefined for a guest */
function Paper({ paper, fileId }: { paper: Shape<"MessagePaper">; fileId?: string }) {
  if (!fileId) {
    return paper.name;
  }
  return paper.documentId ? (
    <Link to={`/files/${fileId}?paper=${paper.documentId}`}>{paper.name}</Link>
  ) : (
    <>
      <Link to={`/arrivals?paper=${paper.arrivalId}`}>{paper.name}</Link>, not filed yet
    </>
  );
}
