import { expect, test } from "vitest";
import {
  around,
  asLines,
  grown,
  moved,
  onSheet,
  resized,
  seen,
  shapeOf,
  stepOnPage,
  unturned,
} from "./places";

const BOX = { left: 1_000, top: 2_000, width: 300, height: 100 };

test("a box comes back from every turn", () => {
  for (const turn of [0, 90, 180, 270] as const) {
    expect(unturned(seen(BOX, turn), turn)).toEqual(BOX);
  }
  expect(seen(BOX, 90)).toEqual({ left: 7_900, top: 1_000, width: 100, height: 300 });
});

test("a step on a turned page moves the same way as seen", () => {
  for (const turn of [0, 90, 180, 270] as const) {
    const [right, down] = stepOnPage(50, 20, turn);
    const there = seen({ ...BOX, left: BOX.left + right, top: BOX.top + down }, turn);
    const here = seen(BOX, turn);
    expect([there.left - here.left, there.top - here.top]).toEqual([50, 20]);
  }
});

test("what is drawn on the screen becomes a part of the sheet, and nothing of its surroundings", () => {
  const sheet = { left: 100, top: 50, right: 600, bottom: 750 };
  expect(onSheet({ left: 150, top: 120, right: 350, bottom: 190 }, sheet)).toEqual({
    left: 1_000,
    top: 1_000,
    width: 4_000,
    height: 1_000,
  });
  expect(onSheet({ left: 0, top: 700, right: 200, bottom: 900 }, sheet)).toEqual({
    left: 0,
    top: 9_286,
    width: 2_000,
    height: 714,
  });
  expect(onSheet({ left: 0, top: 0, right: 50, bottom: 900 }, sheet)).toBeUndefined();
});

test("words of one line are one area, of two lines two", () => {
  const word = (left: number, top: number) => ({ left, top, width: 90, height: 40 });
  expect(asLines([word(100, 500), word(200, 504), word(100, 560)])).toEqual([
    { left: 100, top: 500, width: 190, height: 44 },
    { left: 100, top: 560, width: 90, height: 40 },
  ]);
});

test("a cover of words is a little larger than they are, and stays on the page", () => {
  expect(grown(BOX)).toEqual({ left: 985, top: 1_975, width: 330, height: 150 });
  expect(grown({ left: 5, top: 9_950, width: 9_995, height: 50 })).toEqual({
    left: 0,
    top: 9_937,
    width: 10_000,
    height: 63,
  });
});

test("a mark moves as a whole and stays on its page", () => {
  const arrow = shapeOf("ARROW", {
    lines: [
      [
        { left: 900, top: 100 },
        { left: 300, top: 500 },
      ],
    ],
  });
  expect(around(arrow)).toEqual({ left: 300, top: 100, width: 600, height: 400 });
  expect(moved(arrow, -5_000, 9_900).lines).toEqual([
    [
      { left: 600, top: 9_600 },
      { left: 0, top: 10_000 },
    ],
  ]);
  expect(resized(shapeOf("COVER", { areas: [BOX] }), -5_000, 9_900).areas).toEqual([
    { left: 1_000, top: 2_000, width: 60, height: 8_000 },
  ]);
});
