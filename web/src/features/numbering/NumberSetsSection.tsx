import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link } from "react-router";
import { api, done, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { type NumberSet, numberSetsOptions } from "./numberQueries";
import "./numbering.css";

/** Sets of numbered pages to which papers of a file belong. */
export function NumberSetsSection({ fileId }: { fileId: string }) {
  const { message } = App.useApp();
  const mayChange = useMayChange();
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (id: string) => done(api.POST("/api/number-sets/{id}/again", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["jobs"] }),
    onError: (error) => message.error(wordsOf(error)),
  });
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
              {set.destroyed > 0 &&
                ` · ${set.destroyed} ${set.destroyed === 1 ? "page belonged" : "pages belonged"} to papers that were destroyed`}
            </span>{" "}
            {set.papers.every((p) => p.isMade) ? (
              <>
                <a href={`/api/number-sets/${set.id}/joined`} download>
                  One PDF
                </a>
                {" · "}
                <a href={`/api/number-sets/${set.id}/zipped`} download>
                  ZIP
                </a>
              </>
            ) : set.papers.some((p) => p.failure) ? (
              mayChange && (
                <Button size="small" loading={again.isPending} onClick={() => again.mutate(set.id)}>
                  Try again
                </Button>
              )
            ) : (
              <span className="muted">being made …</span>
            )}
            <Papers set={set} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Papers({ set }: { set: NumberSet }) {
  return (
    <ul className="numbered-papers">
      {set.papers.map((paper) => (
        <li key={paper.documentId}>
          <span className="tabular">{paper.first}</span>{" "}
          <Link
            to={`/files/${paper.fileId}?${new URLSearchParams({ view: "read", paper: paper.documentId })}`}
          >
            {paper.paper}
          </Link>
          {paper.failure && <div className="clay">{paper.failure}</div>}
        </li>
      ))}
    </ul>
  );
}
