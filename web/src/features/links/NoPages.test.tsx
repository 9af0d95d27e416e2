import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { PRACTICE, serve, show } from "../../testing/screen";
import { PlaceholderModal } from "../documents/placeholders/PlaceholderModal";
import { NoPages } from "./NoPages";

afterEach(cleanup);

test("an original that is moved is told at its new place", async () => {
  const calls = serve({ "POST /api/documents/p1/place": {} });
  show(<NoPages paperId="p1" placeholder={{ awaited: false, words: "Office, cabinet 3" }} mayChange />);
  await screen.findByText("Office, cabinet 3");
  fireEvent.click(screen.getByRole("button", { name: "It lies elsewhere now" }));
  fireEvent.change(screen.getByLabelText("Where it lies"), { target: { value: "Archive, box 12" } });
  fireEvent.click(screen.getByRole("button", { name: "Note it" }));
  await waitFor(() => expect(calls[0]?.body).toEqual({ place: "Archive, box 12" }));
});

test("who may only look sees where it lies and no more", async () => {
  serve({});
  show(<NoPages paperId="p1" placeholder={{ awaited: true, words: "" }} mayChange={false} />);
  await screen.findByText("Not here yet");
  expect(screen.queryAllByRole("button")).toHaveLength(0);
});

test("an original on paper is noted with its type and place", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/document-types": [
      {
        code: "lease",
        label: "Lease",
        section: "s",
        sectionLabel: "S",
        signers: [],
        needsReview: false,
        synonyms: [],
        fields: [],
      },
    ],
    "POST /api/placeholders": { id: "d1" },
  });
  let closed = false;
  show(
    <PlaceholderModal
      fileId="f1"
      awaited={false}
      onClose={() => {
        closed = true;
      }}
    />,
  );
  const note = await screen.findByRole("button", { name: "Note it" });
  expect(note).toHaveProperty("disabled", true);
  fireEvent.mouseDown(screen.getByLabelText("Type"));
  fireEvent.click(await screen.findByText("Lease"));
  fireEvent.change(screen.getByLabelText("Where it lies"), { target: { value: "Office" } });
  await waitFor(() => expect(note).toHaveProperty("disabled", false));
  fireEvent.click(note);
  await waitFor(() => expect(closed).toBe(true));
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
    awaited: false,
    words: "Office",
    details: { fileId: "f1", type: "lease", documentDate: "2026-11-25" },
  });
});
