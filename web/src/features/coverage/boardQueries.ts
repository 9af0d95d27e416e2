import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";
import { asOfIn } from "../asof/asOf";

export type BoardRow = Shape<"BoardRow">;
export type Column = Shape<"Column">;

/** How many rows one request brings. */
export const ROWS_A_PAGE = 100;

/** What narrows, orders and dates the board; it lives in the address. */
export type BoardView = {
  kind?: string;
  team?: string;
  checklist?: string;
  status?: string;
  open?: boolean;
  text?: string;
  sort: string;
  turned: boolean;
  asOf?: string;
  known?: "then" | "now";
};

export function boardViewOf(search: URLSearchParams, kindIfNone = "", sortIfNone = "name"): BoardView {
  const kind = search.get("kind") ?? kindIfNone;
  return {
    kind: kind === "all" ? "" : kind,
    team: search.get("team") ?? "",
    checklist: search.get("checklist") ?? "",
    status: search.get("status") ?? "",
    open: search.get("open") === "true",
    text: search.get("text") ?? "",
    sort: search.get("sort") ?? sortIfNone,
    turned: search.get("turned") === "true",
    ...asOfIn(search),
  };
}

/** The view without its order: what decides which files are meant. */
function selection({ sort: _sort, turned: _turned, ...rest }: BoardView) {
  return rest;
}

export const boardPageOptions = (view: BoardView, page: number) =>
  queryOptions({
    queryKey: ["files", "board", view, page],
    queryFn: () =>
      answer(
        api.GET("/api/board", {
          params: { query: { ...view, offset: page * ROWS_A_PAGE, limit: ROWS_A_PAGE } },
        }),
      ),
    staleTime: 15_000,
  });

/** The same as a list that grows. */
export const boardListOptions = (view: BoardView) =>
  infiniteQueryOptions({
    queryKey: ["files", "board-list", view],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/board", {
          params: { query: { ...view, offset: pageParam * ROWS_A_PAGE, limit: ROWS_A_PAGE } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, _pages, page) => (last.rows.length === ROWS_A_PAGE ? page + 1 : undefined),
    placeholderData: keepPreviousData,
  });

export const countsOptions = (view: BoardView) =>
  queryOptions({
    queryKey: ["files", "counts", selection(view)],
    queryFn: () => answer(api.GET("/api/board/counts", { params: { query: selection(view) } })),
    placeholderData: keepPreviousData,
  });

export const teamsOptions = queryOptions({
  queryKey: ["teams"],
  queryFn: () => answer(api.GET("/api/board/teams")),
  staleTime: 60_000,
});

export const forecastOptions = (view: Partial<BoardView>) => {
  const { kind, team, checklist, status, open, text } = view;
  const query = { kind, team, checklist, status, open, text };
  return queryOptions({
    queryKey: ["files", "forecast", query],
    queryFn: () => answer(api.GET("/api/board/forecast", { params: { query } })),
    placeholderData: keepPreviousData,
  });
};

export const fallingOptions = (view: Partial<BoardView>, from: string, to: string) => {
  const { kind, team, checklist, status, open, text } = view;
  const query = { kind, team, checklist, status, open, text, from, to };
  return queryOptions({
    queryKey: ["files", "falling", query],
    queryFn: () => answer(api.GET("/api/board/falling", { params: { query } })),
  });
};

export const slotOptions = (id: string, column: Column, day: { asOf?: string; known?: string }) =>
  queryOptions({
    queryKey: ["files", id, "slot", column.checklist, column.requirement, day],
    queryFn: () =>
      answer(
        api.GET("/api/files/{id}/slots/{checklist}/{requirement}", {
          params: {
            path: { id, checklist: column.checklist, requirement: column.requirement },
            query: day,
          },
        }),
      ),
  });

export const linesOptions = (id: string, from: string, to: string, day: { asOf?: string; known?: string }) =>
  queryOptions({
    queryKey: ["files", id, "lines", from, to, day],
    queryFn: () =>
      answer(api.GET("/api/files/{id}/lines", { params: { path: { id }, query: { from, to, ...day } } })),
    placeholderData: keepPreviousData,
  });
