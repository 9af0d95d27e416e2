import type { At, Block, FormPlace, LetterForm, ModelWords, OnForm } from "../letterQueries";

/** A field of a form, or a place on it, with what was bound to it. */
export type Bound = { box: FormPlace; label: string; place: At | undefined; choices: string[] };

/** The parts of words that a form is filled by. */
type FormWords = ModelWords & { form: OnForm };

/** Words for a form of which nothing is bound yet. */
export function wordsFor(form: LetterForm, words: ModelWords): FormWords {
  return { ...words, blocks: [], form: { formId: form.id, leaveOpen: false, boxes: [] } };
}

/** All fields of the form, bound or not, then places that have no field. */
export function boundOf(form: LetterForm, words: FormWords): Bound[] {
  const boxes = words.form.boxes;
  const fields = form.fields.map((field) => {
    const own = boxes.find((b) => b.field === field.name);
    return {
      box: own ?? {
        block: "",
        field: field.name,
        kind: field.kind,
        page: field.page,
        left: field.left,
        top: field.top,
        width: field.width,
        height: field.height,
      },
      label: field.label,
      place: own ? placeOf(words.blocks, own.block) : undefined,
      choices: field.choices,
    };
  });
  const placed = boxes
    .filter((b) => !b.field)
    .map((box) => ({
      box,
      label: words.blocks.find((b) => b.id === box.block)?.name ?? "A place",
      place: placeOf(words.blocks, box.block),
      choices: [],
    }));
  return [...fields, ...placed];
}

function placeOf(blocks: Block[], id: string): At | undefined {
  return blocks.find((b) => b.id === id)?.content[0]?.content?.[0]?.place;
}

/** The same words with a field or place bound to something. */
export function bind(words: FormWords, bound: Bound, place: At): FormWords {
  const id = bound.box.block || nextField(words.blocks);
  const block: Block = {
    id,
    name: bound.label,
    locked: false,
    optional: false,
    content: [{ type: "PARAGRAPH", content: [{ type: "PLACE", place }] }],
  };
  const isThere = words.blocks.some((b) => b.id === id);
  return {
    ...words,
    blocks: isThere ? words.blocks.map((b) => (b.id === id ? block : b)) : [...words.blocks, block],
    form: {
      ...words.form,
      boxes: isThere ? words.form.boxes : [...words.form.boxes, { ...bound.box, block: id }],
    },
  };
}

/** The same words without what was bound to a field; a place without a field is gone. */
export function unbind(words: FormWords, block: string): FormWords {
  return {
    ...words,
    blocks: words.blocks.filter((b) => b.id !== block),
    form: { ...words.form, boxes: words.form.boxes.filter((b) => b.block !== block) },
  };
}

/** The same words with a place that is moved, sized or ticked otherwise. */
export function changeBox(words: FormWords, block: string, part: Partial<FormPlace>): FormWords {
  const boxes = words.form.boxes.map((b) => (b.block === block ? within({ ...b, ...part }) : b));
  return { ...words, form: { ...words.form, boxes } };
}

/** On its page as a whole. */
function within(box: FormPlace): FormPlace {
  const width = Math.min(Math.max(box.width, 0.01), 1);
  const height = Math.min(Math.max(box.height, 0.008), 1);
  return {
    ...box,
    width,
    height,
    left: Math.min(Math.max(box.left, 0), 1 - width),
    top: Math.min(Math.max(box.top, 0), 1 - height),
  };
}

/** A place where somebody clicked, on a form that has no field there. */
export function placeAt(kind: FormPlace["kind"], page: number, left: number, top: number): FormPlace {
  const size = kind === "TICK" ? { width: 0.02, height: 0.014 } : { width: 0.3, height: 0.022 };
  return within({ block: "", kind, page, left, top: top - size.height / 2, ...size });
}

function nextField(blocks: Block[]): string {
  let n = blocks.length + 1;
  while (blocks.some((b) => b.id === `field-${n}`)) {
    n++;
  }
  return `field-${n}`;
}
