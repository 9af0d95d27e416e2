import { queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type Standing = Shape<"StandingAnswer">;
export type UnderWay = Shape<"UnderWayAnswer">;
export type Sending = Shape<"Sending">;
export type Queue = "US" | "SIGNER" | "OTHERS" | "RECEIVER" | "CHECK";

/** How a paper stands; null for one that was entered in error. */
export const standingOptions = (documentId: string) =>
  queryOptions({
    // beneath the files: whatever changes a paper may change how it stands
    queryKey: ["files", "standing", documentId],
    queryFn: async (): Promise<Standing | null> => {
      const { data } = await api.GET("/api/documents/{id}/standing", {
        params: { path: { id: documentId } },
      });
      // for one that was entered in error there is no content
      return data?.stage ? data : null;
    },
  });

export const underWayOptions = (queue: Queue, type: string | undefined) =>
  queryOptions({
    queryKey: ["files", "under-way", queue, type ?? ""],
    queryFn: () => answer(api.GET("/api/under-way", { params: { query: { queue, type } } })),
  });
