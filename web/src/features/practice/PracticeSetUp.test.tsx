import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { PracticeSetUp } from "./PracticeSetUp";

afterEach(cleanup);

const OWN = { sessionIdleMinutes: 480, sessionMostHours: 24, secondFactor: [], ownFile: ["SEE" as const] };

test("how days are meant is saved wholly, and a refusal keeps what was chosen", async () => {
  let refuses = true;
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/set-up/practice": OWN,
    "PUT /api/set-up/practice/days": () =>
      refuses ? new Refusal(403, { detail: "Only an administrator may do this." }) : {},
  });
  show(<PracticeSetUp />);
  const save = await screen.findByRole<HTMLButtonElement>("button", { name: "Save days and times" });
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

test("the look is shown as it is typed, and what is wrong stands at its field", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/set-up/practice": { ...OWN, replyTo: "desk@oakhollin.example" },
    "PUT /api/set-up/practice/look": new Refusal(422, {
      detail: "Not saved.",
      problems: [{ field: "mailFrom", message: "This is no mail address." }],
    }),
  });
  show(<PracticeSetUp />);
  fireEvent.change(await screen.findByLabelText("Name"), { target: { value: "Oakhollin Yard" } });
  within(screen.getByLabelText("How the portal looks")).getByText("Oakhollin Yard");
  fireEvent.change(screen.getByLabelText("Mails come from"), { target: { value: "office" } });
  fireEvent.click(screen.getByRole("button", { name: "Save name and look" }));
  await screen.findByText("This is no mail address.");
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    name: "Oakhollin Yard",
    address: "3 Fen Lane, Oakhollin",
    colour: "#3b4f63",
    languages: ["en"],
    mailFrom: "office",
    replyTo: "desk@oakhollin.example",
  });
  expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("Oakhollin Yard");
});

test("how long one stays signed in is saved by itself", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/set-up/practice": OWN,
    "PUT /api/set-up/practice/sessions": {},
  });
  show(<PracticeSetUp />);
  const idle = await screen.findByLabelText("Signed out after minutes without use");
  fireEvent.change(idle, { target: { value: "30" } });
  fireEvent.click(screen.getByLabelText("administrators"));
  fireEvent.click(screen.getByRole("button", { name: "Save signing in" }));
  await screen.findByText("Saved.");
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    idleMinutes: 30,
    mostHours: 24,
    secondFactor: ["ADMINISTRATOR"],
  });
});
