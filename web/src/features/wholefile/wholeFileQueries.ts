import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { answer, api, type Shape } from "../../api/client";

export type PaperInFile = Shape<"PaperInFile">;
export type WordsInFile = Shape<"WordsInFile">;

export const wordsInFileOptions = (id: string, typed: string) =>
  queryOptions({
    queryKey: ["files", id, "words", typed],
    queryFn: () => answer(api.GET("/api/files/{id}/words", { params: { path: { id }, query: { typed } } })),
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  });

/** While the whole file is read and words are searched for: the papers that hold them, with how many places. */
export function useNarrowedPapers(fileId: string): ReadonlyMap<string, number> | undefined {
  const [search] = useSearchParams();
  const words = search.get("view") === "whole" ? (search.get("words") ?? "") : "";
  const found = useQuery(wordsInFileOptions(fileId, words)).data;
  return words.trim() && found ? new Map(found.map((f) => [f.documentId, f.places])) : undefined;
}

export type Filters = {
  title: string;
  from?: string | null;
  to?: string | null;
  states: string[];
  types: string[];
  years: string[];
  authors: string[];
  titles: string[];
  writers: string[];
  periods: string[];
  visits: string[];
};

export const NO_FILTERS: Filters = {
  title: "",
  states: [],
  types: [],
  years: [],
  authors: [],
  titles: [],
  writers: [],
  periods: [],
  visits: [],
};

/** The papers that meet the filters, in the order of their days, as they are read one after the other. */
export function filtered(papers: PaperInFile[], filters: Filters, newestFirst = false): PaperInFile[] {
  const title = filters.title.trim().toLowerCase();
  const one = (chosen: string[], values: string[]) =>
    chosen.length === 0 || values.some((value) => chosen.includes(value));
  return papers
    .filter(
      (p) =>
        (title === "" || p.name.toLowerCase().includes(title)) &&
        (!filters.from || p.documentDate >= filters.from) &&
        (!filters.to || p.documentDate <= filters.to) &&
        one(filters.states, [p.state]) &&
        one(filters.types, p.typeLabels) &&
        one(filters.years, [p.documentDate.slice(0, 4)]) &&
        one(filters.authors, [p.filedBy]) &&
        one(filters.titles, p.authorTitle ? [p.authorTitle] : []) &&
        one(filters.writers, p.writers) &&
        one(filters.periods, p.periods) &&
        one(filters.visits, p.visit ? [p.visit] : []),
    )
    .sort((a, b) => a.documentDate.localeCompare(b.documentDate) * (newestFirst ? -1 : 1));
}

/** How many papers have each value, the latest day or year first. */
export function countsByDay(
  papers: PaperInFile[],
  dayOf: (paper: PaperInFile) => string | null | undefined,
): [string, number][] {
  return countsOf(papers, (p) => dayOf(p) ?? []).sort((a, b) => b[0].localeCompare(a[0]));
}

/** How many papers have each value, most first. */
export function countsOf(
  papers: PaperInFile[],
  valuesOf: (paper: PaperInFile) => string | string[],
): [string, number][] {
  const counts = new Map<string, number>();
  for (const value of papers.flatMap(valuesOf)) {
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
}
