import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { TodayPage } from "./TodayPage";

afterEach(cleanup);

const TODAY = {
  today: "2026-11-25",
  overdue: [
    {
      action: "chase",
      title: "Tamsin Korhola",
      fileId: "f1",
      slots: ["Safeguarding", "Contract", "Handbook", "Tetanus", "Identity"].map((label) => ({
        label,
        status: "lapsed",
        day: "2026-11-01",
      })),
      day: "2026-11-01",
    },
    {
      action: "chase",
      title: "Oswin Tarrafal",
      fileId: "f2",
      slots: [{ label: "Background check", status: "missing" }],
      day: "2024-10-26",
    },
  ],
  dueToday: [
    { action: "file", title: "6 papers wait in Arrivals", slots: [] },
    {
      action: "review",
      title: "Bao Trélissac",
      fileId: "f3",
      documentId: "d1",
      slots: [{ label: "Clearance", status: "in-review" }],
      day: "2026-11-24",
    },
    {
      action: "sign",
      title: "Kofi Adjare",
      fileId: "f4",
      slots: [{ label: "Livery agreement", status: "awaiting-signature" }],
    },
  ],
  thisWeek: [
    {
      action: "chase",
      title: "Anouk Ferrel",
      fileId: "f5",
      slots: [{ label: "Insurance", status: "expiring" }],
      day: "2026-11-30",
    },
  ],
  lastVisit: "2026-11-24T16:00:00Z",
  news: [
    {
      fileId: "f1",
      name: "Tamsin Korhola",
      who: "Bram Ostervelt",
      sentence: "filed “Contract”",
      at: "2026-11-25T08:00:00Z",
    },
  ],
};

function today(answer: object = TODAY, account: object = OTTILIE) {
  return serve({
    "GET /api/session": account,
    "GET /api/practice": PRACTICE,
    "GET /api/today": answer,
    "GET /api/board/forecast": [{ from: "2026-11-26", to: "2026-12-02", lapses: 3, due: 1 }],
    "POST /api/documents/d1/accept": {},
    "GET /api/files/f1/chase": {
      recipient: "t@post.example",
      subject: "S",
      body: "Dear Tamsin",
      addressees: [{ name: "Tamsin Korhola", email: "t@post.example", fits: true, body: "Dear Tamsin" }],
      wanted: ["Contract"],
    },
  });
}

test("what waits stands in its group, one line a person", async () => {
  today();
  show(<TodayPage />, "/today");
  const list = await screen.findByRole("region", { name: "What waits for me" });
  const titles = within(list)
    .getAllByRole("heading")
    .map((h) => h.textContent);
  expect(titles).toEqual(["Overdue 2", "Today 3", "This week 1"]);
  expect(within(list).getByText("24 days ago")).toBeTruthy();
  expect(within(list).getByText("since 26 Oct 2024")).toBeTruthy();
  expect(within(list).getByText("in 5 days")).toBeTruthy();
  expect(within(list).getByText("and 1 more")).toBeTruthy();
});

test("each line has its action in place", async () => {
  const calls = today();
  show(<TodayPage />, "/today");
  fireEvent.click(await screen.findByText("Accept"));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/documents/d1/accept")).toBe(true));
  fireEvent.click(screen.getByLabelText("Chase Tamsin Korhola"));
  expect(await screen.findByDisplayValue("Dear Tamsin")).toBeTruthy();
  expect(screen.getByText("File them")).toBeTruthy();
  expect(screen.getByText("Sign")).toBeTruthy();
});

test("the weeks ahead and what others did stand beside it", async () => {
  today();
  show(<TodayPage />, "/today");
  expect(await screen.findByText(/4 slots fall open within 4 weeks/)).toBeTruthy();
  expect(screen.getByText(/Bram Ostervelt filed “Contract”/)).toBeTruthy();
});

test("who may only look is offered no action", async () => {
  today(TODAY, { ...OTTILIE, mayChange: false });
  show(<TodayPage />, "/today");
  await screen.findByText("Oswin Tarrafal");
  expect(screen.queryByText("Accept")).toBeNull();
  expect(screen.queryByLabelText("Chase Oswin Tarrafal")).toBeNull();
});

test("nothing to do is said plainly", async () => {
  today({ ...TODAY, overdue: [], dueToday: [], thisWeek: [], news: [], lastVisit: undefined });
  show(<TodayPage />, "/today");
  expect(await screen.findByText("Nothing waits for you")).toBeTruthy();
  expect(screen.getByText("This is your first visit.")).toBeTruthy();
});

test("one task can be looked at by itself, and all again", async () => {
  today();
  show(<TodayPage />);
  const tasks = within(await screen.findByRole("toolbar", { name: "What to do" }));
  expect(tasks.getAllByRole("button").map((b) => b.textContent)).toEqual([
    "All 6",
    "To review 1",
    "To be signed 1",
    "Arrivals 1",
    "To chase 3",
  ]);
  fireEvent.click(tasks.getByRole("button", { name: "To review 1" }));
  expect(screen.getByText("Bao Trélissac")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Chase Tamsin Korhola" })).toBeNull();
  fireEvent.click(tasks.getByRole("button", { name: "All 6" }));
  screen.getByRole("button", { name: "Chase Tamsin Korhola" });
});
