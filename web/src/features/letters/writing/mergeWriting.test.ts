import { expect, test } from "vitest";
import type { Piece } from "../letterQueries";
import { mergeWriting } from "./mergeWriting";

const words = (text: string): Piece[] => [{ type: "PARAGRAPH", content: [{ type: "WORDS", text }] }];

const NONE = { attached: [], papers: [] };

const BASE = {
  ...NONE,
  answers: { fee: "1", day: "2" },
  leftOut: ["a", "b"],
  corrected: { x: words("x") },
};

test("what only one of two writers changed is kept from each", () => {
  const mine = {
    ...NONE,
    answers: { fee: "9", day: "2" },
    leftOut: ["a", "b", "c"],
    corrected: { x: words("x") },
  };
  const theirs = {
    ...NONE,
    answers: { fee: "1", day: "3", more: "4" },
    leftOut: ["b"],
    corrected: { x: words("theirs") },
  };
  expect(mergeWriting(BASE, mine, theirs)).toEqual({
    ...NONE,
    answers: { fee: "9", day: "3", more: "4" },
    leftOut: ["b", "c"],
    corrected: { x: words("theirs") },
  });
});

test("what both changed is mine, also where I took something back", () => {
  const mine = { ...NONE, answers: { day: "5" }, leftOut: ["b"], corrected: {} };
  const theirs = {
    ...NONE,
    answers: { fee: "7", day: "6" },
    leftOut: ["a", "b"],
    corrected: { x: words("theirs") },
  };
  expect(mergeWriting(BASE, mine, theirs)).toEqual({
    ...NONE,
    answers: { day: "5" },
    leftOut: ["b"],
    corrected: {},
  });
});

test("what both attached follows, and what either took out does not", () => {
  const base = { ...BASE, papers: ["p1", "p2", "p3"] };
  const mine = { ...BASE, attached: ["a1"], papers: ["p1", "p3", "p4"] };
  const theirs = { ...BASE, attached: ["a1", "a2"], papers: ["p3", "p2", "p5"] };
  const both = mergeWriting(base, mine, theirs);
  expect(both.papers).toEqual(["p3", "p5", "p4"]);
  expect(both.attached).toEqual(["a1", "a2"]);
});
