import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { CopyOutModal } from "./CopyOutModal";
import { bundlesOptions } from "./copyQueries";
import "./leaving.css";

type Bundle = Shape<"BundleAnswer">;

/** Papers of a file that are given together, again when they have changed. */
export function BundlesSection({ fileId }: { fileId: string }) {
  const mayChange = useMayChange();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [given, setGiven] = useState<Bundle>();
  const options = bundlesOptions(fileId);
  const bundles = useQuery(options).data;
  const remove = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/bundles/{id}", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: options.queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!bundles) {
    return null;
  }
  return (
    <section className="copies-given" aria-label="Bundles">
      <h2>Bundles</h2>
      {bundles.length === 0 && (
        <p className="muted">
          None yet. Choose papers in the table of the file or in Find, then “Copies for …”.
        </p>
      )}
      <ul className="plain-list">
        {bundles.map((bundle) => (
          <li key={bundle.id} className="bundle">
            <strong>{bundle.name}</strong>
            <div className="muted">{stateOf(bundle)}</div>
            <div>{bundle.papers.map((p) => (p.isNewer ? `${p.name} (newer)` : p.name)).join(" · ")}</div>
            <Button size="small" disabled={bundle.papers.length === 0} onClick={() => setGiven(bundle)}>
              {bundle.givenAt ? "Give again" : "Give"}
            </Button>
            {mayChange && (
              <Button size="small" type="text" onClick={() => remove.mutate(bundle.id)}>
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {given && (
        <CopyOutModal
          fileId={given.acrossFiles ? undefined : fileId}
          papers={given.papers}
          bundle={given}
          onClose={() => setGiven(undefined)}
        />
      )}
    </section>
  );
}

function stateOf({ papers, gone, givenAt, acrossFiles }: Bundle): string {
  const newer = papers.filter((p) => p.isNewer).length;
  return [
    `${papers.length} ${papers.length === 1 ? "paper" : "papers"}`,
    acrossFiles && "of several files",
    gone > 0 && `${gone} no longer here`,
    givenAt ? `given ${day(givenAt)}` : "never given",
    newer > 0 && `${newer} changed since`,
  ]
    .filter(Boolean)
    .join(" · ");
}
