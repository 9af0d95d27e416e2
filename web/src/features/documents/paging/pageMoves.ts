/** A page as it is to stand in a paper. */
export type PlacedPage = {
  /** Unlike that of any other page in the paper. */
  key: string;
  /** From whose newest version it comes; undefined for the paper itself. */
  document?: string;
  /** What it is called, for people. */
  label: string;
  page: number;
  /** By how many degrees clockwise it is turned. */
  turn: number;
  image: string;
};

/** The same pages with one of them at another place; unchanged where there is none. */
export function placed(pages: PlacedPage[], from: number, to: number): PlacedPage[] {
  const page = pages[from];
  if (!page || from === to || to < 0 || to >= pages.length) {
    return pages;
  }
  const others = pages.filter((_, i) => i !== from);
  return [...others.slice(0, to), page, ...others.slice(to)];
}

export function turnedAt(pages: PlacedPage[], at: number, by: number): PlacedPage[] {
  return pages.map((p, i) => (i === at ? { ...p, turn: (p.turn + by + 360) % 360 } : p));
}

/** The same without one of them; the last one stays. */
export function takenOut(pages: PlacedPage[], at: number): PlacedPage[] {
  return pages.length > 1 ? pages.filter((_, i) => i !== at) : pages;
}

/** The same with others put in after a place; those that are in already come once. */
export function putIn(pages: PlacedPage[], after: number, others: PlacedPage[]): PlacedPage[] {
  const known = new Set(pages.map((p) => p.key));
  const fresh = others.filter((p) => !known.has(p.key));
  return fresh.length === 0 ? pages : [...pages.slice(0, after + 1), ...fresh, ...pages.slice(after + 1)];
}

/** Pages as typed, such as `1-3, 7`, in that order; undefined when that is no such thing. Nothing typed means all. */
export function pagesTyped(text: string, most: number): number[] | undefined {
  if (text.trim() === "") {
    return Array.from({ length: most }, (_, i) => i + 1);
  }
  const pages: number[] = [];
  for (const part of text.split(",")) {
    const [, from, to] = /^\s*(\d+)\s*(?:[-–]\s*(\d+)\s*)?$/.exec(part) ?? [];
    if (!from) {
      return undefined;
    }
    const first = Number(from);
    const last = to ? Number(to) : first;
    if (first < 1 || last > most || first > last) {
      return undefined;
    }
    for (let page = first; page <= last; page++) {
      pages.push(page);
    }
  }
  return [...new Set(pages)];
}
