import { describe, expect, it } from "vitest";
import { grouped } from "./FoundTable";
import { criteriaOf, type FoundPaper, findAddress, isEmpty, tidy, wordsOfAll } from "./findQueries";
import { foundAddress, foundPlace, readAddress, rememberFound } from "./foundTrail";
import { placesFor } from "./places";

const paper = (id: string, more: Partial<FoundPaper> = {}): FoundPaper => ({
  id,
  fileId: `file-${id}`,
  person: "Tamsin Korhola",
  number: "E-0147",
  kindLabel: "Employee",
  sectionLabel: "Safety",
  typeLabels: ["First aid certificate"],
  name: `First aid certificate ${id}`,
  documentDate: "2026-11-20",
  receivedOn: "2026-11-21",
  storedAt: "2026-11-21T08:00:00Z",
  state: "FILED",
  source: "by mail",
  filedBy: "Ottilie Brandmoor",
  pages: 1,
  size: 10,
  isRead: true,
  pagesWithoutText: 0,
  isCut: false,
  versions: 1,
  changes: 0,
  ...more,
});

describe("what is searched for", () => {
  it("forgets what is empty and knows when nothing is left", () => {
    expect(tidy({ words: "", types: [], person: "korh", unreadable: false })).toEqual({ person: "korh" });
    expect(isEmpty({ words: " ".trim(), kinds: [] })).toBe(true);
    expect(isEmpty({ leastPages: 2 })).toBe(false);
  });

  it("keeps itself in the address and bears a broken one", () => {
    const address = findAddress({ words: "a&b=ü", types: ["letter"] });
    expect(criteriaOf(new URLSearchParams(address.split("?")[1]).get("for"))).toEqual({
      words: "a&b=ü",
      types: ["letter"],
    });
    for (const broken of [null, "{", "[]", "3", "null"]) {
      expect(criteriaOf(broken)).toEqual({});
    }
  });

  it("says all wanted words in one line", () => {
    expect(
      wordsOfAll({ words: " neck ", anyOf: "brace  collar", exact: 'first "aid"', without: "lame" }),
    ).toBe('neck brace or collar "first  aid"');
    expect(wordsOfAll({ person: "korhola" })).toBe("");
  });
});

describe("found papers", () => {
  it("stand under a heading for each group, with its count", () => {
    const papers = [paper("a"), paper("b"), paper("c", { typeLabels: ["Letter"] })];
    const lines = grouped(papers, "type", {
      papers: 9,
      people: 1,
      kinds: [],
      sections: [],
      states: [],
      years: [],
      sources: [],
      filedBy: [],
      teams: [],
      types: [{ value: "first-aid", label: "First aid certificate", papers: 7 }],
    });
    expect(lines.map((l) => ("heading" in l ? `${l.heading} ${l.count}` : l.id))).toEqual([
      "First aid certificate 7",
      "a",
      "b",
      "Letter undefined",
      "c",
    ]);
    expect(grouped(papers, "none")).toEqual(papers);
  });

  it("lead from one to the next while the words are the same", () => {
    const address = "/find?for=course";
    rememberFound({ words: "course", address, papers: [paper("a"), paper("b")] });
    expect(foundPlace("course", "a")).toMatchObject({ at: 1, of: 2, after: { id: "b" }, address });
    expect(foundPlace("course", "a")?.before).toBeUndefined();
    expect(foundPlace("course", "b")).toMatchObject({ at: 2, before: { id: "a" } });
    expect(foundPlace("course", "c")).toBeUndefined();
    expect(foundPlace("other", "a")).toBeUndefined();
    expect(foundAddress(paper("b"), "")).toBe("/files/file-b?view=read&paper=b&found=1");
    expect(readAddress(paper("b"), "a course")).toBe("/files/file-b?view=read&paper=b&words=a+course");
  });
});

describe("places", () => {
  it("are offered from two letters on, set-up to administrators only", () => {
    expect(placesFor("c", true)).toEqual([]);
    expect(placesFor("cov", false).map((p) => p.to)).toEqual(["/coverage"]);
    expect(placesFor("check", false)).toEqual([]);
    expect(placesFor("check", true).map((p) => p.to)).toEqual(["/set-up/checklists"]);
  });
});
