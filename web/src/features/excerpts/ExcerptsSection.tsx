import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import "./excerpts.css";
import { excerptsOptions } from "./excerptQueries";

type Excerpt = Shape<"ExcerptAnswer">;

/** With where it stands, as it is set into a letter. */
export function quoted(excerpt: Excerpt): string {
  const page = excerpt.page > 0 ? `, page ${excerpt.page}` : "";
  return `“${excerpt.words}” (${excerpt.paper}, dated ${day(excerpt.documentDate)}${page})`;
}

/** Text picked from the papers of a file, each with its source. */
export function ExcerptsSection({ fileId }: { fileId: string }) {
  const mayChange = useMayChange();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const excerpts = useQuery(excerptsOptions(fileId)).data;
  const remove = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/excerpts/{id}", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: excerptsOptions(fileId).queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!excerpts) {
    return null;
  }
  return (
    <section className="excerpts" aria-label="Excerpts">
      <h2>Excerpts</h2>
      {excerpts.length === 0 && (
        <p className="muted">None yet. Pick text in a paper and press the pen above it.</p>
      )}
      <ul className="plain-list">
        {excerpts.map((excerpt) => (
          <li key={excerpt.id}>
            <blockquote>{excerpt.words}</blockquote>
            <div className="muted">
              <Link to={sourceOf(fileId, excerpt)}>{excerpt.paper}</Link>
              {excerpt.page > 0 && `, page ${excerpt.page}`} · {excerpt.by}
              {excerpt.note && ` · ${excerpt.note}`}
            </div>
            <Button
              size="small"
              type="text"
              onClick={() =>
                navigator.clipboard.writeText(quoted(excerpt)).then(
                  () => message.success("Copied with its source."),
                  () => message.error("The browser does not let it be copied."),
                )
              }
            >
              Copy
            </Button>
            {mayChange && excerpt.mayRemove && (
              <Button size="small" type="text" onClick={() => remove.mutate(excerpt.id)}>
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Opens the paper with the first words of the excerpt marked. */
function sourceOf(fileId: string, excerpt: Excerpt): string {
  const first = excerpt.words.match(/[\p{L}\p{N}]+/gu)?.slice(0, 6);
  const words = first ? `"${first.join(" ")}"` : "";
  return `/files/${fileId}?${new URLSearchParams({ view: "read", paper: excerpt.documentId, words })}`;
}
