import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { upload, wordsOf } from "../../api/client";

/** Sends a file as the newest version of a paper; the older ones stay. */
export function useNewVersion(id: string) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (file: File) => upload(`/api/documents/${id}/versions`, file, {}, () => {}),
    onSuccess: () => {
      message.success("It is the newest version now; the older ones are kept.");
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error), 8),
  });
}
