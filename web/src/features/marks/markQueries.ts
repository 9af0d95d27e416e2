import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { createElement } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { meOptions } from "../access/sessionQueries";

export type Mark = Shape<"MarkAnswer">;
export type MarkShape = Shape<"PageShape">;
export type MarkKind = MarkShape["kind"];
export type PageBox = Shape<"PageBox">;
export type NewMark = Shape<"MarkRequest">;

/** What each kind is called in a list. */
export const KIND_WORDS: Record<MarkKind, string> = {
  HIGHLIGHT: "Highlight",
  NOTE: "Note",
  STAMP: "Stamp",
  PEN: "Drawing",
  ARROW: "Arrow",
  COVER: "Cover",
};

export const marksOptions = (id: string, number: number) =>
  queryOptions({
    queryKey: ["files", "document", id, "marks", number],
    queryFn: () =>
      answer(api.GET("/api/documents/{id}/versions/{number}/marks", { params: { path: { id, number } } })),
    staleTime: 10_000,
    retry: false,
  });

export const markWordsOptions = queryOptions({
  queryKey: ["marks", "words"],
  queryFn: () => answer(api.GET("/api/marks/words")),
  staleTime: 300_000,
});

/** What the account may do with marks. */
export function useMarking() {
  const marking = useQuery(meOptions).data?.marking ?? "NOTHING";
  return {
    sees: marking !== "NOTHING",
    makes: marking === "MAKES" || marking === "OPENS_COVERS",
    opensCovers: marking === "OPENS_COVERS",
  };
}

/** Puts, changes and removes marks on a version of a paper; what was removed can be put back. */
export function useMarkActions(id: string, number: number) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const { queryKey } = marksOptions(id, number);
  const onError = (error: unknown) => {
    message.error(wordsOf(error));
    queries.invalidateQueries({ queryKey });
  };
  const put = useMutation({
    mutationFn: (marks: NewMark[]) =>
      answer(
        api.POST("/api/documents/{id}/versions/{number}/marks", {
          params: { path: { id, number } },
          body: { marks },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["files"] }),
    onError,
  });
  const change = useMutation({
    mutationFn: ({ mark, shape }: { mark: Mark; shape: MarkShape }) =>
      answer(
        api.PUT("/api/marks/{id}", {
          params: { path: { id: mark.id } },
          body: { changes: mark.changes, shape },
        }),
      ),
    // where it was moved to shows at once, before the server has it
    onMutate: ({ mark, shape }) =>
      queries.setQueryData(queryKey, (before) =>
        before?.map((m) => (m.id === mark.id ? { ...m, shape } : m)),
      ),
    onSuccess: (changed) =>
      queries.setQueryData(queryKey, (before) => before?.map((m) => (m.id === changed.id ? changed : m))),
    onError,
  });
  const remove = useMutation({
    mutationFn: (mark: Mark) => done(api.DELETE("/api/marks/{id}", { params: { path: { id: mark.id } } })),
    onSuccess: (_, mark) => {
      queries.invalidateQueries({ queryKey: ["files"] });
      message.success({
        key: mark.id,
        duration: 6,
        content: createElement(
          "span",
          null,
          `${KIND_WORDS[mark.shape.kind]} removed. `,
          createElement(
            Button,
            {
              type: "link",
              size: "small",
              onClick: () => {
                message.destroy(mark.id);
                put.mutate([{ page: mark.page, shape: mark.shape }]);
              },
            },
            "Undo",
          ),
        ),
      });
    },
    onError,
  });
  return { put: put.mutate, change: change.mutate, remove: remove.mutate, isPending: put.isPending };
}
