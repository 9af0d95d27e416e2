import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { useEffect, useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";

type Version = Shape<"VersionAnswer">;

/** Whether it can be laid out as pages where the server has what it takes. */
export function isOffice({ mediaType }: Pick<Version, "mediaType">): boolean {
  return /officedocument|opendocument|msword|ms-excel|ms-powerpoint|rtf/.test(mediaType);
}

/**
 * An office file as pages, once they are there; else it is laid out on request. Why it cannot be is said, and its words
 * stay.
 */
export function useLaidOut(id: string, version: Version) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [words, setWords] = useState(false);
  const layOut = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{id}/versions/{number}/laid-out", {
          params: { path: { id, number: version.number } },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["files", "document", id], exact: true }),
    onError: (error) => message.warning(wordsOf(error), 8),
  });
  const { mutate, reset } = layOut;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another paper begins with its pages
  useEffect(() => {
    setWords(false);
    reset();
  }, [id, version.number, reset]);
  const pages = version.laidOut ?? layOut.data;
  return {
    laidOut: words ? undefined : pages,
    isPending: layOut.isPending,
    turn: () => (pages ? setWords(!words) : mutate()),
  };
}
