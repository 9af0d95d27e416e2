import { useMutation } from "@tanstack/react-query";
import { App } from "antd";
import { useEffect, useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";

type Version = Shape<"VersionAnswer">;

/** Whether it can be laid out as pages where the server has what it takes. */
export function isOffice({ mediaType }: Version): boolean {
  return /officedocument|opendocument|msword|ms-excel|ms-powerpoint|rtf/.test(mediaType);
}

/** An office file laid out as pages on request; why it cannot be is said, and its words stay. */
export function useLaidOut(id: string, version: Version) {
  const { message } = App.useApp();
  const [shown, setShown] = useState(false);
  const layOut = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{id}/versions/{number}/laid-out", {
          params: { path: { id, number: version.number } },
        }),
      ),
    onSuccess: () => setShown(true),
    onError: (error) => message.warning(wordsOf(error), 8),
  });
  const { mutate, reset } = layOut;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another paper begins with its words
  useEffect(() => {
    setShown(false);
    reset();
  }, [id, version.number, reset]);
  return {
    laidOut: shown ? layOut.data : undefined,
    isPending: layOut.isPending,
    turn: () => (shown ? setShown(false) : mutate()),
  };
}
