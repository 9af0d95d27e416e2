import { describe, expect, it } from "vitest";
import { A4, asTurn, pixels, scaleOf, stepFrom, turned, turnedBox } from "./placing";

describe("the place of pages on the desk", () => {
  it("fits a page to the width, or wholly", () => {
    const desk = { width: 793.33, height: 500 };
    expect(scaleOf("width", A4, desk)).toBeCloseTo(1, 3);
    expect(scaleOf("page", A4, desk)).toBeCloseTo(500 / (842 * (96 / 72)), 3);
    expect(scaleOf(2, A4, desk)).toBe(2);
    expect(pixels(A4, 0.5).width).toBeCloseTo(396.67, 1);
  });

  it("steps up and down and stays at the ends", () => {
    expect(stepFrom(1, 1)).toBe(1.25);
    expect(stepFrom(0.97, -1)).toBe(0.9);
    expect(stepFrom(3, 1)).toBe(3);
    expect(stepFrom(0.2, -1)).toBe(0.2);
  });

  it("turns sizes and degrees by quarters", () => {
    expect(turned(A4, 90)).toEqual({ width: 842, height: 595 });
    expect(turned(A4, 180)).toEqual(A4);
    expect([asTurn(-90), asTurn(450), asTurn(360), asTurn(89)]).toEqual([270, 90, 0, 90]);
  });

  it("turns boxes with their page, and four quarters bring them back", () => {
    const box = [1000, 2000, 3000, 500];
    expect(turnedBox(box, 90)).toEqual([7500, 1000, 500, 3000]);
    expect(turnedBox(box, 180)).toEqual([6000, 7500, 3000, 500]);
    expect(turnedBox(box, 270)).toEqual([2000, 6000, 500, 3000]);
    const around = [0, 1, 2, 3].reduce((b) => turnedBox(b, 90) as number[], box);
    expect(around).toEqual(box);
  });
});
