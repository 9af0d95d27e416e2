import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useNavigate } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";

type Item = Shape<"TodayItem">;

/** Runs what ends an item, and shows Today anew. */
function useEnd(run: () => Promise<unknown>) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: run,
    onSuccess: () => queries.invalidateQueries(),
    onError: (error) => message.error(wordsOf(error)),
  });
}

/** An answer is read, or what a plan asks is done. */
export function TickOff({ item }: { item: Item }) {
  const navigate = useNavigate();
  const isAnswer = item.action === "mail-answer";
  const params = { path: { id: item.taskId ?? "" } };
  const end = useEnd(() =>
    done(
      isAnswer
        ? api.POST("/api/mail-answers/{id}/seen", { params })
        : api.POST("/api/chasing-tasks/{id}/done", { params }),
    ),
  );
  return (
    <span className="today-actions">
      <Button size="small" onClick={() => navigate(`/files/${item.fileId}${isAnswer ? "?view=shared" : ""}`)}>
        Look at it
      </Button>
      <Button size="small" loading={end.isPending} onClick={() => end.mutate()}>
        {isAnswer ? "Read" : "Done"}
      </Button>
    </span>
  );
}

/** An address from which mails came back is mended in the file, or mails arrive there again. */
export function MendAddress({ item }: { item: Item }) {
  const navigate = useNavigate();
  const address = item.title.replace(/^Mails to (.*) come back$/, "$1");
  const end = useEnd(() => done(api.POST("/api/unreachable-addresses/reachable", { body: { address } })));
  return (
    <span className="today-actions">
      {item.fileId && (
        <Button size="small" onClick={() => navigate(`/files/${item.fileId}?view=details`)}>
          Mend it
        </Button>
      )}
      <Button size="small" loading={end.isPending} onClick={() => end.mutate()}>
        Arrives again
      </Button>
    </span>
  );
}
