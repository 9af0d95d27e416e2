import type { Shape } from "../../../api/client";

type Writing = Shape<"WrittenSoFar">;

/**
 * What two writers did since they both saw the same letter: mine where I changed something, theirs everywhere else. An
 * answer or a part that both changed stays mine, since it is in front of me.
 */
export function mergeWriting(base: Writing, mine: Writing, theirs: Writing): Writing {
  const leftOut = new Set(theirs.leftOut);
  for (const id of mine.leftOut) {
    if (!base.leftOut.includes(id)) {
      leftOut.add(id);
    }
  }
  for (const id of base.leftOut) {
    if (!mine.leftOut.includes(id)) {
      leftOut.delete(id);
    }
  }
  return {
    answers: mergeEntries(base.answers, mine.answers, theirs.answers),
    leftOut: [...leftOut],
    corrected: mergeEntries(base.corrected, mine.corrected, theirs.corrected),
  };
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
