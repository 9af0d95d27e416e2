import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Shape } from "../../../api/client";
import { OTTILIE, Refusal, serve, show } from "../../../testing/screen";
import { PagesModal } from "./PagesModal";

afterEach(cleanup);

const VERSION = {
  number: 1,
  cause: "as received",
  madeBy: "Ottilie Brandmoor",
  madeAt: "2026-11-20T10:00:00Z",
  sha256: "aa",
  size: 1,
  mediaType: "application/pdf",
  pages: 3,
  turns: [0, 90, 0],
};

const PAPER = {
  id: "d1",
  fileId: "f1",
  name: "Lease",
  signatures: [],
  versions: [VERSION],
} as unknown as Shape<"DocumentAnswer">;

const OTHER = {
  id: "d2",
  name: "Annex",
  pages: 2,
  version: 1,
  state: "FILED" as const,
};

const order = () =>
  within(screen.getByRole("list", { name: "Pages" }))
    .getAllByRole("img")
    .map((i) => i.getAttribute("alt")?.split(",")[0]);

test("pages move by key and by drag, are put in from another paper, and saved as one version", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/papers": [OTHER],
    "GET /api/arrivals": [],
    "POST /api/documents/d1/pages": { version: 2 },
  });
  const onClose = vi.fn();
  show(<PagesModal paper={PAPER} onClose={onClose} />);
  const save = screen.getByRole("button", { name: "Save as version 2" });
  expect(save).toHaveProperty("disabled", true);

  fireEvent.keyDown(document.body, { key: "]" });
  expect(order()).toEqual(["was page 2", "was page 1", "was page 3"]);
  fireEvent.keyDown(document.body, { key: "d" });
  expect(order()).toEqual(["was page 2", "was page 3"]);
  fireEvent.keyDown(document.body, { key: "z" });
  fireEvent.keyDown(document.body, { key: "z" });
  expect(order()).toEqual(["was page 1", "was page 2", "was page 3"]);

  const [first, , third] = screen.getAllByRole("listitem");
  const data = { dataTransfer: { effectAllowed: "" } };
  fireEvent.dragStart(third as HTMLElement, data);
  fireEvent.drop(first as HTMLElement, data);
  expect(order()).toEqual(["was page 3", "was page 1", "was page 2"]);

  fireEvent.click(screen.getByRole("button", { name: "Put pages in after it" }));
  fireEvent.mouseDown(await screen.findByRole("combobox", { name: "Which paper" }));
  fireEvent.click(await screen.findByTitle("Annex · 2 pages"));
  fireEvent.change(await screen.findByLabelText("Which pages"), { target: { value: "3" } });
  expect(await screen.findByText(/Write pages from 1 to 2/)).toBeTruthy();
  expect(screen.getByRole("button", { name: "Put in" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Which pages"), { target: { value: "" } });
  fireEvent.click(await screen.findByRole("checkbox", { name: /join them/ }));
  fireEvent.click(screen.getByRole("button", { name: "Put in" }));
  expect(await screen.findByText(/“Annex” goes to the wastebasket/)).toBeTruthy();

  fireEvent.click(screen.getByRole("button", { name: "Save as version 2" }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/documents/d1/pages")?.body).toEqual({
    version: 1,
    pages: [
      { page: 3, turn: 0 },
      { document: "d2", page: 1, turn: 0 },
      { document: "d2", page: 2, turn: 0 },
      { page: 1, turn: 0 },
      { page: 2, turn: 90 },
    ],
    emptied: ["d2"],
  });
});

test("what cannot be saved is said and nothing is lost", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "POST /api/documents/d1/pages": new Refusal(409, {
      code: "newer-version",
      detail: "A newer version of “Lease” has come in meanwhile.",
    }),
  });
  const onClose = vi.fn();
  show(<PagesModal paper={{ ...PAPER, acceptedOn: "2026-11-21" }} onClose={onClose} />);
  expect(screen.getByText(/what was decided stay with version 1/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Turn right (T)" }));
  fireEvent.click(screen.getByRole("button", { name: "Save as version 2" }));
  expect(await screen.findByText(/newer version of “Lease”/)).toBeTruthy();
  expect(onClose).not.toHaveBeenCalled();
  expect(screen.getByRole("button", { name: /Undo/ })).toHaveProperty("disabled", false);
});
