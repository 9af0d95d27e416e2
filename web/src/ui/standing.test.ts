import { expect, it } from "vitest";
import { briefOpenWords, openWords, verdictWords } from "./standing";

const NOT_CLEAR = { clear: false, openSlots: 0, hiddenOpen: 0 };

it("is never clear on half the truth: what is hidden is counted", () => {
  expect(verdictWords({ ...NOT_CLEAR, hiddenOpen: 1 })).toBe("Not clear: 1 requirement you cannot see");
  expect(verdictWords({ ...NOT_CLEAR, openSlots: 2, hiddenOpen: 3 })).toBe(
    "Not clear: 2 slots open, 3 more you cannot see",
  );
  expect(openWords({ ...NOT_CLEAR, openSlots: 1 })).toBe("1 slot open");
});

it("says until when a clear file is clear", () => {
  const clear = { clear: true, openSlots: 0, hiddenOpen: 0 };
  expect(verdictWords({ ...clear, clearThrough: "2027-05-14" })).toBe("Clear through 14 May 2027");
  expect(verdictWords(clear)).toBe("Clear without end");
});

it("where there is little room, what cannot be seen is still told", () => {
  expect(briefOpenWords({ clear: false, openSlots: 0, hiddenOpen: 1 })).toBe("1 hidden");
  expect(briefOpenWords({ clear: false, openSlots: 2, hiddenOpen: 1 })).toBe("2 slots open, 1 hidden");
});
