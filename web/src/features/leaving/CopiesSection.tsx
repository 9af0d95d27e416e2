import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { day } from "../../ui/days";
import { copiesOptions } from "./copyQueries";
import "./leaving.css";

/** Who has which copy of a file's papers. */
export function CopiesSection({ fileId }: { fileId: string }) {
  const copies = useQuery(copiesOptions(fileId)).data;
  if (!copies) {
    return null;
  }
  return (
    <section className="copies-given" aria-label="Copies that left">
      <h2>Copies that left</h2>
      {copies.length === 0 ? (
        <p className="muted">None yet. “A copy for …” stands above each paper, at the arrow down.</p>
      ) : (
        <table className="copies-table">
          <thead>
            <tr>
              <th>Copy</th>
              <th>For</th>
              <th>Of</th>
              <th>Covered</th>
              <th>Given</th>
            </tr>
          </thead>
          <tbody>
            {copies.map((copy) => (
              <tr key={copy.id}>
                <td className="tabular">
                  <a href={`/api/copies-out/${copy.id}/content`} title={`SHA-256 ${copy.sha256}`}>
                    {copy.number}
                  </a>
                </td>
                <td>{copy.reader}</td>
                <td>
                  <Link
                    to={`/files/${fileId}?${new URLSearchParams({ view: "read", paper: copy.documentId })}`}
                  >
                    {copy.paper}
                  </Link>
                </td>
                <td title={copy.reasons.join(", ")}>
                  {copy.covers}
                  {copy.marks && ", with marks"}
                </td>
                <td>
                  {copy.way === "PRINT" ? "printed" : "downloaded"} {day(copy.at)}, {copy.by}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
