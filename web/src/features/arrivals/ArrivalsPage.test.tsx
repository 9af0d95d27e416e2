import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { type Arrival, ArrivalsPage } from "./ArrivalsPage";

afterEach(cleanup);

function arrival(id: string, part: Partial<Arrival> = {}): Arrival {
  return {
    id,
    version: 3,
    source: "PICKUP",
    broughtBy: "Office desk",
    fileName: `${id}.pdf`,
    receivedAt: `2026-11-25T0${id.length}:00:00Z`,
    state: "WAITING",
    pages: 2,
    size: 1000,
    mediaType: "application/pdf",
    ...part,
  };
}

const TYPES = [
  {
    code: "handbook",
    label: "Handbook receipt",
    section: "s",
    sectionLabel: "S",
    signers: [],
    needsReview: false,
    synonyms: [],
  },
];

const BASE = { "GET /api/practice": PRACTICE, "GET /api/session": OTTILIE, "GET /api/document-types": TYPES };

const LIST = [
  arrival("a"),
  arrival("bb", {
    source: "PORTAL",
    broughtBy: "Ruth Penhallow",
    fileId: "f1",
    personName: "Edie Penhallow",
    fileNumber: "P-0031",
    suggestedType: "handbook",
    note: "Asked for: Handbook receipt",
  }),
  arrival("ccc", { state: "SET_ASIDE", pages: 0, reason: "The PDF is locked with a password." }),
];

test("papers stand under their way in, with what is known of them", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  await screen.findByText("2 waiting");
  expect(screen.getByText("Pickup “Office desk”")).toBeTruthy();
  expect(screen.getByText("From guests")).toBeTruthy();
  expect(screen.getByText("Set aside", { selector: ".arrivals-group span" })).toBeTruthy();
  expect(screen.getByText(/50 MB at most/)).toBeTruthy();
});

test("J and K walk the list", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  await screen.findByText("2 waiting");
  const chosen = () => document.querySelector(".arrival-line[aria-current='true']")?.textContent ?? "";
  expect(chosen()).toContain("a.pdf");
  fireEvent.keyDown(window, { key: "j" });
  await waitFor(() => expect(chosen()).toContain("Handbook receipt"));
  fireEvent.keyDown(window, { key: "k" });
  await waitFor(() => expect(chosen()).toContain("a.pdf"));
});

test("filing without person, type and date asks for them and sends nothing", async () => {
  const calls = serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  fireEvent.click(await screen.findByRole("button", { name: /File and next/ }));
  await screen.findByText("Choose the person, the type and the date first.");
  expect(calls.every((c) => c.method === "GET")).toBe(true);
});

test("the sheet shows name and slot, before and after, and files what it showed", async () => {
  const calls = serve({
    ...BASE,
    "GET /api/arrivals": LIST,
    "POST /api/arrivals/bb/preview": {
      name: "Handbook receipt, 2026-11-20, Penhallow E",
      slots: [
        {
          label: "Handbook receipt",
          before: { status: "lapsed", coveredThrough: "2026-10-31", renewal: "none" },
          after: { status: "in-review", renewal: "none" },
          accepted: { status: "on-file", coveredThrough: "2028-11-30", renewal: "none" },
        },
      ],
    },
    "POST /api/arrivals/bb/filing": {
      documentId: "d",
      fileId: "f1",
      name: "Handbook receipt, 2026-11-20, Penhallow E",
    },
  });
  show(<ArrivalsPage />, "/arrivals?paper=bb");
  await screen.findByText("Asked for: Handbook receipt");
  const dated = screen.getByLabelText("Dated");
  fireEvent.mouseDown(dated);
  fireEvent.change(dated, { target: { value: "20 Nov 2026" } });
  fireEvent.keyDown(dated, { key: "Enter", code: "Enter" });
  await screen.findByText("Handbook receipt, 2026-11-20, Penhallow E");
  expect(screen.getByText(/lapsed, held to 31 Oct 2026/)).toBeTruthy();
  expect(screen.getByText(/on file to 30 Nov 2028/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /File and next/ }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/bb/filing")?.body).toEqual({
      version: 3,
      details: { fileId: "f1", type: "handbook", documentDate: "2026-11-20" },
    }),
  );
});

test("a paper that was set aside says why and can be discarded, not filed", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />, "/arrivals?paper=ccc");
  await screen.findByText("No page of this paper can be shown");
  expect(screen.getByRole("button", { name: "Discard" })).toBeTruthy();
  expect(screen.queryByRole("button", { name: /File and next/ })).toBeNull();
});

test("an empty desk tells the next step", async () => {
  serve({ ...BASE, "GET /api/arrivals": [] });
  show(<ArrivalsPage />);
  await screen.findByText("Nothing waits");
  expect(screen.getByText(/pickup folder/)).toBeTruthy();
});
