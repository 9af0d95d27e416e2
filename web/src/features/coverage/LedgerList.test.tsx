import { cleanup, fireEvent, screen, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { LedgerList } from "./LedgerList";

afterEach(cleanup);

const FILE = { id: "f1", name: "Tamsin Korhola" } as Shape<"FileAnswer">;

function slot(
  label: string,
  status: Shape<"SlotAnswer">["status"],
  part: Partial<Shape<"SlotAnswer">> = {},
): Shape<"SlotAnswer"> {
  return {
    checklist: "employees",
    requirement: label,
    label,
    status,
    blocking: true,
    renewal: "none",
    types: ["t"],
    reasons: [],
    papers: [],
    ...part,
  };
}

const LEDGER: Shape<"LedgerAnswer"> = {
  clear: false,
  openSlots: 2,
  hiddenOpen: 0,
  sections: [
    {
      code: "safety",
      label: "Safety and training",
      met: 1,
      of: 2,
      slots: [
        slot("First aid certificate", "on-file", {
          coveredThrough: "2028-11-30",
          papers: [
            {
              id: "d1",
              name: "First aid certificate, 2026-11-20",
              type: "t",
              typeLabel: "",
              documentDate: "2026-11-20",
              state: "FILED",
              counts: true,
              versions: 2,
              changes: 0,
            },
          ],
        }),
        slot("Safeguarding training", "lapsed", { coveredThrough: "2026-10-31" }),
      ],
    },
    {
      code: "agreements",
      label: "Agreements",
      met: 0,
      of: 1,
      slots: [slot("Contract", "awaiting-signature")],
    },
  ],
  otherPapers: [
    {
      id: "d9",
      name: "Letter about the winter rota",
      type: "letter",
      typeLabel: "",
      documentDate: "2026-11-14",
      state: "ENTERED_IN_ERROR",
      counts: false,
      versions: 1,
      changes: 0,
    },
  ],
};

function shown(account: object = OTTILIE) {
  serve({ "GET /api/practice": PRACTICE, "GET /api/session": account });
  return show(<LedgerList file={FILE} ledger={LEDGER} />, "/files/f1?paper=d1");
}

test("sections tell how much of them is met, slots how they stand", async () => {
  shown();
  await screen.findByText("lapsed 31 Oct 2026 · 25 days");
  expect(screen.getByText("1 of 2")).toBeTruthy();
  expect(screen.getByText("30 Nov 2028")).toBeTruthy();
  expect(screen.getByRole("img", { name: "Awaiting signature" })).toBeTruthy();
});

test("the chosen paper is marked, newer versions are counted, those entered in error struck", async () => {
  shown();
  const chosen = await screen.findByRole("button", { name: /First aid certificate, 2026-11-20/ });
  expect(chosen.getAttribute("aria-current")).toBe("true");
  expect(within(chosen).getByText("v2")).toBeTruthy();
  expect(screen.getByRole("button", { name: /winter rota/ }).className).toContain("in-error");
});

test("narrowed to what is open, slots that are fine and other papers go", async () => {
  shown();
  fireEvent.click(screen.getByRole("button", { name: "Open 2" }));
  expect(screen.queryByText("First aid certificate")).toBeNull();
  expect(screen.queryByText("Other papers")).toBeNull();
  expect(screen.getByText("Contract")).toBeTruthy();
});

test("only where a paper is wanted, and only for who may, it can be added, asked for and waived", async () => {
  shown();
  expect(await screen.findByRole("button", { name: "Waive Safeguarding training" })).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Waive Contract" })).toBeNull();
  cleanup();
  shown({ ...OTTILIE, mayChange: false });
  await screen.findByText("lapsed 31 Oct 2026 · 25 days");
  expect(screen.queryByRole("button", { name: "Waive Safeguarding training" })).toBeNull();
});
