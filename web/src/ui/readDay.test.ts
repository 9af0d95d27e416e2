import { expect, test } from "vitest";
import { type DayOrder, readDay } from "./readDay";

const TODAY = "2026-11-29";

function read(text: string, order: DayOrder = "DAY_FIRST"): string {
  const day = readDay(text, order, TODAY);
  return "refused" in day ? day.refused : day.iso + (day.isDoubtful ? "?" : "");
}

test.each([
  ["2025-11-15", "2025-11-15"],
  ["2025/11/15", "2025-11-15"],
  ["20251115", "2025-11-15"],
  ["15.11.25", "2025-11-15"],
  ["15. 11. 2025", "2025-11-15"],
  ["15/11/2025", "2025-11-15"],
  ["11/15/2025", "2025-11-15"],
  ["15-NOV-2025", "2025-11-15"],
  ["Nov 15, 2025", "2025-11-15"],
  ["November 15th 2025", "2025-11-15"],
  ["Saturday, 15 November 2025", "2025-11-15"],
  ["15th of November 2025", "2025-11-15"],
  ["15. Jänner 2025", "2025-01-15"],
  ["3. März 2025", "2025-03-03"],
  ["3 mai 25", "2025-05-03"],
  ["Sept 3, 1987", "1987-09-03"],
  ["3.4.87", "1987-04-03"],
  ["3.4.46", "2046-04-03"],
  ["29 Feb 2024", "2024-02-29"],
  ["4/4/2025", "2025-04-04"],
])("%s is %s", (typed, iso) => expect(read(typed)).toBe(iso));

test("of two numbers the practice says which is the day, and that it could be the other one is known", () => {
  expect(read("3/4/2025")).toBe("2025-04-03?");
  expect(read("3-4-2025")).toBe("2025-04-03?");
  expect(read("3/4/2025", "MONTH_FIRST")).toBe("2025-03-04?");
  expect(read("3.4.2025")).toBe("2025-04-03");
  expect(read("3.4.2025", "MONTH_FIRST")).toBe("2025-04-03?");
  expect(read("15/11/2025", "MONTH_FIRST")).toBe("2025-11-15");
});

test("what is no day is refused in words that say why", () => {
  expect(read("31.02.2025")).toBe("There is no 31 February 2025.");
  expect(read("29 Feb 2025")).toBe("There is no 29 February 2025.");
  expect(read("15.13.2025")).toBe("There is no month 13.");
  expect(read("0.5.2025")).toBe("There is no 0 May 2025.");
  for (const typed of ["tomorrow", "15", "15 Nov", "15 No 2025", "3/4", "3/4-2025"]) {
    expect(read(typed)).toBe(`“${typed}” is no day. Type it like 15 Nov 2026.`);
  }
});
