import { useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { answer, api, done, wordsOf } from "../../api/client";
import { type Arrival, arrivalsOptions, type PageRef } from "./arrivalQueries";

/** The same pages with one of them turned; degrees clockwise. */
export function turned(pages: PageRef[], at: number, by: number): PageRef[] {
  return pages.map((p, i) => (i === at ? { ...p, turn: (p.turn + by + 360) % 360 } : p));
}

/** The same pages with one of them moved by so many places; unchanged at the ends. */
export function moved(pages: PageRef[], at: number, by: number): PageRef[] {
  const to = at + by;
  const page = pages[at];
  if (!page || to < 0 || to >= pages.length) {
    return pages;
  }
  const others = pages.filter((_, i) => i !== at);
  return [...others.slice(0, to), page, ...others.slice(to)];
}

export function without(pages: PageRef[], at: number): PageRef[] {
  return pages.filter((_, i) => i !== at);
}

/** What is under way; one line for all papers, since a key may follow a join to the paper it led to. */
let queue: Promise<unknown> = Promise.resolve();

/**
 * Changes of the pages of a paper: each is sent at once and can be undone. Keys pressed faster than the server answers
 * wait for each other, and each begins from what the one before it left.
 */
export function usePageEdits(
  arrival: Arrival,
  previous: Arrival | undefined,
  onChoose: (id: string) => void,
) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const params = { path: { id: arrival.id } };
  const latest = () =>
    queries.getQueryData(arrivalsOptions.queryKey)?.find((a) => a.id === arrival.id) ?? arrival;
  const run = (edit: (now: Arrival) => Promise<unknown>, failed?: () => void) => {
    queue = queue
      .then(() => edit(latest()))
      .catch((error) => {
        message.error(wordsOf(error));
        failed?.();
      })
      .then(() => queries.invalidateQueries({ queryKey: ["arrivals"], exact: true }));
  };
  const hold = (change: (pages: PageRef[]) => PageRef[], words: string) =>
    run(async ({ version, pages }) => {
      const now = change(pages);
      if (now !== pages) {
        await done(api.PUT("/api/arrivals/{id}/pages", { params, body: { version, pages: now, words } }));
      }
    });
  return {
    turn: (at: number, by: number) => hold((pages) => turned(pages, at, by), `turned page ${at + 1}`),
    move: (at: number, by: number) =>
      hold((pages) => moved(pages, at, by), `moved page ${at + 1} to place ${at + 1 + by}`),
    drop: (at: number) =>
      arrival.pages.length > 1
        ? hold((pages) => without(pages, at), `left out page ${at + 1}`)
        : message.info("This is its only page. To be rid of the paper, set it aside."),
    bringBack: (page: PageRef) => hold((pages) => [...pages, page], `brought back page ${page.page}`),
    split: (at: number) =>
      at > 0
        ? run(({ version }) =>
            done(api.POST("/api/arrivals/{id}/split", { params, body: { version, after: at } })),
          )
        : message.info("Go to the page that begins the new paper with the arrow keys, then split."),
    join: () => {
      if (!previous) {
        message.info("There is no paper before this one in its group.");
        return;
      }
      // it stands on the paper that stays, before the other one is gone from the list
      onChoose(previous.id);
      run(
        ({ version }) =>
          done(api.POST("/api/arrivals/{id}/join", { params, body: { version, with: previous.id } })),
        () => onChoose(arrival.id),
      );
    },
    splitByRules: (rules: {
      blankPages: boolean;
      pageCounts: boolean;
      everyPages: number;
      dropBlank: boolean;
    }) =>
      run(async ({ version }) => {
        const { parts } = await answer(
          api.POST("/api/arrivals/{id}/split-by-rules", { params, body: { version, ...rules } }),
        );
        message.success(parts === 1 ? "Empty pages were left out." : `Split into ${parts} papers.`);
      }),
    undo: () =>
      run(async () => {
        const { words } = await answer(api.POST("/api/arrivals/{id}/undo-pages", { params }));
        message.success(`Undone: ${words}.`);
      }),
  };
}
