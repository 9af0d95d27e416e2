import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { DuplicatesPage } from "./DuplicatesPage";
import { MergePage } from "./MergePage";
import { SamePersonNotes } from "./SamePersonNotes";

afterEach(cleanup);

const PREVIEW = {
  kept: { id: "k", version: 3, number: "S-0007", name: "Edie Penhallow", along: ["4 papers"] },
  gone: { id: "g", version: 5, number: "S-0101", name: "Edith Penhallow", along: ["2 papers", "1 guest"] },
  rows: [
    { name: "givenName", label: "Given name", kept: "Edie", gone: "Edith" },
    { name: "familyName", label: "Family name", kept: "Penhallow", gone: "Penhallow" },
    { name: "email", label: "Mail address", kept: undefined, gone: "edith@post.example" },
  ],
  hindrances: [],
};

test("whose word holds is chosen only where the files differ, and what stands in the way is said", async () => {
  const calls = serve({
    "GET /api/merges/preview": PREVIEW,
    "POST /api/merges": new Refusal(409, { detail: "Somebody else changed one of the files meanwhile." }),
  });
  show(<MergePage />, "/files/merge?kept=k&gone=g");
  await screen.findByText("2 papers, 1 guest");
  expect(screen.getAllByRole("radio")).toHaveLength(2);
  fireEvent.click(screen.getByLabelText("Edith"));
  fireEvent.click(screen.getByRole("button", { name: "Merge into S-0007" }));
  await screen.findByText("Somebody else changed one of the files meanwhile.");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    kept: "k",
    keptVersion: 3,
    gone: "g",
    goneVersion: 5,
    fromGone: ["givenName"],
  });
});

test("what hinders a merge is told before, and nothing can be merged", async () => {
  serve({ "GET /api/merges/preview": { ...PREVIEW, hindrances: ["The section Health was confirmed."] } });
  show(<MergePage />, "/files/merge?kept=k&gone=g");
  await screen.findByText("The section Health was confirmed.");
  expect(screen.getByRole("button", { name: "Merge into S-0007" })).toHaveProperty("disabled", true);
});

const PAIR = {
  one: { id: "k", number: "S-0007", name: "Edie Penhallow", kind: "student" },
  other: { id: "g", number: "S-0101", name: "Edith Penhallow", kind: "student" },
  likelihood: 91,
  reasons: ["the same birth date"],
};

test("two persons told apart are not offered again, until that is undone", async () => {
  let apart = false;
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/duplicates": () => (apart ? [] : [PAIR]),
    "PUT /api/files/k/not-same/g": () => {
      apart = true;
    },
    "DELETE /api/files/k/not-same/g": () => {
      apart = false;
    },
  });
  show(<DuplicatesPage />);
  fireEvent.click(await screen.findByRole("button", { name: "Two persons" }));
  await screen.findByText("No two files look like one person");
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await screen.findByText("Edith Penhallow");
  expect(calls.filter((c) => c.path.includes("not-same")).map((c) => c.method)).toEqual(["PUT", "DELETE"]);
});

test("at the head of a file an administrator compares and takes back, a colleague only reads", async () => {
  const answers = {
    "GET /api/session": OTTILIE,
    "GET /api/files/k/duplicates": [PAIR],
    "GET /api/files/k/merges": [
      {
        id: "m",
        number: "S-0100",
        name: "E Penhallow",
        by: "Ottilie Brandmoor",
        at: "2026-11-25T10:00:00Z",
        undoableUntil: "2026-11-26T10:00:00Z",
      },
    ],
    "POST /api/merges/m/undo": { fileId: "x" },
  };
  const calls = serve(answers);
  show(<SamePersonNotes fileId="k" />);
  fireEvent.click(await screen.findByRole("button", { name: "Take the merge back" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/merges/m/undo")).toBe(true));
  cleanup();
  serve({ ...answers, "GET /api/session": { ...OTTILIE, role: "COLLEAGUE" } });
  show(<SamePersonNotes fileId="k" />);
  await screen.findByText(/was merged into this file/);
  expect(screen.queryByRole("button", { name: "Compare" })).toBeNull();
  expect(screen.queryByRole("button", { name: "Take the merge back" })).toBeNull();
});
