import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { Refusal, serve, show } from "../../testing/screen";
import { HandOverSection } from "./HandOverSection";

afterEach(cleanup);

const PAPER = { id: "p1", name: "Letter", enteredInErrorOn: null } as unknown as Shape<"DocumentAnswer">;
const GIVEN = {
  act: "HANDED_OVER",
  by: "Ottilie Brandmoor",
  to: "Bram Ostervelt",
  note: "Please answer.",
  at: "2026-11-25T10:00:00Z",
};
const open = (mine: boolean) => ({
  id: "h1",
  open: true,
  holder: "Bram Ostervelt",
  mine,
  mayAct: mine,
  due: "2026-11-27",
  steps: [GIVEN],
});

test("whoever has the paper sees its way and returns it with a note", async () => {
  const calls = serve({
    "GET /api/documents/p1/hand-overs": [open(true)],
    "POST /api/hand-overs/h1/return": { ...open(false), holder: "Ottilie Brandmoor" },
  });
  show(<HandOverSection paper={PAPER} mayChange />);
  await screen.findByText(/Lies with you/);
  expect(screen.getByText("Please answer.")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Hand over" })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Return" }));
  fireEvent.change(await screen.findByLabelText("Note"), { target: { value: " Which one? " } });
  fireEvent.click(screen.getByRole("button", { name: "Return it" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")).toEqual({
      method: "POST",
      path: "/api/hand-overs/h1/return",
      body: { note: "Which one?" },
    }),
  );
});

test("others only look, and what is refused is said", async () => {
  serve({ "GET /api/documents/p1/hand-overs": [open(false)] });
  show(<HandOverSection paper={PAPER} mayChange />);
  await screen.findByText(/Lies with Bram Ostervelt/);
  expect(screen.queryByRole("button", { name: "Finish" })).toBeNull();
  cleanup();
  serve({
    "GET /api/documents/p1/hand-overs": [],
    "GET /api/colleagues": [{ id: "c1", name: "Zuri Mbeya-Holt", title: "Therapy" }],
    "POST /api/documents/p1/hand-overs": new Refusal(422, {
      detail: "Zuri Mbeya-Holt may not see this paper.",
    }),
  });
  show(<HandOverSection paper={PAPER} mayChange />);
  fireEvent.click(await screen.findByRole("button", { name: "Hand over" }));
  const send = await screen.findByRole("button", { name: "Hand this paper over" });
  expect(send).toHaveProperty("disabled", true);
  fireEvent.mouseDown(screen.getByLabelText("To whom"));
  fireEvent.click(await screen.findByText("Zuri Mbeya-Holt · Therapy"));
  fireEvent.click(send);
  await screen.findByText("Zuri Mbeya-Holt may not see this paper.");
});
