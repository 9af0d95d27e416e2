import { expect, test } from "vitest";
import { fieldWords, Problem, problemOf, wordsOf } from "./client";

test("a problem's words and fields are read from the answer", () => {
  const problem = problemOf(
    422,
    JSON.stringify({
      detail: "The paper would expire before it starts.",
      code: "invalid",
      problems: [{ field: "details.statedExpiry", message: "before it starts" }],
    }),
  );
  expect(problem.message).toBe("The paper would expire before it starts.");
  expect(problem.code).toBe("invalid");
  expect(fieldWords(problem, "statedExpiry")).toBe("before it starts");
  expect(fieldWords(problem, "documentDate")).toBeUndefined();
});

test("an empty or foreign error answer still says something", () => {
  expect(problemOf(502, "").message).toContain("502");
  expect(problemOf(500, "<html>").fields).toEqual([]);
});

test("whatever was thrown becomes words", () => {
  expect(wordsOf(new Problem(0, "unreachable", "The server cannot be reached.", [], {}))).toBe(
    "The server cannot be reached.",
  );
  expect(wordsOf("?")).toBe("Something failed. Try again.");
  expect(fieldWords(new Error("x"), "type")).toBeUndefined();
});
