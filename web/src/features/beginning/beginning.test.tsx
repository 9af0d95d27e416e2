import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { BeginPage } from "./BeginPage";
import { FirstSteps } from "./FirstSteps";
import { SetsSetUp } from "./SetsSetUp";

afterEach(cleanup);

const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

test("the practice is founded with the key of the address; a refused password keeps what was typed", async () => {
  let refuses = true;
  const calls = serve({
    "GET /api/beginning": { open: true },
    "POST /api/beginning": () =>
      refuses
        ? new Refusal(422, {
            detail: "Easy to guess.",
            problems: [{ field: "password", message: "This password is easy to guess." }],
          })
        : {},
    "POST /api/session": OTTILIE,
  });
  show(<BeginPage />, "/begin/k3y", "/begin/:key");
  await screen.findByLabelText("What is your practice called?");
  type("What is your practice called?", "Oakhollin Yard");
  type("Your name", "Ottilie Brandmoor");
  type("Your mail address", "ottilie@oakhollin.example");
  type("A password", "password123");
  fireEvent.click(screen.getByRole("button", { name: "Begin" }));
  await screen.findByText("This password is easy to guess.");
  refuses = false;
  type("A password", "four rivers and a bridge");
  fireEvent.click(screen.getByRole("button", { name: "Begin" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/session")).toBe(true));
  expect(calls.filter((c) => c.path === "/api/beginning").at(-1)?.body).toMatchObject({
    key: "k3y",
    practice: "Oakhollin Yard",
    name: "Ottilie Brandmoor",
    email: "ottilie@oakhollin.example",
  });
});

test("where there is a practice nothing is begun", async () => {
  serve({ "GET /api/beginning": { open: false } });
  show(<BeginPage />, "/begin/k3y", "/begin/:key");
  await screen.findByText(/There is a practice here already/);
  expect(screen.queryByRole("button", { name: "Begin" })).toBeNull();
});

test("sets are chosen and added; one that is there cannot be chosen", async () => {
  const calls = serve({
    "GET /api/set-up/sets": [
      {
        code: "clinic",
        label: "Clinic",
        words: "Patients.",
        kinds: ["Patients"],
        papers: ["Referral"],
        added: true,
      },
      {
        code: "club",
        label: "Club",
        words: "Members.",
        kinds: ["Members"],
        papers: ["Mandate"],
        added: false,
      },
    ],
    "POST /api/set-up/sets": {},
  });
  show(<SetsSetUp />);
  expect(await screen.findByRole("checkbox", { name: /Clinic/ })).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByRole("checkbox", { name: /Club/ }));
  fireEvent.click(screen.getByRole("button", { name: "Add what is chosen" }));
  await screen.findByText(/^Added/);
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ codes: ["club"] });
});

test("the first steps lead on while somebody is on them", () => {
  serve({});
  show(<FirstSteps />, "/set-up/people?first");
  expect(screen.getByRole("link", { name: "Next: your scanner" }).getAttribute("href")).toBe(
    "/set-up/pickups?first",
  );
  cleanup();
  show(<FirstSteps />, "/set-up/people");
  expect(screen.queryByRole("navigation", { name: "First steps" })).toBeNull();
});
