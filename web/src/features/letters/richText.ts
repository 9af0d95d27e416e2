import type { JSONContent } from "@tiptap/react";
import type { Piece } from "./letterQueries";

/** Pieces of a letter and what the editor calls them. */
const NAMES: Record<Piece["type"], string> = {
  PARAGRAPH: "paragraph",
  HEADING: "heading",
  BULLET_LIST: "bulletList",
  ORDERED_LIST: "orderedList",
  LIST_ITEM: "listItem",
  TABLE: "table",
  TABLE_ROW: "tableRow",
  TABLE_CELL: "tableCell",
  TABLE_HEADER: "tableHeader",
  PAGE_BREAK: "pageBreak",
  SIGN_LINE: "signLine",
  IMAGE: "picture",
  LINE_BREAK: "hardBreak",
  WORDS: "text",
  PLACE: "place",
};

const TYPES = Object.fromEntries(
  Object.entries(NAMES).map(([type, name]) => [name, type as Piece["type"]]),
) as Record<string, Piece["type"]>;

const MARKS = { BOLD: "bold", ITALIC: "italic", UNDERLINE: "underline" } as const;

/** A letter's pieces as the editor's document. */
export function toEditor(pieces: Piece[]): JSONContent {
  const content = pieces.flatMap(nodeOf);
  return { type: "doc", content: content.length > 0 ? content : [{ type: "paragraph" }] };
}

function nodeOf(piece: Piece): JSONContent[] {
  if (piece.type === "WORDS" && !piece.text) {
    // the editor knows no empty words
    return [];
  }
  const node: JSONContent = { type: NAMES[piece.type] };
  const marks = (piece.marks ?? []).flatMap((m) => (m === "OPEN" ? [] : [{ type: MARKS[m] }]));
  if (marks.length > 0) {
    node.marks = marks;
  }
  if (piece.type === "WORDS") {
    node.text = piece.text ?? "";
  }
  if (piece.type === "SIGN_LINE") {
    node.attrs = { words: piece.text ?? "" };
  }
  if (piece.picture) {
    node.attrs = { ...piece.picture, shows: piece.text ?? "" };
  }
  if (piece.type === "HEADING") {
    node.attrs = { level: piece.level ?? 1 };
  }
  if (piece.place) {
    node.attrs = { ...piece.place };
  }
  if (piece.content) {
    node.content = piece.content.flatMap(nodeOf);
  }
  return [node];
}

/** The editor's document as a letter's pieces; what a letter cannot hold is left out. */
export function toPieces(document: JSONContent): Piece[] {
  return (document.content ?? []).flatMap(pieceOf);
}

function pieceOf(node: JSONContent): Piece[] {
  const type = TYPES[node.type ?? ""];
  if (!type) {
    return [];
  }
  const piece: Piece = { type };
  const marks = (node.marks ?? []).flatMap((mark) => {
    const known = (Object.keys(MARKS) as (keyof typeof MARKS)[]).find((m) => MARKS[m] === mark.type);
    return known ? [known] : [];
  });
  if (marks.length > 0) {
    piece.marks = marks;
  }
  if (type === "WORDS") {
    piece.text = node.text ?? "";
  }
  if (type === "SIGN_LINE") {
    piece.text = String(node.attrs?.words ?? "");
  }
  if (type === "IMAGE") {
    const { id, width, shows } = node.attrs ?? {};
    piece.text = String(shows ?? "");
    piece.picture = { id: String(id), width: Number(width) };
  }
  if (type === "HEADING") {
    piece.level = Number(node.attrs?.level ?? 1);
  }
  if (type === "PLACE") {
    const { what, format, otherwise, mustBeKnown } = node.attrs ?? {};
    piece.place = {
      what: String(what),
      format: format ?? "PLAIN",
      mustBeKnown: Boolean(mustBeKnown),
      ...(otherwise ? { otherwise: String(otherwise) } : {}),
    };
  }
  if (node.content) {
    piece.content = node.content.flatMap(pieceOf);
  }
  return [piece];
}

/** What is read, in one line; places as their names in braces. */
export function firstWords(pieces: Piece[], most = 70): string {
  const words = (piece: Piece): string =>
    piece.type === "PLACE"
      ? `{${piece.place?.what}}`
      : (piece.text ?? "") + (piece.content ?? []).map(words).join(piece.type === "PARAGRAPH" ? "" : " ");
  const all = pieces.map(words).join(" ").replace(/\s+/g, " ").trim();
  return all.length > most ? `${all.slice(0, most)}…` : all;
}
