/** The papers a search found, in their order, so that reading goes on from one to the next. */
export type FoundTrail = { words: string; papers: { id: string; fileId: string; name: string }[] };

const KEY = "found-papers";

export function rememberFound(trail: FoundTrail) {
  sessionStorage.setItem(KEY, JSON.stringify(trail));
}

/** The paper found before or after this one; undefined at the ends, or when the words are others. */
export function neighbour(words: string, id: string, step: 1 | -1): FoundTrail["papers"][number] | undefined {
  try {
    const trail: FoundTrail = JSON.parse(sessionStorage.getItem(KEY) ?? "null");
    const at = trail.words === words ? trail.papers.findIndex((p) => p.id === id) : -1;
    return at < 0 ? undefined : trail.papers[at + step];
  } catch {
    return undefined;
  }
}

/** Where a found paper is read with the words marked. */
export function readAddress(paper: { id: string; fileId: string }, words: string): string {
  const search = new URLSearchParams({ view: "read", paper: paper.id });
  if (words) {
    search.set("words", words);
  }
  return `/files/${paper.fileId}?${search}`;
}
