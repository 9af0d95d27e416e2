import { expect, test } from "vitest";
import { mentionedIn } from "./mentions";

const BRAM = { id: "b", name: "Bram" };
const LONG = { id: "o", name: "Bram Ostervelt" };
const ZURI = { id: "z", name: "Zuri Mbeya-Holt" };

test("whose names stand behind an @ are mentioned, each once", () => {
  expect(mentionedIn("@Zuri Mbeya-Holt and @Zuri Mbeya-Holt, look", [LONG, ZURI])).toEqual(["z"]);
  expect(mentionedIn("Zuri Mbeya-Holt knows", [ZURI])).toEqual([]);
});

test("of names that begin alike the longest counts", () => {
  expect(mentionedIn("@Bram Ostervelt please", [BRAM, LONG])).toEqual(["o"]);
  expect(mentionedIn("@Bram Ostervelt and @Bram", [BRAM, LONG])).toEqual(["o", "b"]);
});
