import { describe, expect, test } from "vitest";
import { type PlacedPage, pagesTyped, placed, putIn, takenOut, turnedAt } from "./pageMoves";

const page = (key: string): PlacedPage => ({ key, label: key, page: 1, turn: 0, image: key });
const ABC = [page("a"), page("b"), page("c")];
const keys = (pages: PlacedPage[]) => pages.map((p) => p.key).join("");

describe("pages of a paper", () => {
  test("are moved within the paper and nowhere else", () => {
    expect(keys(placed(ABC, 0, 2))).toBe("bca");
    expect(keys(placed(ABC, 2, 0))).toBe("cab");
    expect(placed(ABC, 0, -1)).toBe(ABC);
    expect(placed(ABC, 2, 3)).toBe(ABC);
    expect(placed(ABC, 5, 0)).toBe(ABC);
  });

  test("are turned by quarters and taken out, but for the last one", () => {
    expect(turnedAt(turnedAt(ABC, 1, 90), 1, -180)[1]?.turn).toBe(270);
    expect(keys(takenOut(ABC, 1))).toBe("ac");
    const only = [page("a")];
    expect(takenOut(only, 0)).toBe(only);
  });

  test("of others are put in once, after the page that is chosen", () => {
    expect(keys(putIn(ABC, 0, [page("x"), page("b")]))).toBe("axbc");
    expect(keys(putIn(ABC, -1, [page("x")]))).toBe("xabc");
    expect(putIn(ABC, 0, [page("c")])).toBe(ABC);
  });

  test("are typed as people write them", () => {
    expect(pagesTyped("", 3)).toEqual([1, 2, 3]);
    expect(pagesTyped(" 2 , 1–2,4", 4)).toEqual([2, 1, 4]);
    expect(pagesTyped("3-5", 4)).toBeUndefined();
    expect(pagesTyped("0", 4)).toBeUndefined();
    expect(pagesTyped("3-2", 4)).toBeUndefined();
    expect(pagesTyped("a", 4)).toBeUndefined();
    expect(pagesTyped("1,,2", 4)).toBeUndefined();
  });
});
