import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../../testing/screen";
import { MyCalendars } from "./MyCalendars";

afterEach(cleanup);

test("an address is made, shown once, and ended", async () => {
  const calls = serve({
    "GET /api/calendars": [{ id: "c1", reach: "MINE", name: "All my people", at: "2026-12-01T08:00:00Z" }],
    "GET /api/board/teams": ["Stables"],
    "POST /api/calendars": { id: "c2", address: "https://yard.example/api/calendar-feeds/s/papers.ics" },
    "DELETE /api/calendars/c1": {},
  });
  show(<MyCalendars open onClose={() => {}} />);
  await screen.findByText(/not read yet/);
  fireEvent.mouseDown(screen.getByLabelText("Whose papers"));
  fireEvent.click(await screen.findByTitle("Stables"));
  fireEvent.click(screen.getByRole("button", { name: "Make an address" }));
  const address = await screen.findByLabelText<HTMLInputElement>("The address");
  expect(address.value).toContain("/papers.ics");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ reach: "TEAM", team: "Stables" });
  fireEvent.click(screen.getByRole("button", { name: "End All my people" }));
  await waitFor(() => expect(calls.some((c) => c.method === "DELETE")).toBe(true));
});
