import { KIND_WORDS, type Mark, type MarkKind } from "./markQueries";

/** Whether a mark is of the kind and has all the words in what it says, its author or what else is told of it. */
export function fits({ shape, by }: Mark, kind: MarkKind | undefined, words: string, more = ""): boolean {
  const all =
    `${KIND_WORDS[shape.kind]} ${shape.text ?? ""} ${shape.reason ?? ""} ${by} ${more}`.toLowerCase();
  return (
    (!kind || shape.kind === kind) &&
    words
      .toLowerCase()
      .split(/\s+/)
      .every((w) => all.includes(w))
  );
}
