import { expect, test } from "vitest";
import { codeOf, moved, partsOf } from "./rules";

test("a code is made of a name and is never one that is taken", () => {
  expect(codeOf("First aid certificate", [])).toBe("first-aid-certificate");
  expect(codeOf("Größe 3 (groß)", [])).toBe("gro-e-3-gro");
  expect(codeOf("3 horses", [])).toBe("horses");
  expect(codeOf("Passport", ["passport", "passport-2"])).toBe("passport-3");
  expect(codeOf("!!!", [])).toBe("x");
});

test("a period of one unit is read, one of several is left alone", () => {
  expect(partsOf("P2Y")).toEqual({ count: 2, unit: "Y" });
  expect(partsOf("P18M")).toEqual({ count: 18, unit: "M" });
  expect(partsOf("P1Y6M")).toBeNull();
});

test("moving an entry keeps the others in their order", () => {
  expect(moved(["a", "b", "c", "d"], 0, 2)).toEqual(["b", "c", "a", "d"]);
  expect(moved(["a", "b", "c", "d"], 3, 0)).toEqual(["d", "a", "b", "c"]);
  expect(moved(["a", "b"], 5, 0)).toEqual(["a", "b"]);
});
