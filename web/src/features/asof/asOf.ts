import { useQuery } from "@tanstack/react-query";
import { useCallback } from "react";
import { useSearchParams } from "react-router";
import { practiceOptions } from "../../api/practice";
import { meOptions } from "../access/sessionQueries";

export type Known = "then" | "now";

/** The day asked about, as it stands in the address; empty when it is today. */
export function asOfIn(search: URLSearchParams): { asOf?: string; known?: Known } {
  const asOf = search.get("asOf");
  return asOf && /^\d{4}-\d{2}-\d{2}$/.test(asOf)
    ? { asOf, known: search.get("known") === "now" ? "now" : "then" }
    : {};
}

/** The day this page asks about, and how to ask about another. */
export function useAsOf() {
  const [search, setSearch] = useSearchParams();
  const today = useQuery(practiceOptions).data?.today ?? "";
  const query = asOfIn(search);
  const ask = useCallback(
    (asOf: string | null, known?: Known) =>
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          if (asOf && asOf !== today) {
            next.set("asOf", asOf);
            next.set("known", known ?? (next.get("known") === "now" ? "now" : "then"));
          } else {
            next.delete("asOf");
            next.delete("known");
          }
          return next;
        },
        { replace: true },
      ),
    [setSearch, today],
  );
  return { query, isToday: !query.asOf, today, on: query.asOf ?? today, ask };
}

/** An address that keeps the day asked about. */
export function useKeepingAsOf() {
  const [search] = useSearchParams();
  const { asOf, known } = asOfIn(search);
  return (path: string) =>
    asOf ? `${path}${path.includes("?") ? "&" : "?"}asOf=${asOf}&known=${known}` : path;
}

/** Whether the account may change files, and looks at today: on another day nothing can be changed. */
export function useMayChange(): boolean {
  const [search] = useSearchParams();
  const may = useQuery(meOptions).data?.mayChange ?? false;
  return may && !asOfIn(search).asOf;
}
