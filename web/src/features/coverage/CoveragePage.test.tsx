import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { AsOfRibbon } from "../asof/AsOfRibbon";
import { CoveragePage } from "./CoveragePage";

const LETTERS = {
  ".": "not-applicable",
  f: "on-file",
  e: "expiring",
  l: "lapsed",
  m: "missing",
  r: "in-review",
} as const;

const COLUMNS = ["First aid", "Contract"].map((label) => ({
  checklist: "employees",
  checklistLabel: "Employees",
  requirement: label.toLowerCase().replace(" ", "-"),
  label,
  blocking: true,
}));

function row(i: number, cells: string) {
  return {
    id: `f${i}`,
    number: `E-000${i}`,
    kind: "employee",
    kindLabel: "Employee",
    name: `Person ${i}`,
    clear: !cells.includes("l") && !cells.includes("m"),
    clearThrough: "2027-05-14",
    openSlots: [...cells].filter((c) => "lm".includes(c)).length,
    hiddenOpen: 0,
    lastActivityAt: "2026-11-25T09:00:00Z",
    cells,
  };
}

const ROWS = [row(1, "lf"), row(2, "er"), row(3, "f.")];

const SLOT = {
  checklist: "employees",
  requirement: "first-aid",
  label: "First aid",
  status: "lapsed",
  blocking: true,
  coveredThrough: "2026-10-31",
  renewal: "none",
  nextChangeOn: "2026-12-01",
  nextStatus: "missing",
  types: ["first-aid"],
  reasons: ["The first aid certificate of 5 November 2024 held until 31 October 2026."],
  papers: [],
} as const;

function board(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/kinds": [{ code: "employee", label: "Employee", plural: "Employees", facts: [] }],
    "GET /api/board": { columns: COLUMNS, letters: LETTERS, rows: ROWS },
    "GET /api/board/counts": { files: 3, clear: 2, statuses: { lapsed: 1, "on-file": 3, "in-review": 1 } },
    "GET /api/board/teams": ["Office", "Stables"],
    "GET /api/board/forecast": [
      { from: "2026-11-26", to: "2026-12-02", lapses: 2, due: 1 },
      { from: "2026-12-03", to: "2026-12-09", lapses: 0, due: 0 },
    ],
    "GET /api/board/falling": [
      {
        fileId: "f2",
        number: "E-0002",
        name: "Person 2",
        label: "First aid",
        on: "2026-12-01",
        status: "lapsed",
      },
    ],
    "GET /api/files/f1/slots/employees/first-aid": SLOT,
    "GET /api/files/f1/chase": {
      recipient: "one@post.example",
      subject: "A paper",
      body: "Dear",
      wanted: ["First aid"],
    },
    "POST /api/files/f1/chase": {},
    "POST /api/files/f2/chase": new Refusal(409, { code: "nothing-wanted", detail: "Nothing is missing." }),
    ...more,
  });
}

// happy-dom lays nothing out; the drawing of rows and columns needs a size to fit them in
const sizes = { offsetHeight: 600, offsetWidth: 1200, clientHeight: 600, clientWidth: 1200 };
beforeEach(() => {
  for (const [name, value] of Object.entries(sizes)) {
    Object.defineProperty(HTMLElement.prototype, name, { configurable: true, get: () => value });
  }
});
afterEach(cleanup);

test("each cell says what it is of and how it stands", async () => {
  board();
  show(<CoveragePage />, "/coverage");
  const rows = await screen.findAllByRole("row");
  const first = rows.find((r) => r.textContent?.includes("Person 1")) as HTMLElement;
  expect(within(first).getByLabelText("First aid: lapsed")).toBeTruthy();
  expect(within(first).getByLabelText("Contract: on file")).toBeTruthy();
  expect(within(first).getByText("not clear")).toBeTruthy();
  expect(screen.getByLabelText("Contract: not applicable")).toBeTruthy();
  expect(screen.getByText("2 of 3 clear")).toBeTruthy();
  expect(screen.getByText("1 not clear, 2 open slots")).toBeTruthy();
  expect(screen.getByRole("grid").getAttribute("aria-rowcount")).toBe("4");
});

test("a cell opens a card with reasons, next change and what can be done", async () => {
  board();
  show(<CoveragePage />, "/coverage");
  fireEvent.click(await screen.findByLabelText("First aid: lapsed"));
  const card = await screen.findByRole("dialog", { name: "First aid of Person 1" });
  expect(await within(card).findByText(SLOT.reasons[0] as string)).toBeTruthy();
  expect(within(card).getByText("Next change: 1 Dec 2026, missing")).toBeTruthy();
  expect(await within(card).findByText("Waive")).toBeTruthy();
  fireEvent.keyDown(window, { key: "Escape" });
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
});

test("arrows move the current cell, Enter opens it and Space chooses its row", async () => {
  board({
    "GET /api/files/f2/slots/employees/contract": { ...SLOT, status: "in-review", label: "Contract" },
  });
  show(<CoveragePage />, "/coverage");
  const grid = await screen.findByRole("grid");
  await screen.findByLabelText("First aid: lapsed");
  fireEvent.keyDown(grid, { key: "ArrowDown" });
  fireEvent.keyDown(grid, { key: "ArrowRight" });
  expect(grid.getAttribute("aria-activedescendant")).toBe("cell-1-1");
  fireEvent.keyDown(grid, { key: " " });
  expect(screen.getByText("1 person chosen")).toBeTruthy();
  fireEvent.keyDown(grid, { key: "Enter" });
  expect(await screen.findByRole("dialog", { name: "Contract of Person 2" })).toBeTruthy();
  fireEvent.keyDown(grid, { key: "Home" });
  fireEvent.keyDown(grid, { key: "PageUp" });
  expect(grid.getAttribute("aria-activedescendant")).toBe("cell-0-0");
});

