import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { day, moment } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { type LetterLine, lettersOptions } from "./letterQueries";
import "./letters.css";

/** Letters that are being written, and those made lately. */
export function LettersPage() {
  const letters = useQuery(lettersOptions);
  return (
    <div className="letters-page">
      <Where>
        <strong>Letters</strong>
        <span className="muted"> · from your models, filed when they are done</span>
      </Where>
      <Loaded query={letters}>
        {({ open, filed }) => (
          <>
            <h2>Being written</h2>
            {open.length === 0 ? (
              <QuietEmpty title="Nothing is being written">
                <p>Open somebody’s file, and at the arrow beside “Add papers” choose “A letter we write”.</p>
              </QuietEmpty>
            ) : (
              <Lines letters={open} />
            )}
            {filed.length > 0 && (
              <>
                <h2>Made lately</h2>
                <Lines letters={filed} />
              </>
            )}
          </>
        )}
      </Loaded>
    </div>
  );
}

function Lines({ letters }: { letters: LetterLine[] }) {
  return (
    <ul className="plain-list copies-list">
      {letters.map((letter) => (
        <li key={letter.id}>
          <Link
            to={
              letter.documentId
                ? `/files/${letter.fileId}?${new URLSearchParams({ view: "read", paper: letter.documentId })}`
                : `/letters/${letter.id}`
            }
          >
            {letter.model}
          </Link>{" "}
          for <Link to={`/files/${letter.fileId}`}>{letter.person}</Link>
          <div className="muted">
            takes effect {day(letter.effectiveOn)} · {letter.by}, {moment(letter.changedAt)}
          </div>
        </li>
      ))}
    </ul>
  );
}
