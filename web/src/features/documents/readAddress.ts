import { useSearchParams } from "react-router";

/** A paper that is read, and which of its versions; the newest where none is told. */
export type Pane = { id: string; version?: number };

/** What a paper is called while it is dragged. */
export const draggedPaper = "application/x-denfold-paper";

/** Pixels that a paper needs to be read beside others. */
export const LEAST_WIDTH = 330;

function written({ id, version }: Pane): string {
  return version ? `${id}@${version}` : id;
}

function read(text: string): Pane {
  const [id = "", version] = text.split("@");
  return version ? { id, version: Number(version) } : { id };
}

/** The papers an address lays beside each other. */
export function panesOf(search: URLSearchParams): Pane[] {
  const first = search.get("paper");
  const beside = search.get("beside")?.split(",").filter(Boolean) ?? [];
  return first ? [first, ...beside].map(read) : [];
}

function withPanes(search: URLSearchParams, panes: Pane[]): URLSearchParams {
  const next = new URLSearchParams(search);
  const [first, ...beside] = panes;
  first ? next.set("paper", written(first)) : next.delete("paper");
  beside.length > 0 ? next.set("beside", beside.map(written).join(",")) : next.delete("beside");
  next.set("view", "read");
  return next;
}

/**
 * What is read and searched for, as the address of the page tells it.
 *
 * @param shown what is read while the address names no paper
 */
export function useReadAddress(shown?: Pane) {
  const [search, setSearch] = useSearchParams();
  const told = panesOf(search);
  const panes = told.length === 0 && shown ? [shown] : told;
  const put = (next: Pane[]) => setSearch((before) => withPanes(before, next));
  return {
    panes,
    words: search.get("words") ?? "",
    search: (words: string) =>
      setSearch(
        () => {
          // typing may pause while something else changes the address: what stands there now goes on
          const next = new URLSearchParams(window.location.search);
          words ? next.set("words", words) : next.delete("words");
          return next;
        },
        { replace: true },
      ),
    /** Lays one more beside; false when it does not fit. */
    open: (pane: Pane, most: number) => {
      if (panes.length === 0) {
        put([pane]);
        return true;
      }
      if (panes.some((p) => written(p) === written(pane))) {
        return true;
      }
      if (panes.length >= most) {
        return false;
      }
      put([...panes, pane]);
      return true;
    },
    close: (place: number) => put(panes.filter((_, i) => i !== place)),
    showVersion: (place: number, version: number) =>
      put(panes.map((p, i) => (i === place ? { ...p, version } : p))),
  };
}
