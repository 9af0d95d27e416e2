import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { LedgerList } from "./LedgerList";

vi.mock("../uploads/sendResumably", () => ({
  sendResumably: (file: File, take: (id: string, end: () => void) => Promise<unknown>) => ({
    taken: take(`upload of ${file.name}`, () => undefined),
    stop: () => {},
    goOn: () => {},
  }),
}));

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

function shown(account: object = OTTILIE, address = "/files/f1?paper=d1") {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session": account,
    "POST /api/arrivals/sent": { id: "new" },
    "GET /api/files/f1/words": [{ documentId: "d1", places: 2, pages: [] }],
  });
  show(<LedgerList file={FILE} ledger={LEDGER} />, address);
  return calls;
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

test("several files are added to a slot at once, and the same one again", async () => {
  const calls = shown();
  const input = await screen.findByLabelText<HTMLInputElement>("Choose a file for Safeguarding training");
  expect(input.multiple).toBe(true);
  const choose = (...names: string[]) => {
    const files = names.map((name) => new File(["x"], name));
    Object.defineProperty(input, "files", { value: files, configurable: true });
    fireEvent.change(input);
  };
  const taken = () => calls.filter((c) => c.path === "/api/arrivals/sent").map((c) => c.body);
  choose("front.pdf", "back.pdf");
  await waitFor(() => expect(taken()).toHaveLength(2));
  expect(taken()).toContainEqual({ upload: "upload of back.pdf", fileId: "f1", type: "t" });
  expect(input.value).toBe("");
  choose("front.pdf");
  await waitFor(() => expect(taken()).toHaveLength(3));
});

test("while words are searched for, it says that it is narrowed and keeps what is still open", async () => {
  shown(OTTILIE, "/files/f1?view=whole&words=course");
  await screen.findByText(/Only papers with the searched words, and slots that are still open/);
  screen.getByText("First aid certificate");
  screen.getByText("Safeguarding training");
  screen.getByText("Contract");
  expect(screen.queryByText("Letter about the winter rota")).toBeNull();
});
