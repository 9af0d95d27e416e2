import type { Shape } from "../../../api/client";

type Writing = Shape<"WrittenSoFar">;

/**
 * What two writers did since they both saw the same letter: mine where I changed something, theirs everywhere else. An
 * answer or a part that both changed stays mine, since it is in front of me.
 */
export function mergeWriting(base: Writing, mine: Writing, theirs: Writing): Writing {
  return {
    answers: mergeEntries(base.answers, mine.answers, theirs.answers),
    leftOut: mergeIds(base.leftOut, mine.leftOut, theirs.leftOut),
    corrected: mergeEntries(base.corrected, mine.corrected, theirs.corrected),
    attached: mergeIds(base.attached, mine.attached, theirs.attached),
    papers: mergeIds(base.papers, mine.papers, theirs.papers),
  };
}

function mergeIds(base: string[], mine: string[], theirs: string[]): string[] {
  const kept = theirs.filter((id) => mine.includes(id) || !base.includes(id));
  return [...kept, ...mine.filter((id) => !base.includes(id) && !theirs.includes(id))];
}

function mergeEntries<T>(
  base: Record<string, T>,
  mine: Record<string, T>,
  theirs: Record<string, T>,
): Record<string, T> {
  const merged = { ...theirs };
  for (const key of new Set([...Object.keys(base), ...Object.keys(mine)])) {
    const own = mine[key];
    if (JSON.stringify(own) === JSON.stringify(base[key])) {
      continue;
    }
    if (own === undefined) {
      delete merged[key];
    } else {
      merged[key] = own;
    }
  }
  return merged;
}
