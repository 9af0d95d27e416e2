import { SwapOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Radio } from "antd";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import "./merging.css";
import { previewOptions } from "./mergeQueries";
import { useNotSame } from "./useNotSame";

type Preview = Shape<"MergePreviewAnswer">;

/** Two files side by side: which one stays, and whose word holds where they differ. */
export function MergePage() {
  const [search, setSearch] = useSearchParams();
  const kept = search.get("kept") ?? "";
  const gone = search.get("gone") ?? "";
  const preview = useQuery(previewOptions(kept, gone));
  return (
    <div className="merging">
      <Where>
        <Link to="/files">Files</Link> › <Link to="/files/duplicates">Possible duplicates</Link> ›{" "}
        <strong>Compare</strong>
      </Where>
      <Loaded query={preview}>
        {(both) => (
          <Compare
            key={kept + gone}
            both={both}
            onTurn={() => setSearch({ kept: gone, gone: kept }, { replace: true })}
          />
        )}
      </Loaded>
    </div>
  );
}

function Compare({ both, onTurn }: { both: Preview; onTurn: () => void }) {
  const { kept, gone, rows, hindrances } = both;
  const [fromGone, setFromGone] = useState<string[]>([]);
  const { message } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const notSame = useNotSame();
  const merge = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/merges", {
          body: {
            kept: kept.id,
            keptVersion: kept.version,
            gone: gone.id,
            goneVersion: gone.version,
            fromGone,
          },
        }),
      ),
    onSuccess: () => {
      message.success(`Merged. For a day it can be taken back at the head of the file.`);
      queries.invalidateQueries({ queryKey: ["files"] });
      navigate(`/files/${kept.id}`);
    },
  });
  const choose = (name: string, isGone: boolean) =>
    setFromGone((before) => before.filter((n) => n !== name).concat(isGone ? [name] : []));
  return (
    <div className="merge-sheet">
      <h1>Is this one person?</h1>
      <p className="muted">
        All papers, waivers, guests and the trail of the file at the right move into the one at the left. Its
        number keeps finding the person.
      </p>
      <table className="merge-table">
        <thead>
          <tr>
            <td />
            <th scope="col">
              <Link to={`/files/${kept.id}`}>{kept.number}</Link> stays
              <div className="muted">{kept.along.join(", ") || "nothing in it"}</div>
            </th>
            <td className="merge-turn">
              <Button
                size="small"
                type="text"
                icon={<SwapOutlined />}
                aria-label="Let the other file stay"
                title="Let the other file stay"
                onClick={onTurn}
              />
            </td>
            <th scope="col">
              <Link to={`/files/${gone.id}`}>{gone.number}</Link> moves into it
              <div className="muted">{gone.along.join(", ") || "nothing in it"}</div>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const differ = row.kept != null && row.gone != null && row.kept !== row.gone;
            const takesGone = fromGone.includes(row.name) || row.kept == null;
            return (
              <tr key={row.name} className={differ ? "differs" : undefined}>
                <th scope="row">{row.label}</th>
                <td className={takesGone ? "loses" : undefined}>
                  {differ ? (
                    <Radio name={row.name} checked={!takesGone} onChange={() => choose(row.name, false)}>
                      {row.kept}
                    </Radio>
                  ) : (
                    (row.kept ?? "—")
                  )}
                </td>
                <td className="merge-turn muted">{differ ? "≠" : row.kept === row.gone ? "=" : ""}</td>
                <td className={takesGone ? undefined : "loses"}>
                  {differ ? (
                    <Radio name={row.name} checked={takesGone} onChange={() => choose(row.name, true)}>
                      {row.gone}
                    </Radio>
                  ) : (
                    (row.gone ?? "—")
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {hindrances.length > 0 && (
        <Alert
          type="warning"
          title="Not yet"
          description={
            <ul>
              {hindrances.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          }
        />
      )}
      {merge.error && <Alert type="error" title={wordsOf(merge.error)} />}
      <div className="buttons">
        <Button
          type="primary"
          disabled={hindrances.length > 0}
          loading={merge.isPending}
          onClick={() => merge.mutate()}
        >
          Merge into {kept.number}
        </Button>
        <Button
          onClick={() =>
            notSame.mutate(
              { id: kept.id, other: gone.id },
              { onSuccess: () => navigate("/files/duplicates") },
            )
          }
        >
          Two persons
        </Button>
      </div>
    </div>
  );
}
