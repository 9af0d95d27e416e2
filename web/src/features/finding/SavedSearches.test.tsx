import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { SavedSearches, SaveSearch, StandingSearches } from "./SavedSearches";

afterEach(cleanup);

const SAVED = [
  { id: "s1", name: "Clearances to review", own: true, shared: false, criteria: { states: ["IN_REVIEW"] } },
  { id: "s2", name: "Unread faxes", own: false, shared: true, criteria: { unreadable: true } },
] as const;

test("a search is kept under a name, for all and in its place", async () => {
  const calls = serve({ "POST /api/saved-searches": { ...SAVED[0], name: "Faxes" } });
  show(<SaveSearch criteria={{ words: "fax" }} />);
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  expect(await screen.findByRole("button", { name: "Save search" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("What it is called"), { target: { value: "Faxes" } });
  fireEvent.click(screen.getByLabelText(/For all colleagues/));
  fireEvent.click(screen.getByLabelText("in Today"));
  fireEvent.click(screen.getByRole("button", { name: "Save search" }));
  await screen.findByText("Saved as “Faxes”.");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    name: "Faxes",
    criteria: { words: "fax" },
    shared: true,
    place: "TODAY",
  });
});

test("a refused name is told and stays typed", async () => {
  serve({ "POST /api/saved-searches": new Refusal(409, { detail: "A colleague shares one of this name." }) });
  show(<SaveSearch criteria={{ words: "fax" }} />);
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  fireEvent.change(await screen.findByLabelText("What it is called"), { target: { value: "Faxes" } });
  fireEvent.click(screen.getByRole("button", { name: "Save search" }));
  await screen.findByText("A colleague shares one of this name.");
  expect(screen.getByLabelText("What it is called")).toHaveProperty("value", "Faxes");
});

test("own searches can be removed, shared ones only taken", async () => {
  const calls = serve({ "GET /api/saved-searches": SAVED, "DELETE /api/saved-searches/s1": {} });
  const take = vi.fn();
  show(<SavedSearches onTake={take} />);
  fireEvent.click(await screen.findByRole("button", { name: "Saved 2" }));
  fireEvent.click(await screen.findByText("Unread faxes"));
  expect(take).toHaveBeenCalledWith({ unreadable: true });
  fireEvent.click(screen.getByRole("button", { name: "Saved 2" }));
  expect(screen.queryByLabelText("Remove the search Unread faxes")).toBeNull();
  fireEvent.click(await screen.findByLabelText("Remove the search Clearances to review"));
  await waitFor(() => expect(calls.some((c) => c.method === "DELETE")).toBe(true));
  expect(take).toHaveBeenCalledTimes(1);
});

test("searches that stand in a place lead to what they find, with how much it is", async () => {
  serve({
    "GET /api/saved-searches": SAVED,
    "GET /api/saved-searches/counts": [{ id: "s1", name: "Clearances to review", papers: 5 }],
  });
  show(<StandingSearches place="TODAY" />);
  const link = (await screen.findByText(/Clearances to review/)).closest("a") as HTMLAnchorElement;
  expect(link.textContent).toBe("Clearances to review 5");
  await waitFor(() => expect(decodeURIComponent(link.href)).toContain('"IN_REVIEW"'));
});
