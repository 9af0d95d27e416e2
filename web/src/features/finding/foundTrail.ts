/** The papers a search found, in their order, so that reading goes on from one to the next. */
export type FoundTrail = {
  words: string;
  /** Where they are listed. */
  address: string;
  papers: TrailPaper[];
};

export type TrailPaper = { id: string; fileId: string; name: string };

const KEY = "found-papers";

export function rememberFound(trail: FoundTrail) {
  sessionStorage.setItem(KEY, JSON.stringify(trail));
}

/** Where a paper stands among those found for the words: its number from 1, and its neighbours. */
export type FoundPlace = {
  at: number;
  of: number;
  before?: TrailPaper;
  after?: TrailPaper;
  address: string;
};

/** Undefined when the paper is not among those found last, or they were found for other words. */
export function foundPlace(words: string, id: string): FoundPlace | undefined {
  try {
    const { words: sought, papers, address }: FoundTrail = JSON.parse(sessionStorage.getItem(KEY) ?? "null");
    const index = sought === words ? papers.findIndex((p) => p.id === id) : -1;
    return index < 0
      ? undefined
      : { at: index + 1, of: papers.length, before: papers[index - 1], after: papers[index + 1], address };
  } catch {
    return undefined;
  }
}

/** Where a paper is read. */
export function readAddress(paper: { id: string; fileId: string }, words: string): string {
  return addressOf(paper, words, {});
}

/** Where a found paper is read with the words marked, and from where one goes on to the next found one. */
export function foundAddress(paper: { id: string; fileId: string }, words: string): string {
  return addressOf(paper, words, { found: "1" });
}

function addressOf({ id, fileId }: { id: string; fileId: string }, words: string, more: object): string {
  const search = new URLSearchParams({ view: "read", paper: id, ...more });
  if (words) {
    search.set("words", words);
  }
  return `/files/${fileId}?${search}`;
}
