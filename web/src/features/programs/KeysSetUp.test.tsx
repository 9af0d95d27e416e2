import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../../testing/screen";
import { KeysSetUp } from "./KeysSetUp";

afterEach(cleanup);

const PAYROLL = {
  id: "k1",
  name: "Payroll",
  scopes: ["PEOPLE"],
  seesSensitive: false,
  until: "2027-01-31",
  ended: false,
  madeBy: "Ottilie Brandmoor",
  madeAt: "2026-11-20T09:00:00Z",
} as const;

test("a key is made for what is ticked, and shown once", async () => {
  const calls = serve({
    "GET /api/set-up/keys": [],
    "POST /api/set-up/keys": { key: "denfold_once" },
  });
  show(<KeysSetUp />);
  await screen.findByText("No program has a key.");
  fireEvent.click(screen.getByText("Make a key"));
  fireEvent.click(await screen.findByText("Make it"));
  await screen.findByText("A name is needed.");
  expect(calls.some((c) => c.method === "POST")).toBe(false);
  fireEvent.change(screen.getByLabelText("Program"), { target: { value: "Wall display" } });
  fireEvent.click(screen.getByLabelText("add arrivals"));
  fireEvent.click(screen.getByText("Make it"));
  await screen.findByText("denfold_once");
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
    name: "Wall display",
    scopes: ["COVERAGE", "ARRIVALS"],
    seesSensitive: false,
  });
  fireEvent.click(screen.getByText("I have kept it"));
  await waitFor(() => expect(screen.queryByText("denfold_once")).toBeNull());
});

test("a key is ended after a question", async () => {
  const calls = serve({ "GET /api/set-up/keys": [PAYROLL], "DELETE /api/set-up/keys/k1": {} });
  show(<KeysSetUp />);
  await screen.findByText("people in and out");
  screen.getByText("until 31 Jan 2027");
  fireEvent.click(screen.getByText("End…"));
  expect(calls.some((c) => c.method === "DELETE")).toBe(false);
  fireEvent.click(await screen.findByText("End it"));
  await screen.findByText("The key of Payroll lets nobody in any more.");
  expect(calls.some((c) => c.path === "/api/set-up/keys/k1")).toBe(true);
});
