import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { day } from "../../ui/days";
import { type NumberSet, numberSetsOptions } from "./numberQueries";
import "./numbering.css";

/** Sets of numbered pages to which papers of a file belong. */
export function NumberSetsSection({ fileId }: { fileId: string }) {
  const sets = useQuery(numberSetsOptions(fileId)).data;
  if (!sets) {
    return null;
  }
  return (
    <section className="number-sets" aria-label="Numbered pages">
      <h2>Numbered pages</h2>
      {sets.length === 0 && (
        <p className="muted">None yet. Choose papers in the table of the file, then “Number pages”.</p>
      )}
      <ul className="plain-list">
        {sets.map((set) => (
          <li key={set.id}>
            <strong className="tabular">{set.words}</strong>{" "}
            <span className="muted">
              {day(set.at)}, {set.by}
              {set.hidden > 0 &&
                ` · ${set.hidden} ${set.hidden === 1 ? "page is" : "pages are"} not shown here`}
            </span>{" "}
            {set.papers.every((p) => p.isMade) ? (
              <a href={`/api/number-sets/${set.id}/joined`} download>
                One PDF
              </a>
            ) : (
              <span className="muted">{set.papers.some((p) => p.failure) ? "" : "being made …"}</span>
            )}
            <Papers set={set} fileId={fileId} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Papers({ set, fileId }: { set: NumberSet; fileId: string }) {
  return (
    <ul className="numbered-papers">
      {set.papers.map((paper) => (
        <li key={paper.documentId}>
          <span className="tabular">{paper.first}</span>{" "}
          <Link to={`/files/${fileId}?${new URLSearchParams({ view: "read", paper: paper.documentId })}`}>
            {paper.paper}
          </Link>
          {paper.failure && <div className="clay">{paper.failure}</div>}
        </li>
      ))}
    </ul>
  );
}
