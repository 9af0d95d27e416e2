import { expect, test } from "vitest";
import { bytes, day, daysBetween, distance, moment, tellMomentsIn } from "./days";

test("a day is written with its month in letters", () => {
  expect(day("2027-05-14")).toBe("14 May 2027");
});

test("distances are told in whole days, over a change of the clock too", () => {
  expect(daysBetween("2026-10-24", "2026-10-26")).toBe(2);
  expect(distance("2026-11-30", "2026-11-25")).toBe("in 5 days");
  expect(distance("2026-11-24", "2026-11-25")).toBe("1 day ago");
  expect(distance("2026-11-25", "2026-11-25")).toBe("today");
});

test("sizes stay short", () => {
  expect(bytes(120)).toBe("1 kB");
  expect(bytes(1_468_006)).toBe("1.4 MB");
  expect(bytes(52_428_800)).toBe("50 MB");
});

test("moments are told with their year, as the practice's clock shows them", () => {
  tellMomentsIn("Europe/Vienna");
  expect(moment("2026-11-24T23:30:00Z")).toBe("25 Nov 2026, 00:30");
  expect(moment("2026-07-01T23:30:00Z")).toBe("2 Jul 2026, 01:30");
  tellMomentsIn("Europe/Lisbon");
  expect(moment("2026-11-24T23:30:00Z")).toBe("24 Nov 2026, 23:30");
});
