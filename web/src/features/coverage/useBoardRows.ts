import { useQueries, useQueryClient } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Status } from "../../ui/statuses";
import { type BoardRow, type BoardView, boardPageOptions, type Column, ROWS_A_PAGE } from "./boardQueries";

/** The rows from the first to the last shown one, fetched page by page; undefined while on their way. */
export function useBoardRows(view: BoardView, first: number, last: number) {
  const queries = useQueryClient();
  const pages = useMemo(() => {
    const from = Math.floor(first / ROWS_A_PAGE);
    const to = Math.floor(Math.max(first, last) / ROWS_A_PAGE);
    return Array.from({ length: to - from + 1 }, (_, i) => from + i);
  }, [first, last]);
  const answers = useQueries({ queries: pages.map((page) => boardPageOptions(view, page)) });
  const columns: Column[] = answers.find((a) => a.data)?.data?.columns ?? [];
  const letters: Record<string, Status> = answers.find((a) => a.data)?.data?.letters ?? {};
  const error = answers.find((a) => a.error)?.error ?? null;
  const row = (index: number): BoardRow | undefined =>
    answers[Math.floor(index / ROWS_A_PAGE) - (pages[0] ?? 0)]?.data?.rows[index % ROWS_A_PAGE];
  const refetch = () => queries.invalidateQueries({ queryKey: ["files", "board"] });
  return { columns, letters, row, error, refetch, isPending: columns.length === 0 && !error };
}
