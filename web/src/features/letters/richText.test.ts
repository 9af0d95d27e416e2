import { expect, test } from "vitest";
import type { Piece } from "./letterQueries";
import { firstWords, toEditor, toPieces } from "./richText";

const place = { what: "day + 6 months", format: "LONG_DATE", mustBeKnown: true } as const;

const LETTER: Piece[] = [
  { type: "HEADING", level: 2, content: [{ type: "WORDS", text: "Terms" }] },
  {
    type: "PARAGRAPH",
    content: [
      { type: "WORDS", text: "Dear ", marks: ["BOLD", "UNDERLINE"] },
      { type: "PLACE", place: { ...place, otherwise: "friend", mustBeKnown: false }, marks: ["ITALIC"] },
      { type: "LINE_BREAK" },
      { type: "PLACE", place },
    ],
  },
  {
    type: "ORDERED_LIST",
    content: [
      {
        type: "LIST_ITEM",
        content: [{ type: "PARAGRAPH", content: [{ type: "WORDS", text: "Hat" }] }],
      },
    ],
  },
  {
    type: "TABLE",
    content: [
      {
        type: "TABLE_ROW",
        content: [
          { type: "TABLE_HEADER", content: [{ type: "PARAGRAPH" }] },
          { type: "TABLE_CELL", content: [{ type: "PARAGRAPH" }] },
        ],
      },
    ],
  },
  { type: "PAGE_BREAK" },
  { type: "SIGN_LINE", text: "Signature of guardian" },
  { type: "IMAGE", text: "The way to the yard", picture: { id: "i1", width: 60 } },
];

test("a letter goes into the editor and comes out the same", () => {
  expect(toPieces(toEditor(LETTER))).toEqual(LETTER);
});

test("what a letter cannot hold is left out, and empty words are none", () => {
  const document = {
    type: "doc",
    content: [
      { type: "codeBlock", content: [{ type: "text", text: "x" }] },
      {
        type: "paragraph",
        content: [{ type: "text", text: "y", marks: [{ type: "link" }, { type: "bold" }] }],
      },
    ],
  };
  expect(toPieces(document)).toEqual([
    { type: "PARAGRAPH", content: [{ type: "WORDS", text: "y", marks: ["BOLD"] }] },
  ]);
  expect(toEditor([{ type: "PARAGRAPH", content: [{ type: "WORDS", text: "" }] }]).content).toEqual([
    { type: "paragraph", content: [] },
  ]);
  expect(toEditor([]).content).toEqual([{ type: "paragraph" }]);
});

test("a part is told by its first words", () => {
  expect(firstWords(LETTER, 200)).toBe(
    "Terms Dear {day + 6 months}{day + 6 months} Hat Signature of guardian The way to the yard",
  );
  expect(firstWords([{ type: "WORDS", text: "x".repeat(80) }])).toBe(`${"x".repeat(70)}…`);
});
