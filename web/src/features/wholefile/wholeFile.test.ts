import { describe, expect, it } from "vitest";
import { countsByDay, countsOf, filtered, NO_FILTERS, type PaperInFile } from "./wholeFileQueries";

const paper = (id: string, documentDate: string, more: Partial<PaperInFile> = {}): PaperInFile => ({
  id,
  name: `Letter ${id}`,
  typeLabels: ["Letter"],
  documentDate,
  state: "FILED",
  receivedOn: documentDate,
  source: "from scanner",
  size: 1000,
  periods: [],
  writers: [],
  filedBy: "Ottilie Brandmoor",
  version: 1,
  mediaType: "application/pdf",
  pages: 1,
  turned: 0,
  ...more,
});

const PAPERS = [
  paper("c", "2026-05-01", { state: "ENTERED_IN_ERROR" }),
  paper("b", "2025-03-02", { typeLabels: ["Invoice", "Letter"], filedBy: "Zuri Mbeya-Holt" }),
  paper("a", "2024-01-15", {
    authorTitle: "lead therapist",
    writers: ["Dr Amara Okell"],
    periods: ["Level: canter"],
    visit: "2024-01-09",
  }),
];

describe("reading a whole file", () => {
  it("puts papers in the order of their days", () => {
    expect(filtered(PAPERS, NO_FILTERS).map((p) => p.id)).toEqual(["a", "b", "c"]);
  });

  it("narrows by each filter, ends inclusive", () => {
    const ids = (part: Partial<typeof NO_FILTERS>) =>
      filtered(PAPERS, { ...NO_FILTERS, ...part }).map((p) => p.id);
    expect(ids({ title: " LETTER B" })).toEqual(["b"]);
    expect(ids({ from: "2025-03-02" })).toEqual(["b", "c"]);
    expect(ids({ to: "2025-03-02" })).toEqual(["a", "b"]);
    expect(ids({ states: ["ENTERED_IN_ERROR"] })).toEqual(["c"]);
    expect(ids({ types: ["Invoice"] })).toEqual(["b"]);
    expect(ids({ years: ["2024", "2026"] })).toEqual(["a", "c"]);
    expect(ids({ titles: ["lead therapist"] })).toEqual(["a"]);
    expect(ids({ periods: ["Level: canter", "Level: jumping"] })).toEqual(["a"]);
    expect(ids({ visits: ["2024-01-09"] })).toEqual(["a"]);
    expect(ids({ authors: ["Zuri Mbeya-Holt"], states: ["SENT_BACK"] })).toEqual([]);
  });

  it("lists days and years with the latest first, papers without one left out", () => {
    expect(countsByDay(PAPERS, (p) => p.documentDate.slice(0, 4)).map(([year]) => year)).toEqual([
      "2026",
      "2025",
      "2024",
    ]);
    expect(countsByDay(PAPERS, (p) => p.visit)).toEqual([["2024-01-09", 1]]);
  });

  it("counts values, a paper of two types under both", () => {
    expect(countsOf(PAPERS, (p) => p.typeLabels)).toEqual([
      ["Letter", 3],
      ["Invoice", 1],
    ]);
  });

  it("is narrowed to who wrote a paper, and read from the newest on when wished", () => {
    expect(filtered(PAPERS, { ...NO_FILTERS, writers: ["Dr Amara Okell"] }).map((p) => p.id)).toEqual(["a"]);
    expect(filtered(PAPERS, NO_FILTERS, true).map((p) => p.id)).toEqual(["c", "b", "a"]);
  });
});
