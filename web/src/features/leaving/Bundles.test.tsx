import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { OTTILIE, serve, show } from "../../testing/screen";
import { BundlesSection } from "./BundlesSection";
import { CopyOutModal } from "./CopyOutModal";

afterEach(cleanup);

const PAPERS = [
  { id: "d1", name: "Lease" },
  { id: "d2", name: "Inspection" },
  { id: "d3", name: "Letter" },
];

const draft = (id: string, number: number) => ({
  id,
  number,
  documentId: id,
  paper: id,
  pages: 1,
  covered: 0,
  moved: 0,
  stillReadable: [],
  isOriginal: false,
});

test("several papers leave in the order that was set, without what was taken out, as one file", async () => {
  const fetched: string[] = [];
  HTMLAnchorElement.prototype.click = function click(this: HTMLAnchorElement) {
    fetched.push(this.getAttribute("href") ?? "");
  };
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/readers": [],
    "POST /api/copies-out": [draft("c2", 5), draft("c1", 6)],
    "POST /api/copies-out/give": {},
    "POST /api/bundles": { id: "b1" },
  });
  const onClose = vi.fn();
  show(<CopyOutModal fileId="f1" papers={PAPERS} onClose={onClose} />);
  fireEvent.click(screen.getByRole("button", { name: "Move Inspection up" }));
  fireEvent.click(screen.getByRole("button", { name: "Leave out Letter" }));
  fireEvent.change(screen.getByLabelText("Title"), { target: { value: "For the lawyer" } });
  fireEvent.click(screen.getByRole("button", { name: "Save as a bundle" }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/bundles")?.body).toEqual({
      name: "For the lawyer",
      documents: ["d2", "d1"],
    }),
  );
  fireEvent.change(screen.getByLabelText("Their name"), { target: { value: "A lawyer" } });
  fireEvent.click(screen.getByRole("button", { name: "Show what they will see" }));
  fireEvent.click(await screen.findByRole("button", { name: "Download for A lawyer" }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/copies-out")?.body).toMatchObject({ documents: ["d2", "d1"] });
  expect(fetched).toEqual(["/api/copies-out/joined?copies=c2%2Cc1&title=For+the+lawyer"]);
});

test("a bundle tells what changed since it was given, and is given again", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/readers": [],
    "GET /api/files/f1/bundles": [
      {
        id: "b1",
        name: "For the lawyer",
        papers: [
          { id: "d1", name: "Lease", isNewer: true },
          { id: "d2", name: "Inspection", isNewer: false },
        ],
        gone: 1,
        acrossFiles: true,
        by: "Ottilie Brandmoor",
        givenAt: "2026-11-25T10:00:00Z",
      },
    ],
  });
  show(<BundlesSection fileId="f1" />);
  expect(
    await screen.findByText(
      "2 papers · of several files · 1 no longer here · given 25 Nov 2026 · 1 changed since",
    ),
  ).toBeTruthy();
  expect(screen.getByText("Lease (newer) · Inspection")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Give again" }));
  expect(await screen.findByDisplayValue("For the lawyer")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Save as a bundle" })).toBeNull();
});

test("papers of several files leave too, and then for somebody else", async () => {
  HTMLAnchorElement.prototype.click = () => {};
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/usual-copies": [
      { kind: "OTHER", marks: false, foot: false },
      { kind: "PERSON", marks: false, foot: true },
    ],
    "POST /api/copies-out": [draft("c1", 5), draft("c2", 6)],
    "POST /api/copies-out/give": {},
  });
  const onClose = vi.fn();
  show(<CopyOutModal papers={PAPERS.slice(0, 2)} onClose={onClose} />);
  await waitFor(() => expect(calls.some((c) => c.path === "/api/usual-copies")).toBe(true));
  expect(screen.getByRole("button", { name: "Save as a bundle" })).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByRole("checkbox", { name: "then for another reader too" }));
  const give = async (reader: string) => {
    fireEvent.change(screen.getByLabelText("Their name"), { target: { value: reader } });
    fireEvent.click(screen.getByRole("button", { name: "Show what they will see" }));
    fireEvent.click(await screen.findByRole("button", { name: `Download for ${reader}` }));
  };
  await give("A lawyer");
  await waitFor(() => expect(screen.getByLabelText("Their name")).toHaveProperty("value", ""));
  expect(onClose).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole("checkbox", { name: "then for another reader too" }));
  await give("An authority");
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  const drafted = calls.filter((c) => c.path === "/api/copies-out");
  expect(drafted.map((c) => c.body)).toMatchObject([
    { reader: { kind: "OTHER", name: "A lawyer" }, foot: false },
    { reader: { kind: "OTHER", name: "An authority" } },
  ]);
  expect(calls.some((c) => c.path.includes("/readers"))).toBe(false);
});
