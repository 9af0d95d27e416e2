import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape } from "../../api/client";
import { day } from "../../ui/days";
import { fits } from "./fits";
import { MarkFilters } from "./MarkFilters";
import "./marks.css";
import { KIND_WORDS, type MarkKind, useMarking } from "./markQueries";

type MarkInFile = Shape<"MarkInFile">;

/** So many are shown; others are found by their words. */
const MOST = 60;

/** What was put on the pages of all papers of a file, found by its words; each leads to its place. */
export function MarksSection({ fileId }: { fileId: string }) {
  const { sees } = useMarking();
  const [words, setWords] = useState("");
  const [kind, setKind] = useState<MarkKind>();
  const marks = useQuery({
    queryKey: ["files", fileId, "marks"],
    queryFn: () => answer(api.GET("/api/files/{id}/marks", { params: { path: { id: fileId } } })),
    enabled: sees,
  }).data;
  if (!marks) {
    return null;
  }
  const found = marks.filter(({ mark, paper }) => fits(mark, kind, words, paper));
  return (
    <section className="marks-of-file" aria-label="Marks">
      <h2>Marks</h2>
      {marks.length === 0 ? (
        <p className="muted">None yet. Select words of a paper, or drag over a place on its page.</p>
      ) : (
        <MarkFilters
          words={words}
          onWords={setWords}
          kind={kind}
          onKind={setKind}
          hint="words, author, paper"
        />
      )}
      <ul className="plain-list">
        {found.slice(0, MOST).map((entry) => (
          <li key={entry.mark.id}>
            <Link to={addressOf(fileId, entry)}>
              <strong>{KIND_WORDS[entry.mark.shape.kind]}</strong>{" "}
              {entry.mark.shape.text ?? entry.mark.shape.reason}
            </Link>
            <div className="muted">
              {entry.paper}, page {entry.mark.page} · {entry.mark.by}, {day(entry.mark.at)}
            </div>
          </li>
        ))}
      </ul>
      {marks.length > 0 && found.length === 0 && <p className="muted">No marks match.</p>}
      {found.length > MOST && (
        <p className="muted">{found.length - MOST} more. Type words to narrow the list.</p>
      )}
    </section>
  );
}

function addressOf(fileId: string, { mark }: MarkInFile): string {
  return `/files/${fileId}?${new URLSearchParams({ view: "read", paper: mark.documentId, mark: mark.id })}`;
}
