import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { TrailView } from "../people/TrailView";
import { FilesPage } from "./FilesPage";

afterEach(cleanup);

function row(name: string, part: Partial<Shape<"BoardRow">> = {}): Shape<"BoardRow"> {
  return {
    id: name,
    number: "E-0147",
    kind: "employee",
    kindLabel: "Employee",
    name,
    birthDate: "1994-03-09",
    team: "Office",
    clear: true,
    clearThrough: "2027-05-14",
    openSlots: 0,
    hiddenOpen: 0,
    lastActivityAt: "2026-11-25T09:00:00Z",
    cells: "f.",
    ...part,
  };
}

const KINDS = [{ code: "employee", label: "Employee", plural: "Employees", facts: [] }];

const COLUMNS = ["First aid certificate", "Contract"].map((label) => ({
  checklist: "employees",
  checklistLabel: "Employees",
  requirement: label,
  label,
  blocking: true,
}));

function serveFiles(rows: Shape<"BoardRow">[], account: object = OTTILIE) {
  return serve({
    "GET /api/session": account,
    "GET /api/kinds": KINDS,
    "GET /api/board": { columns: COLUMNS, letters: LETTERS, rows },
    "GET /api/board/counts": { files: rows.length, clear: 0, statuses: {} },
  });
}

const LETTERS = { ".": "not-applicable", f: "on-file", s: "awaiting-signature" } as const;

test("each person's standing is told in words and in glyphs", async () => {
  serveFiles([
    row("Tamsin Korhola", {
      clear: false,
      openSlots: 2,
      cells: ".s",
    }),
    row("Hester Quillam"),
    row("Kofi Adjare", { clearThrough: undefined }),
  ]);
  show(<FilesPage />);
  await screen.findByText("not clear, 2 slots open");
  expect(screen.getByText("14 May 2027")).toBeTruthy();
  expect(screen.getByText("no end")).toBeTruthy();
  expect(screen.getByRole("img", { name: "Contract: awaiting signature" })).toBeTruthy();
});

test("typing narrows the list by asking the server", async () => {
  const calls = serveFiles([row("Tamsin Korhola")]);
  show(<FilesPage />);
  await screen.findByText("Tamsin Korhola");
  fireEvent.change(screen.getByLabelText("Narrow the list"), { target: { value: "korh" } });
  await waitFor(() => expect(calls.some((c) => /^\/api\/board\?.*text=korh/.test(c.path))).toBe(true));
});

test("the signs of a person leave out what is not asked of him", async () => {
  serveFiles([row("Tamsin Korhola")]);
  show(<FilesPage />);
  await screen.findByRole("img", { name: "First aid certificate: on file" });
  expect(screen.queryByRole("img", { name: /Contract/ })).toBeNull();
});

test("sorting by a column asks the server for that order", async () => {
  const calls = serveFiles([row("Tamsin Korhola")]);
  show(<FilesPage />);
  fireEvent.click((await screen.findAllByText("Clear through"))[0] as HTMLElement);
  await waitFor(() => expect(calls.map((c) => c.path).join(" ")).toContain("sort=clear&turned=false"));
  fireEvent.click(screen.getAllByText("Clear through")[0] as HTMLElement);
  await waitFor(() => expect(calls.map((c) => c.path).join(" ")).toContain("sort=clear&turned=true"));
});

test("an empty list tells the next step", async () => {
  serveFiles([]);
  show(<FilesPage />);
  await screen.findByText("No file yet");
  cleanup();
  serveFiles([]);
  show(<FilesPage />, "/files?text=nobody");
  await screen.findByText("Nobody is found by that");
});

test("who may only look is not offered a new file", async () => {
  serveFiles([row("Tamsin Korhola")], { ...OTTILIE, mayChange: false });
  show(<FilesPage />);
  await screen.findByText("Tamsin Korhola");
  expect(screen.queryByRole("button", { name: /New file/ })).toBeNull();
});

test("a list that cannot be had says why and offers to try again", async () => {
  serve({ "GET /api/session": OTTILIE, "GET /api/kinds": KINDS, "GET /api/board": new Refusal(500, {}) });
  show(<FilesPage />);
  await screen.findByText("This cannot be shown");
  serveFiles([row("Tamsin Korhola")]);
  fireEvent.click(screen.getByRole("button", { name: /Try again/ }));
  await screen.findByText("Tamsin Korhola");
});

test("the trail says who did what", async () => {
  serve({
    "GET /api/files/f1/trail": [
      {
        seq: 2,
        at: "2026-11-25T09:12:00Z",
        who: "Ottilie Brandmoor",
        action: "filed",
        sentence: "filed “Contract”",
      },
      {
        seq: 1,
        at: "2026-11-25T09:10:00Z",
        who: "Office desk",
        action: "received",
        sentence: "received “scan.pdf”",
      },
    ],
  });
  show(<TrailView fileId="f1" />);
  await screen.findByText("filed “Contract”");
  const lines = screen.getAllByRole("listitem").map((li) => li.textContent);
  expect(lines[0]).toContain("Ottilie Brandmoor filed “Contract”");
  expect(lines[1]).toContain("Office desk received “scan.pdf”");
});

test("several people are chosen and get the same letter, also those no longer shown", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/kinds": KINDS,
    "GET /api/board": ({ path }: { path: string }) => ({
      columns: COLUMNS,
      letters: LETTERS,
      rows: path.includes("text=korh")
        ? [row("Tamsin Korhola")]
        : [row("Hester Quillam"), row("Kofi Adjare")],
    }),
    "GET /api/board/counts": { files: 2, clear: 0, statuses: {} },
    "GET /api/letter-models": [],
  });
  show(<FilesPage />);
  fireEvent.click(await screen.findByRole("checkbox", { name: "Choose all shown" }));
  expect(screen.getByText("2 people chosen")).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Narrow the list"), { target: { value: "korh" } });
  fireEvent.click(await screen.findByRole("checkbox", { name: "Choose Tamsin Korhola" }));
  expect(screen.getByText("3 people chosen")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Write letters…" }));
  expect(await screen.findByText("The same letter about 3 people")).toBeTruthy();
});
