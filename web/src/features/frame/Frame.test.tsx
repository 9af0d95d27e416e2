import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, serve, show } from "../../testing/screen";
import { Frame } from "./Frame";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

function frame(mayChange: boolean) {
  const calls = serve({
    "GET /api/session": { ...OTTILIE, name: "Dilan Achterberg", role: "COLLEAGUE", mayChange },
    "GET /api/desks": ["Front desk", "Office desk"],
    "GET /api/arrivals": [],
    "GET /api/waiting-counts": { arrivals: 7, handedOver: 1 },
    "GET /api/notices": [],
    "GET /api/my-sessions": [
      { since: "2026-11-24T08:00:00Z", lastUsed: "2026-11-24T09:00:00Z", isThis: true },
      { since: "2026-11-20T08:00:00Z", lastUsed: "2026-11-23T09:00:00Z", isThis: false },
    ],
    "DELETE /api/my-sessions/others": {},
    "GET /api/hand-overs/mine": [
      {
        documentId: "d1",
        fileId: "f1",
        paper: "Referral letter, 2026-11-24, Penhallow E",
        from: "Ottilie Brandmoor",
        note: "Please call the surgery",
        since: "2026-11-24T09:00:00Z",
      },
    ],
  });
  show(<Frame>the view</Frame>);
  return calls;
}

const menu = async () => fireEvent.click(await screen.findByLabelText("My account, Dilan Achterberg"));

test("whoever works at a desk says at which one the computer is, and it is kept with the browser", async () => {
  frame(true);
  await menu();
  fireEvent.click(await screen.findByText("Front desk"));
  await waitFor(() => expect(localStorage.getItem("denfold.desk")).toBe("Front desk"));
  await menu();
  const chosen = (await screen.findAllByLabelText("chosen"))[0]?.closest("li");
  expect(chosen?.textContent).toContain("Front desk");
});

test("who may only look is at no desk", async () => {
  frame(false);
  await menu();
  await screen.findByText("Sign out");
  expect(screen.queryByText("Front desk")).toBeNull();
});

test("the bell tells what colleagues handed over, and leads to it", async () => {
  frame(true);
  await screen.findByText("7", { selector: ".rail-count span" });
  fireEvent.click(await screen.findByLabelText("Notices: 1 handed to me"));
  const link = await screen.findByText("Referral letter, 2026-11-24, Penhallow E");
  expect(link.getAttribute("href")).toBe("/files/f1?view=read&paper=d1");
  screen.getByText("Please call the surgery");
});

test("one sees where one is signed in, and signs out everywhere else", async () => {
  const calls = frame(true);
  await menu();
  fireEvent.click(await screen.findByText("Where I am signed in"));
  await screen.findByText("Another browser");
  fireEvent.click(screen.getByText("Sign out everywhere else"));
  await screen.findByText("You are signed in only here now.");
  expect(calls.some((c) => c.method === "DELETE" && c.path === "/api/my-sessions/others")).toBe(true);
});
