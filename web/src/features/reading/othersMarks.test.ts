import { expect, test } from "vitest";
import { type Annotation, othersMark } from "./othersMarks";

const NOTE: Annotation = {
  id: "12R",
  subtype: "Text",
  rect: [10, 700, 30, 720],
  contentsObj: { str: " Ask for the original. " },
  titleObj: { str: "Hester Quillam" },
  modificationDate: "D:20260504120000Z",
};
const topOf = (rect: number[]) => (800 - (rect[3] ?? 0)) / 800;
const dateOf = () => new Date("2026-05-04T12:00:00Z");

test("a mark of another program tells what it is, what it says, whose it is and where", () => {
  expect(othersMark(NOTE, 3, topOf, dateOf)).toEqual({
    id: "3 12R",
    page: 3,
    kind: "Note",
    text: "Ask for the original.",
    author: "Hester Quillam",
    on: "2026-05-04",
    top: 1_000,
  });
  const bare = othersMark({ subtype: "Ink", rect: [0, 900, 1, 900] }, 1, topOf, () => null);
  expect(bare).toMatchObject({ kind: "Drawing", text: "", author: "", top: 0 });
  expect(bare).not.toHaveProperty("on");
});

test("links, fields of forms and what is hidden are no marks", () => {
  for (const subtype of ["Link", "Widget", "Popup", undefined]) {
    expect(othersMark({ ...NOTE, subtype: subtype as string }, 1, topOf, dateOf)).toBeUndefined();
  }
  expect(othersMark({ ...NOTE, hidden: true }, 1, topOf, dateOf)).toBeUndefined();
  expect(othersMark({ subtype: "Text" }, 1, topOf, dateOf)).toBeUndefined();
});