test("what is chosen above is asked of the server", async () => {
  const calls = board();
  show(<CoveragePage />, "/coverage?kind=employee");
  fireEvent.click(await screen.findByText("Only open"));
  await waitFor(() => expect(calls.some((c) => /board\?.*open=true/.test(c.path))).toBe(true));
  fireEvent.click(await screen.findByText("Person"));
  await waitFor(() => expect(calls.some((c) => /board\?.*sort=name/.test(c.path))).toBe(true));
  fireEvent.change(screen.getByLabelText("Narrow the list"), { target: { value: "kor" } });
  await waitFor(() => expect(calls.some((c) => /board\/counts\?.*text=kor/.test(c.path))).toBe(true));
  expect(screen.getByText("CSV").getAttribute("href")).toContain("text=kor");
});

test("a bar of the forecast lists who that is", async () => {
  board();
  show(<CoveragePage />, "/coverage");
  fireEvent.click(await screen.findByLabelText("26 Nov 2026 to 2 Dec 2026: 3 slots"));
  const list = await screen.findByRole("dialog");
  expect(await within(list).findByText("Person 2")).toBeTruthy();
  expect(within(list).getByText("1 Dec 2026, lapsed")).toBeTruthy();
});

test("several are chased, and each outcome is told", async () => {
  const calls = board();
  show(<CoveragePage />, "/coverage");
  fireEvent.click(await screen.findByLabelText("Choose Person 1"));
  fireEvent.click(screen.getByLabelText("Choose Person 2"));
  expect(screen.getByText("1 open slot between them")).toBeTruthy();
  fireEvent.click(await screen.findByText("Chase 2 people…"));
  fireEvent.click(await screen.findByText("Send 2 mails"));
  expect(await screen.findByText("on its way")).toBeTruthy();
  expect(await screen.findByText("Nothing is missing.")).toBeTruthy();
  expect(calls.filter((c) => c.method === "POST").map((c) => c.path)).toEqual([
    "/api/files/f1/chase",
    "/api/files/f2/chase",
  ]);
});

test("on a past day nothing can be changed, and one click leads back", async () => {
  const calls = board();
  show(
    <>
      <AsOfRibbon />
      <CoveragePage />
    </>,
    "/coverage?asOf=2026-03-03&known=then",
  );
  expect((await screen.findAllByText("As of 3 Mar 2026")).length).toBeGreaterThan(0);
  expect(await screen.findByText("267 days ago · nothing can be changed")).toBeTruthy();
  fireEvent.click(await screen.findByLabelText("First aid: lapsed"));
  const card = await screen.findByRole("dialog");
  await within(card).findByText("Open file");
  expect(within(card).queryByText("Waive")).toBeNull();
  expect(calls.some((c) => c.path.includes("first-aid?asOf=2026-03-03&known=then"))).toBe(true);
  fireEvent.click(screen.getByText("as known now"));
  await waitFor(() => expect(calls.some((c) => /board\?.*known=now/.test(c.path))).toBe(true));
  fireEvent.click(screen.getByText("Back to today"));
  await waitFor(() => expect(screen.queryByText(/nothing can be changed/)).toBeNull());
});

test("nobody fits: it says so and shows the way out", async () => {
  board({ "GET /api/board/counts": { files: 0, clear: 0, statuses: {} } });
  show(<CoveragePage />, "/coverage?text=nobody");
  expect(await screen.findByText("Nobody fits")).toBeTruthy();
});

test("too many files for a past day are refused in the server's words", async () => {
  const calls = board({
    "GET /api/board": new Refusal(409, { code: "too-many-files", detail: "Narrow the selection." }),
  });
  show(<CoveragePage />, "/coverage?asOf=2026-03-03&known=then");
  expect(await screen.findByText("Narrow the selection.")).toBeTruthy();
  fireEvent.click(screen.getByText("Sort by name"));
  await waitFor(() => expect(calls.some((c) => /board\?.*sort=name/.test(c.path))).toBe(true));
});

test("an outsider is invited for all chosen people at once", async () => {
  const calls = board({ "POST /api/guests": { accountId: "g1" } });
  show(<CoveragePage />, "/coverage");
  const grid = await screen.findByRole("grid");
  await screen.findByLabelText("First aid: lapsed");
  fireEvent.keyDown(grid, { key: " " });
  fireEvent.keyDown(grid, { key: "ArrowDown" });
  fireEvent.keyDown(grid, { key: " " });
  fireEvent.click(await screen.findByText("Invite a guest…"));
  fireEvent.change(await screen.findByLabelText("Name of the guest"), { target: { value: "Harrow Mutual" } });
  fireEvent.change(screen.getByLabelText("Mail address of the guest"), {
    target: { value: "claims@harrow.example" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Invite" }));
  expect(await screen.findByText("Harrow Mutual is a guest of these files now.")).toBeTruthy();
  const sent = calls.find((c) => c.path === "/api/guests")?.body as { files: string[] };
  expect(sent.files).toHaveLength(2);
});
