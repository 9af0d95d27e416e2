import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type Criteria = Shape<"FindCriteria">;
export type FoundPaper = Shape<"FoundPaper">;
export type Counts = Shape<"FoundCounts">;

const PAGE = 50;

/** Without what is empty, so that the same search has the same address. */
export function tidy(criteria: Criteria): Criteria {
  return Object.fromEntries(
    Object.entries(criteria).filter(([, value]) =>
      Array.isArray(value)
        ? value.length > 0
        : value !== undefined && value !== null && value !== "" && value !== false,
    ),
  );
}

export function isEmpty(criteria: Criteria): boolean {
  return Object.keys(tidy(criteria)).length === 0;
}

/** All wanted words in one line, as the find box reads it; what a reader marks in the papers. */
export function wordsOfAll({ words, anyOf, exact }: Criteria): string {
  const quoted = exact?.replaceAll('"', " ").trim();
  const any = anyOf?.trim().split(/\s+/).join(" or ");
  return [words?.trim(), any, quoted && `"${quoted}"`].filter(Boolean).join(" ");
}

export const foundOptions = (criteria: Criteria, sort: string) =>
  infiniteQueryOptions({
    queryKey: ["files", "find", criteria, sort],
    queryFn: ({ pageParam }) =>
      answer(
        api.POST("/api/find", {
          params: { query: { sort, offset: pageParam, limit: PAGE } },
          body: criteria,
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, all) => (last.more ? all.length * PAGE : undefined),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const countsOptions = (criteria: Criteria) =>
  queryOptions({
    queryKey: ["files", "find", "counts", criteria],
    queryFn: () => answer(api.POST("/api/find/counts", { body: criteria })),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** What stands around the first found word of each of these papers. */
export const aroundOptions = (documents: string[], criteria: Criteria) =>
  queryOptions({
    queryKey: ["files", "find", "around", documents, wordsOfAll(criteria)],
    queryFn: () => answer(api.POST("/api/find/around", { body: { documents, criteria } })),
    enabled: documents.length > 0 && wordsOfAll(criteria) !== "",
    placeholderData: keepPreviousData,
    retry: false,
  });

export const savedOptions = queryOptions({
  queryKey: ["saved-searches"],
  queryFn: () => answer(api.GET("/api/saved-searches")),
});

export const standingOptions = (place: "TODAY" | "FILES") =>
  queryOptions({
    queryKey: ["files", "saved-searches", place],
    queryFn: () => answer(api.GET("/api/saved-searches/counts", { params: { query: { place } } })),
  });

export const suggestionsOptions = (typed: string) =>
  queryOptions({
    queryKey: ["files", "suggestions", typed],
    queryFn: async () => {
      const query = { typed };
      const [found, numbers] = await Promise.all([
        answer(api.GET("/api/find/suggestions", { params: { query } })),
        // the number of a page ends with a digit
        /\d$/.test(typed) ? answer(api.GET("/api/page-numbers", { params: { query } })) : [],
      ]);
      return { ...found, numbers };
    },
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
  });

/** The address of the Find page for these criteria. */
export function findAddress(criteria: Criteria): string {
  const search = new URLSearchParams({ for: JSON.stringify(tidy(criteria)) });
  return `/find?${search}`;
}

/** What an address asks for; nothing when it cannot be read. */
export function criteriaOf(text: string | null): Criteria {
  try {
    const read: unknown = JSON.parse(text ?? "{}");
    return typeof read === "object" && read !== null && !Array.isArray(read) ? (read as Criteria) : {};
  } catch {
    return {};
  }
}
