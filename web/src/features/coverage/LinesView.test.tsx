import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { LinesView } from "./LinesView";

afterEach(cleanup);

const FILE = {
  id: "f1",
  name: "Tamsin Korhola",
  number: "E-0147",
  kindLabel: "Employee",
} as Shape<"FileAnswer">;

const LINES = {
  from: "2025-08-02",
  to: "2027-08-02",
  today: "2026-11-25",
  sections: [
    {
      label: "Safety",
      lines: [
        {
          checklist: "employees",
          requirement: "first-aid",
          label: "First aid",
          blocking: true,
          status: "expiring",
          stretches: [
            { from: "2025-08-02", to: "2026-01-31", status: "not-applicable" },
            { from: "2026-02-01", to: "2026-09-30", status: "on-file" },
            { from: "2026-10-01", to: "2026-11-30", status: "expiring" },
            { from: "2026-12-01", to: "2027-08-02", status: "lapsed" },
          ],
          papers: [
            { id: "p1", name: "First aid, 2026-02-01", documentDate: "2026-02-01", receivedOn: "2026-02-02" },
            { id: "p0", name: "First aid, 2020-02-01", documentDate: "2020-02-01", receivedOn: "2026-02-02" },
          ],
        },
      ],
    },
  ],
} as const;

const slot = (label: string, status: string) => ({ label, status, blocking: true });
const NOT_CLEAR = {
  clear: false,
  openSlots: 1,
  hiddenOpen: 0,
  sections: [{ slots: [slot("First aid", "lapsed")] }],
};
const CLEAR = { clear: true, clearThrough: "2026-11-30", openSlots: 0, hiddenOpen: 0, sections: [] };

function lines(path: string, ledger: object, more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/lines": LINES,
    "GET /api/files/f1/ledger": CLEAR,
    ...more,
  });
  show(<LinesView file={FILE} ledger={ledger as Shape<"LedgerAnswer">} />, path);
  return calls;
}

test("the table says in words what the drawing shows", async () => {
  lines("/files/f1", CLEAR);
  const table = await screen.findByRole("table");
  const cells = within(table)
    .getAllByRole("row")
    .map((r) => r.textContent);
  expect(cells).toEqual([
    "SlotFromToStatus",
    "First aid1 Feb 202630 Sep 2026On file",
    "1 Oct 202630 Nov 2026Expiring",
    "1 Dec 2026…Lapsed",
  ]);
});

test("a bar tells until when it holds, its days of warning included", async () => {
  lines("/files/f1", CLEAR);
  expect(await screen.findByText("to 30 Nov 2026")).toBeTruthy();
  expect(screen.getByText("First aid: lapsed from 1 Dec 2026 to 2 Aug 2027")).toBeTruthy();
  expect(screen.getByText("First aid, 2026-02-01")).toBeTruthy();
  expect(screen.queryByText("First aid, 2020-02-01")).toBeNull();
});

test("today is asked about first, and keys ask about another day", async () => {
  const calls = lines("/files/f1", CLEAR);
  const line = await screen.findByRole("slider");
  expect(line.getAttribute("aria-valuetext")).toBe("25 Nov 2026");
  expect(screen.getByText(/yes, through 30 Nov 2026\./)).toBeTruthy();
  fireEvent.keyDown(line, { key: "ArrowLeft" });
  await waitFor(() => expect(calls.some((c) => c.path.includes("asOf=2026-11-24"))).toBe(true));
  fireEvent.keyDown(screen.getByRole("slider"), { key: "PageUp" });
  await waitFor(() => expect(calls.some((c) => c.path.includes("asOf=2026-12-24"))).toBe(true));
});

test("of a past day it says how the file stood by both knowledges", async () => {
  lines("/files/f1?asOf=2026-12-05&known=then".replace("2026-12-05", "2026-10-05"), NOT_CLEAR);
  expect(await screen.findByText(/Was this file clear on 5 Oct 2026\?/)).toBeTruthy();
  expect(screen.getByText(/As known then:\s+no, First aid lapsed\./)).toBeTruthy();
  expect(await screen.findByText(/As known now: yes, through 30 Nov 2026/)).toBeTruthy();
});

test("of a day ahead it says what comes if nothing is done", async () => {
  lines("/files/f1?asOf=2026-12-24&known=then", NOT_CLEAR);
  expect(await screen.findByText(/Will this file be clear on 24 Dec 2026\?/)).toBeTruthy();
  expect(screen.getByText(/If nothing new comes in:\s+no/)).toBeTruthy();
});

test("a file of which nothing is asked says so", async () => {
  lines("/files/f1", CLEAR, { "GET /api/files/f1/lines": { ...LINES, sections: [] } });
  expect(await screen.findByText("Nothing is asked of this file")).toBeTruthy();
});
