import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { done, wordsOf } from "../../api/client";

type Action = { call: () => Promise<unknown>; said?: string; after?: () => void };

/** Does something with papers, says so or why not, and has what is shown asked for anew. */
export function usePaperAction() {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ call }: Action) => done(call() as Parameters<typeof done>[0]),
    onSuccess: (_, { said, after }) => {
      if (said) {
        message.success(said);
      }
      after?.();
      queries.invalidateQueries({ queryKey: ["files"] });
      queries.invalidateQueries({ queryKey: ["jobs"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}
