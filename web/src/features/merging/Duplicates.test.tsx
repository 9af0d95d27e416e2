import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { DuplicatesPage } from "./DuplicatesPage";
import { SamePersonNotes } from "./SamePersonNotes";

afterEach(cleanup);

const LIESEL = { id: "f1", name: "Liesel Abrantes", number: "C-0066", birthDate: "1960-04-12" };
const AGAIN = { id: "f2", name: "L Abrantes", number: "C-0097", birthDate: "1960-04-12", team: "Stables" };
const PAIR = {
  one: LIESEL,
  other: AGAIN,
  likelihood: 91,
  reasons: ["the same family name", "the same birth date"],
};
const MERGE = {
  id: "m1",
  number: "C-0097",
  name: "L Abrantes",
  by: "Ottilie Brandmoor",
  at: "2026-11-25T08:00:00Z",
  undoableUntil: "2026-11-26T08:00:00Z",
};

function serveLike(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/duplicates": [PAIR],
    "GET /api/files/f1/duplicates": [PAIR],
    "GET /api/files/f1/merges": [],
    ...more,
  });
}

test("a pair tells what speaks for one person, and is compared or told apart", async () => {
  const calls = serveLike({
    "PUT /api/files/f1/not-same/f2": {},
    "DELETE /api/files/f1/not-same/f2": {},
  });
  show(<DuplicatesPage />);
  await screen.findByText("the same family name, the same birth date");
  screen.getByText("91 %");
  const compare = (await screen.findByRole("button", { name: "Compare" })).closest("a");
  expect(compare?.getAttribute("href")).toBe("/files/merge?kept=f1&gone=f2");
  fireEvent.click(screen.getByRole("button", { name: "Two persons" }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() =>
    expect(calls.filter((c) => c.method !== "GET").map((c) => c.method)).toEqual(["PUT", "DELETE"]),
  );
});

test("no pair is told as such", async () => {
  serveLike({ "GET /api/duplicates": [] });
  show(<DuplicatesPage />);
  await screen.findByText("No two files look like one person");
});

test("a file tells who may be the same person, and what was merged into it", async () => {
  const calls = serveLike({
    "GET /api/files/f1/merges": [MERGE],
    "POST /api/merges/m1/undo": new Refusal(409, { detail: "A day has gone by; the merge stays." }),
  });
  show(<SamePersonNotes fileId="f1" />);
  await screen.findByText(/May be the same person as/);
  await screen.findByText(/was merged into this file by Ottilie Brandmoor/);
  fireEvent.click(await screen.findByRole("button", { name: "Take the merge back" }));
  await screen.findByText("A day has gone by; the merge stays.");
  expect(calls.some((c) => c.path === "/api/merges/m1/undo")).toBe(true);
});

test("who is no administrator neither merges nor takes back; who may not change sees nothing of it", async () => {
  serveLike({
    "GET /api/session": { ...OTTILIE, role: "COLLEAGUE" },
    "GET /api/files/f1/merges": [MERGE],
  });
  const { unmount } = show(<SamePersonNotes fileId="f1" />);
  await screen.findByText(/May be the same person as/);
  expect(screen.queryByRole("button", { name: "Compare" })).toBeNull();
  expect(screen.queryByRole("button", { name: "Take the merge back" })).toBeNull();
  screen.getByRole("button", { name: "Two persons" });
  unmount();
  const calls = serveLike({ "GET /api/session": { ...OTTILIE, mayChange: false } });
  show(<SamePersonNotes fileId="f1" />);
  await waitFor(() => expect(calls.length).toBeGreaterThan(0));
  expect(screen.queryByText(/May be the same person as/)).toBeNull();
});
