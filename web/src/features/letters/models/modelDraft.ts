import type { Block, Model, ModelWords } from "../letterQueries";

/** A model and its next version, while they are typed. */
export type ModelDraft = {
  name: string;
  type: string;
  kinds: string[];
  language: string;
  holdsFrom: string | null;
  words: ModelWords;
};

/** A block of one empty paragraph. */
export function emptyBlock(id: string): Block {
  return { id, locked: false, optional: false, content: [{ type: "PARAGRAPH" }] };
}

/** The next id that no block of these has, such as `part-3`. */
export function nextId(blocks: Block[]): string {
  let n = blocks.length + 1;
  while (blocks.some((b) => b.id === `part-${n}`)) {
    n++;
  }
  return `part-${n}`;
}

/** What is typed first: a new model, or the words of a version to go on from. */
export function draftOf(
  model: Model | undefined,
  today: string,
  version: { language: string; words: ModelWords } | undefined,
): ModelDraft {
  return {
    name: model?.name ?? "",
    type: model?.type ?? "",
    kinds: model?.kinds ?? [],
    language: version?.language ?? "en-GB",
    holdsFrom: today,
    words: version?.words ?? { asks: [], blocks: [emptyBlock("part-1")] },
  };
}
