import { expect, test } from "vitest";
import type { Piece } from "../letterQueries";
import { mergeWriting } from "./mergeWriting";

const words = (text: string): Piece[] => [{ type: "PARAGRAPH", content: [{ type: "WORDS", text }] }];

const BASE = { answers: { fee: "1", day: "2" }, leftOut: ["a", "b"], corrected: { x: words("x") } };

test("what only one of two writers changed is kept from each", () => {
  const mine = { answers: { fee: "9", day: "2" }, leftOut: ["a", "b", "c"], corrected: { x: words("x") } };
  const theirs = {
    answers: { fee: "1", day: "3", more: "4" },
    leftOut: ["b"],
    corrected: { x: words("theirs") },
  };
  expect(mergeWriting(BASE, mine, theirs)).toEqual({
    answers: { fee: "9", day: "3", more: "4" },
    leftOut: ["b", "c"],
    corrected: { x: words("theirs") },
  });
});

test("what both changed is mine, also where I took something back", () => {
  const mine = { answers: { day: "5" }, leftOut: ["b"], corrected: {} };
  const theirs = { answers: { fee: "7", day: "6" }, leftOut: ["a", "b"], corrected: { x: words("theirs") } };
  expect(mergeWriting(BASE, mine, theirs)).toEqual({ answers: { day: "5" }, leftOut: ["b"], corrected: {} });
});
