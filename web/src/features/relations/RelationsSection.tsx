import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { useMayChange } from "../asof/asOf";
import { RelationModal } from "./RelationModal";
import { relationsOptions } from "./relationQueries";
import "./relations.css";

type RelationAnswer = Shape<"RelationAnswer">;

export function placeOf(relation: Pick<RelationAnswer, "fileId" | "outsiderId">): string {
  return relation.fileId ? `/files/${relation.fileId}` : `/outsiders/${relation.outsiderId}`;
}

/** Who is what to the person of a file, and of whom he is something. */
export function RelationsSection({ file }: { file: Shape<"FileAnswer"> }) {
  const relations = useQuery(relationsOptions(file.id)).data;
  const mayChange = useMayChange();
  const [adds, setAdds] = useState(false);
  const remove = useRemove(file.id);
  if (!relations) {
    return null;
  }
  return (
    <section className="relations" aria-label="Relations">
      <h2>Relations</h2>
      {relations.length === 0 && (
        <p className="muted">Nobody yet: guardians, payers, physicians, insurers, siblings…</p>
      )}
      <ul className="plain-list">
        {relations.map((relation) => (
          <li key={relation.id + relation.reverse}>
            <span className="muted">{relation.words}</span>
            <span>
              <Link to={placeOf(relation)}>
                <strong>{relation.name}</strong>
              </Link>{" "}
              <span className="muted tabular">
                {[relation.number, relation.organisation, relation.email, relation.phone, relation.note]
                  .filter(Boolean)
                  .join(" · ")}
              </span>
            </span>
            {mayChange && !relation.reverse && (
              <Button
                size="small"
                type="text"
                aria-label={`Remove ${relation.name}, ${relation.words}`}
                onClick={() => remove.mutate(relation)}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {mayChange && <Button onClick={() => setAdds(true)}>Add a relation</Button>}
      {adds && <RelationModal file={file} onClose={() => setAdds(false)} />}
    </section>
  );
}

/** Removes a relation; Undo tells it again. */
function useRemove(fileId: string) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["files"] });
  const again = useMutation({
    mutationFn: (r: RelationAnswer) =>
      done(
        api.POST("/api/files/{id}/relations", {
          params: { path: { id: fileId } },
          body: {
            kind: r.kind as Shape<"RelationRequest">["kind"],
            note: r.note,
            otherFile: r.fileId,
            outsider: r.outsiderId,
          },
        }),
      ),
    onSuccess: refresh,
    onError: (error) => message.error(wordsOf(error)),
  });
  return useMutation({
    mutationFn: (r: RelationAnswer) =>
      done(api.DELETE("/api/relations/{id}", { params: { path: { id: r.id } } })),
    onSuccess: (_, r) => {
      refresh();
      const key = `relation-${r.id}`;
      message.success({
        key,
        duration: 8,
        content: (
          <>
            Removed.{" "}
            <Button
              size="small"
              type="link"
              onClick={() => {
                message.destroy(key);
                again.mutate(r);
              }}
            >
              Undo
            </Button>
          </>
        ),
      });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}
