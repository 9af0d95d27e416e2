import { describe, expect, it } from "vitest";
import { panesOf } from "./readAddress";

describe("panesOf", () => {
  it("reads the first paper and those beside it, with their versions", () => {
    expect(panesOf(new URLSearchParams("paper=a@2&beside=b,c@1"))).toEqual([
      { id: "a", version: 2 },
      { id: "b" },
      { id: "c", version: 1 },
    ]);
    expect(panesOf(new URLSearchParams("paper=a"))).toEqual([{ id: "a" }]);
    expect(panesOf(new URLSearchParams("beside=b"))).toEqual([]);
  });
});
