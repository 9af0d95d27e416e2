import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { PracticeSetUp } from "./PracticeSetUp";

afterEach(cleanup);

test("how days are meant is saved wholly, and a refusal keeps what was chosen", async () => {
  let refuses = true;
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "PUT /api/set-up/practice/days": () =>
      refuses ? new Refusal(403, { detail: "Only an administrator may do this." }) : {},
  });
  show(<PracticeSetUp />);
  const save = await screen.findByRole<HTMLButtonElement>("button", { name: "Save" });
  expect(save.disabled).toBe(true);
  fireEvent.click(screen.getByLabelText("4 March 2026"));
  fireEvent.mouseDown(screen.getByLabelText("Weeks begin on"));
  fireEvent.click(await screen.findByText("Sunday", { selector: ".ant-select-item-option-content" }));
  fireEvent.click(save);
  await screen.findByText("Only an administrator may do this.");
  refuses = false;
  fireEvent.click(save);
  await screen.findByText("Saved.");
  const sent = calls.filter((c) => c.method === "PUT");
  expect(sent).toHaveLength(2);
  expect(sent[1]?.body).toEqual({ zone: "Europe/Vienna", dayOrder: "MONTH_FIRST", weekStart: 7 });
  await waitFor(() => expect(screen.queryByText(/Not saved yet/)).toBeNull());
});
