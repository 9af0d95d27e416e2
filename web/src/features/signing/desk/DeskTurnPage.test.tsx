import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../../api/client";
import { OTTILIE, PRACTICE, serve, show } from "../../../testing/screen";
import { LockedDesk } from "./LockedDesk";

afterEach(cleanup);

const TURN: Shape<"TurnAnswer"> = {
  turnId: "t1",
  requestId: "r1",
  practice: "Oakhollin Riding & Therapy Yard",
  person: "Kenji Abelard",
  askedBy: "Ottilie Brandmoor",
  askedAt: "2026-11-24T09:00:00Z",
  state: "OPEN",
  task: "SIGN",
  role: "yard",
  name: "Bram Ostervelt",
  done: false,
  papers: [{ id: "d1", name: "Fees agreement", pages: 2, fields: [], shownPages: [1, 2], sealedCopy: false }],
  way: [],
  mayPassOn: true,
  questions: [],
  secret: "PASSWORD",
};

test("at the desk nothing is kept on the device, nothing is asked back, and a colleague gives the own password", async () => {
  localStorage.setItem("denfold.signature", JSON.stringify({ strokes: [[{ x: 0.1, y: 0.1 }]] }));
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session": { ...OTTILIE, lockedToTurn: "t1" },
    "GET /api/desk-turns/t1": TURN,
  });
  show(<LockedDesk signings={[]} turn="t1" />, "/files/f1");
  fireEvent.click(await screen.findByRole("button", { name: "Sign" }));
  expect(await screen.findByLabelText("The password of Bram Ostervelt")).toBeTruthy();
  expect(screen.queryByText("As last time")).toBeNull();
  expect(screen.queryByText(/keep it on/)).toBeNull();
  expect(screen.queryByText("Ask something first")).toBeNull();
  expect(screen.queryByText("Somebody else signs")).toBeNull();
  expect(screen.getByRole("button", { name: "Back to the practice" })).toBeTruthy();
  localStorage.clear();
});
