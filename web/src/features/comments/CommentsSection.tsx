import { DeleteOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Mentions } from "antd";
import { useEffect } from "react";
import { answer, api, done, wordsOf } from "../../api/client";
import { moment } from "../../ui/days";
import { useDraft } from "../../ui/drafts";
import { colleaguesOptions } from "../handover/colleagues";
import "./comments.css";
import { mentionedIn } from "./mentions";

const commentsOptions = (id: string) => ({
  queryKey: ["files", "document", id, "comments"],
  queryFn: () => answer(api.GET("/api/documents/{id}/comments", { params: { path: { id } } })),
});

/** What colleagues say about a paper. Who is mentioned with @ gets a mail and finds the paper in Today. */
export function CommentsSection({ paperId, maySay }: { paperId: string; maySay: boolean }) {
  const comments = useQuery(commentsOptions(paperId)).data ?? [];
  const colleagues = useQuery({ ...colleaguesOptions, enabled: maySay }).data ?? [];
  const typed = useDraft(`comment on ${paperId}`, "", 0);
  const words = typed.value;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["files", "document", paperId] });
  const any = comments.length > 0;
  useEffect(() => {
    if (any) {
      done(api.POST("/api/documents/{id}/comments/seen", { params: { path: { id: paperId } } })).then(
        () => queries.invalidateQueries({ queryKey: ["files", "today"] }),
        () => undefined,
      );
    }
  }, [any, paperId, queries]);
  const say = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{id}/comments", {
          params: { path: { id: paperId } },
          body: { words, mentioned: mentionedIn(words, colleagues) },
        }),
      ),
    onSuccess: () => {
      typed.discard();
      refresh();
    },
  });
  const remove = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/comments/{id}", { params: { path: { id } } })),
    onSuccess: refresh,
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!any && !maySay) {
    return null;
  }
  return (
    <section aria-label="Comments" className="comments">
      <h3>Comments</h3>
      <ul className="plain-list">
        {comments.map((comment) => (
          <li key={comment.id}>
            <div className="muted comment-head">
              <span className="strong">{comment.by}</span> {moment(comment.at)}
              {comment.mayRemove && maySay && (
                <Button
                  size="small"
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label={`Remove the comment of ${comment.by}`}
                  title="Remove it"
                  onClick={() => remove.mutate(comment.id)}
                />
              )}
            </div>
            <div className="comment-words">{comment.words}</div>
          </li>
        ))}
      </ul>
      {maySay && (
        <>
          <Mentions
            aria-label="Comment"
            placeholder="Comment; @ a colleague"
            rows={2}
            maxLength={2000}
            value={words}
            onChange={typed.set}
            options={colleagues.map((c) => ({ key: c.id, value: c.name, label: c.name }))}
          />
          {say.error && <Alert type="error" title={wordsOf(say.error)} />}
          {words.trim() !== "" && (
            <Button size="small" type="primary" loading={say.isPending} onClick={() => say.mutate()}>
              Say it
            </Button>
          )}
        </>
      )}
    </section>
  );
}
