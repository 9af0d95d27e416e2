import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type PaperWords = Shape<"PaperWords">;
export type PageWords = Shape<"PageWords">;

/** Where in a paper the typed words stand. */
export const wordsOptions = (id: string, number: number, typed: string) =>
  queryOptions({
    queryKey: ["files", "document", id, "words", number, typed],
    queryFn: () =>
      answer(
        api.GET("/api/documents/{id}/versions/{number}/words", {
          params: { path: { id, number }, query: { typed } },
        }),
      ),
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  });

/** In which words a version differs from an older one. */
export const differencesOptions = (id: string, older: number, newer: number) =>
  queryOptions({
    queryKey: ["files", "document", id, "differences", older, newer],
    queryFn: () =>
      answer(
        api.GET("/api/documents/{id}/versions/{number}/differences", {
          params: { path: { id, number: newer }, query: { from: older } },
        }),
      ),
    refetchInterval: (query) => (query.state.data?.isRead === false ? 1_500 : false),
    retry: false,
  });

/** One place where words stand: the page, and which of its places. */
export type At = { page: number; place: number; top: number };

/** All places of a paper in reading order. */
export function placesOf(words?: PaperWords): At[] {
  return (words?.pages ?? []).flatMap(({ page, places }) =>
    places.map((p, place) => ({ page, place, top: p.boxes[0]?.[1] ?? 0 })),
  );
}
