import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { NumberPagesModal } from "./NumberPagesModal";
import { NumberSetsSection } from "./NumberSetsSection";

afterEach(cleanup);

const PLAN = {
  next: 124,
  first: 124,
  pages: 3,
  words: "OAK-000124 to OAK-000126",
  papers: [
    { documentId: "d1", paper: "Lease", pages: 2, first: "OAK-000124", last: "OAK-000125" },
    { documentId: "d2", paper: "Letter", pages: 1, first: "OAK-000126", last: "OAK-000126" },
  ],
};

const PAPERS = [
  { id: "d2", name: "Letter" },
  { id: "d1", name: "Lease" },
];

test("which page gets which number is shown, and just that is given", async () => {
  const onClose = vi.fn();
  const calls = serve({
    "GET /api/session": OTTILIE,
    "POST /api/number-sets/look": PLAN,
    "POST /api/number-sets": { id: "s1" },
  });
  show(<NumberPagesModal papers={PAPERS} onClose={onClose} />);
  fireEvent.click(screen.getByRole("button", { name: "Move Lease up" }));
  fireEvent.change(screen.getByLabelText("Before the number"), { target: { value: "OAK-" } });
  expect(await screen.findByText("OAK-000124 to OAK-000126, 3 pages")).toBeTruthy();
  expect(screen.getByText("OAK-000124 to OAK-000125")).toBeTruthy();
  const give = await screen.findByRole("button", { name: "Give OAK-000124 to OAK-000126" });
  await waitFor(() => expect(give).toHaveProperty("disabled", false));
  fireEvent.click(give);
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.method === "POST" && c.path === "/api/number-sets")?.body).toEqual({
    documents: ["d1", "d2"],
    prefix: "OAK-",
    digits: 6,
    first: 124,
    place: "BOTTOM_RIGHT",
    size: 9,
  });
});

test("who wishes for a number that was given already is told the next free one", async () => {
  let refuses = true;
  serve({
    "GET /api/session": OTTILIE,
    "POST /api/number-sets/look": () =>
      refuses
        ? new Refusal(409, { detail: "OAK-000001 was given already.", code: "given", next: 124 })
        : PLAN,
  });
  show(<NumberPagesModal papers={PAPERS} onClose={() => {}} />);
  fireEvent.change(screen.getByLabelText("First number"), { target: { value: "1" } });
  expect(await screen.findByText("OAK-000001 was given already.")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Give the numbers" })).toHaveProperty("disabled", true);
  refuses = false;
  fireEvent.click(screen.getByRole("button", { name: "Go on from there" }));
  expect(await screen.findByText("OAK-000124 to OAK-000126, 3 pages")).toBeTruthy();
});

test("sets are listed with what could not be numbered, and fetched once all copies are there", async () => {
  const papers = [
    { documentId: "d1", fileId: "f1", paper: "Lease", first: "OAK-000001", last: "OAK-000002", isMade: true },
    {
      documentId: "d2",
      fileId: "f2",
      paper: "Letter",
      first: "OAK-000003",
      last: "OAK-000003",
      isMade: true,
    },
  ];
  const set = {
    id: "s1",
    words: "OAK-000001 to OAK-000004",
    destroyed: 1,
    by: "Bram",
    at: "2026-11-25T10:00:00Z",
  };
  let sets = [{ ...set, papers }];
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/number-sets": () => sets,
    "POST /api/number-sets/s1/again": {},
  });
  show(<NumberSetsSection fileId="f1" />);
  expect((await screen.findByText("One PDF")).getAttribute("href")).toBe("/api/number-sets/s1/joined");
  expect(screen.getByText(/1 page belonged to papers that were destroyed/)).toBeTruthy();
  // a set may run over papers of several files
  expect(screen.getByText("Letter").getAttribute("href")).toContain("/files/f2?");
  cleanup();
  sets = [{ ...set, papers: papers.map((p) => ({ ...p, isMade: false, failure: "it is damaged" })) }];
  show(<NumberSetsSection fileId="f1" />);
  expect(await screen.findAllByText("it is damaged")).toHaveLength(2);
  expect(screen.queryByText("One PDF")).toBeNull();
  fireEvent.click(await screen.findByRole("button", { name: "Try again" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/number-sets/s1/again")).toBe(true));
});
