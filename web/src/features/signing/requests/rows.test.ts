import { expect, test } from "vitest";
import type { Shape } from "../../../api/client";
import { tellMomentsIn } from "../../../ui/days";
import { csvOf, matches, reached, whose } from "./rows";

type Row = Shape<"RequestRow">;

const ROW = {
  id: "r1",
  state: "OPEN",
  atDesk: false,
  fileId: "f1",
  person: "Tamsin Korhola",
  team: "Stables",
  papers: [{ id: "d1", name: "Contract, Korhola T", type: "Contract", sealed: true }],
  way: [
    { id: "t1", step: 0, name: "Tamsin Korhola", role: "employee", now: false, outcome: "DONE" },
    { id: "t2", step: 1, name: "Bram Ostervelt", role: "director", now: true, outcome: "OPEN" },
  ],
  askedBy: "Ottilie Brandmoor",
  askedAt: "2026-11-02T09:00:00Z",
  since: "2026-11-05T09:00:00Z",
  sealing: false,
  overdue: false,
  hasQuestion: false,
} as unknown as Row;

test("a row says whose turn it is, or how it ended", () => {
  expect(whose(ROW)).toBe("Bram Ostervelt");
  expect(whose({ ...ROW, state: "COMPLETE", sealing: true })).toBe("signed, being sealed");
  expect(whose({ ...ROW, state: "EXPIRED" })).toBe("not signed in time");
});

test("rows are found by any words of person, paper and signer, and by age", () => {
  expect(matches(ROW, { text: "ostervelt contract" }, "2026-11-25")).toBe(true);
  expect(matches(ROW, { text: "nobody" }, "2026-11-25")).toBe(false);
  expect(matches(ROW, { text: "", age: 14 }, "2026-11-25")).toBe(true);
  expect(matches(ROW, { text: "", age: 30 }, "2026-11-25")).toBe(false);
  expect(matches(ROW, { text: "", team: "Office" }, "2026-11-25")).toBe(false);
});

test("a name is never taken for a formula by a spreadsheet", () => {
  expect(csvOf([{ ...ROW, person: '=HYPERLINK("x")' }])).toContain('"\'=HYPERLINK(""x"")"');
});

test("a row says how far the mail came to whoever is least far", () => {
  const way = (...turns: object[]) =>
    ({ ...ROW, way: turns.map((t) => ({ now: true, toldAt: "x", ...t })) }) as Row;
  expect(reached(way({ email: "a@post.example" })).words).toBe("sent");
  expect(reached(way({ colleague: true, deliveredAt: "x" })).words).toBe("delivered");
  expect(reached(way({ email: "a", openedAt: "x" }, { email: "b", deliveredAt: "x" })).words).toBe(
    "delivered",
  );
  expect(reached(way({ email: "a", openedAt: "x" })).words).toBe("opened");
  expect(reached(way({ email: "a", notDelivered: "no such mailbox" }))).toEqual({
    words: "not delivered",
    failed: true,
  });
  expect(reached(way({ email: null }))).toEqual({ words: "no address", failed: true });
  expect(reached({ ...way({ email: "a" }), state: "COMPLETE" } as Row).words).toBe("");
});

test("age is counted in days of the practice, also shortly after midnight there", () => {
  tellMomentsIn("Europe/Vienna");
  const row = { ...ROW, since: "2026-11-04T23:30:00Z" } as Row;
  expect(matches(row, { text: "", age: 3 }, "2026-11-08")).toBe(false);
  expect(matches(row, { text: "", age: 3 }, "2026-11-09")).toBe(true);
});
