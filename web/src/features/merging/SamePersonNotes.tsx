import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link } from "react-router";
import { answer, api, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { meOptions } from "../access/sessionQueries";
import { useMayChange } from "../asof/asOf";
import "./merging.css";
import { duplicatesOfOptions, mergesOptions } from "./mergeQueries";
import { useNotSame } from "./useNotSame";

/** Below the head of a file: who else may be the same person, and what was merged into it and can be parted again. */
export function SamePersonNotes({ fileId }: { fileId: string }) {
  const mayChange = useMayChange();
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const like = useQuery({ ...duplicatesOfOptions(fileId), enabled: mayChange }).data ?? [];
  const merges = useQuery({ ...mergesOptions(fileId), enabled: mayChange }).data ?? [];
  const notSame = useNotSame();
  const undo = useUndoMerge();
  if (!mayChange || like.length + merges.length === 0) {
    return null;
  }
  return (
    <div className="same-person">
      {merges.map((merge) => (
        <p key={merge.id}>
          <span>
            <strong className="tabular">{merge.number}</strong> of {merge.name} was merged into this file by{" "}
            {merge.by}, {moment(merge.at)}. It can be taken back until {moment(merge.undoableUntil)}.
          </span>
          {isAdministrator && (
            <Button size="small" loading={undo.isPending} onClick={() => undo.mutate(merge.id)}>
              Take the merge back
            </Button>
          )}
        </p>
      ))}
      {like.slice(0, 2).map((pair) => (
        <p key={pair.other.id}>
          <span>
            May be the same person as <Link to={`/files/${pair.other.id}`}>{pair.other.name}</Link>,{" "}
            <span className="tabular">{pair.other.number}</span>
            <span className="muted">: {pair.reasons.join(", ")}</span>
          </span>
          {isAdministrator && (
            <Link to={`/files/merge?kept=${fileId}&gone=${pair.other.id}`}>
              <Button size="small">Compare</Button>
            </Link>
          )}
          <Button
            size="small"
            type="text"
            onClick={() => notSame.mutate({ id: fileId, other: pair.other.id })}
          >
            Two persons
          </Button>
        </p>
      ))}
    </div>
  );
}

/** Takes a merge back. */
function useUndoMerge() {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => answer(api.POST("/api/merges/{id}/undo", { params: { path: { id } } })),
    onSuccess: () => {
      message.success("Taken back: there are two files again.");
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}
