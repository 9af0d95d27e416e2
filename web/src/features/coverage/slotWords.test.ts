import { expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { isWanting, slotWords } from "./slotWords";

function slot(part: Partial<Shape<"SlotAnswer">>): Shape<"SlotAnswer"> {
  return {
    checklist: "employees",
    requirement: "first-aid",
    label: "First aid certificate",
    status: "on-file",
    blocking: true,
    renewal: "none",
    types: [],
    reasons: [],
    papers: [],
    ...part,
  };
}

test("an expiring slot says its last day and how far it is", () => {
  expect(slotWords(slot({ status: "expiring", coveredThrough: "2026-11-30" }), "2026-11-25")).toBe(
    "30 Nov 2026 · in 5 days",
  );
});

test("a lapsed slot counts the days since", () => {
  expect(slotWords(slot({ status: "lapsed", coveredThrough: "2026-10-31" }), "2026-11-25")).toBe(
    "lapsed 31 Oct 2026 · 25 days",
  );
});

test("a missing slot says since when", () => {
  expect(slotWords(slot({ status: "missing", since: "2026-02-01" }), "2026-11-25")).toBe(
    "missing since 1 Feb 2026",
  );
});

test("a slot that runs on has no end", () => {
  expect(slotWords(slot({}), "2026-11-25")).toBe("no end");
});

test("only slots that want a paper from the person offer to add one", () => {
  expect(isWanting(slot({ status: "lapsed" }))).toBe(true);
  expect(isWanting(slot({ status: "awaiting-signature" }))).toBe(false);
});
