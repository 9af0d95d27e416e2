import type { ReactNode } from "react";
import type { Shape } from "../../api/client";
import { moment } from "../../ui/days";

/** What was written, the last at the bottom. */
export function Conversation({
  messages,
  isGuest,
  children,
}: {
  messages: Shape<"MessageAnswer">[];
  /** Whether a guest reads it; his own messages stand to the right. */
  isGuest: boolean;
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
                <div key={paper} className="conversation-paper">
                  {paper}
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
