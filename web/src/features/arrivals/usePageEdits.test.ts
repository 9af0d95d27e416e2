import { expect, test } from "vitest";
import type { PageRef } from "./arrivalQueries";
import { moved, turned, without } from "./usePageEdits";

const pages: PageRef[] = [1, 2, 3].map((page) => ({ sha256: "a", page, turn: 0 }));
const numbers = (list: PageRef[]) => list.map((p) => p.page);

test("a page is turned by quarters and comes round again", () => {
  let now = turned(pages, 1, -90);
  expect(now.map((p) => p.turn)).toEqual([0, 270, 0]);
  for (let i = 0; i < 4; i++) {
    now = turned(now, 1, 90);
  }
  expect(now[1]?.turn).toBe(270);
});

test("a page moves within the paper and stays at its ends", () => {
  expect(numbers(moved(pages, 0, 1))).toEqual([2, 1, 3]);
  expect(numbers(moved(pages, 2, -2))).toEqual([3, 1, 2]);
  expect(moved(pages, 0, -1)).toBe(pages);
  expect(moved(pages, 2, 1)).toBe(pages);
});

test("a dropped page is gone and the others keep their order", () => {
  expect(numbers(without(pages, 1))).toEqual([1, 3]);
});
