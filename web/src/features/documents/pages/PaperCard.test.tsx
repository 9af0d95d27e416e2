import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import type { ComponentProps } from "react";
import { afterEach, expect, test, vi } from "vitest";
import { EDIE, paper, version } from "../../../testing/papers";
import { OTTILIE, PRACTICE, serve, show } from "../../../testing/screen";
import { PaperCard } from "./PaperCard";

afterEach(cleanup);

type Props = ComponentProps<typeof PaperCard>;

function card(of: Props["paper"], more: Partial<Props> = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/documents/d1/comments": [],
    "GET /api/documents/d1/hand-overs": [],
    "GET /api/documents/d1/desk-signings/open": {},
    "GET /api/colleagues": [],
    "POST /api/documents/d1/accept": {},
    "POST /api/documents/d1/send-back": {},
    "POST /api/documents/d1/versions/1/restore": {},
  });
  show(<PaperCard paper={of} file={EDIE} version={1} onVersion={() => {}} onCompare={() => {}} {...more} />);
  return calls;
}

test("a paper in review says with whom it waits, and is accepted there", async () => {
  const calls = card(paper({ needsReview: true, reviewers: ["Hester Quillam"] }));
  await screen.findByText("Waits for review with Hester Quillam. It counts once it is accepted.");
  fireEvent.click(await screen.findByRole("button", { name: "Accept" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/documents/d1/accept")).toBe(true));
});

test("sending back needs words", async () => {
  const calls = card(paper({ needsReview: true }));
  fireEvent.click(await screen.findByRole("button", { name: "Send back" }));
  fireEvent.change(await screen.findByLabelText("Reason"), { target: { value: "page 2 is missing" } });
  fireEvent.click(screen.getAllByRole("button", { name: "Send back" }).at(-1) as HTMLElement);
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/documents/d1/send-back")?.body).toEqual({
      version: 1,
      reason: "page 2 is missing",
    }),
  );
});

test("who may not review is offered neither", async () => {
  card(paper({ needsReview: true, mayReview: false, reviewers: ["Hester Quillam"] }));
  await screen.findByRole("button", { name: "Share" });
  expect(screen.queryByRole("button", { name: "Accept" })).toBeNull();
  expect(screen.queryByRole("button", { name: "Send back" })).toBeNull();
});

test("what is entered in error says why and offers nothing", async () => {
  card(paper({ enteredInErrorOn: "2026-11-21", errorReason: "belongs to her brother" }));
  await screen.findByText("Entered in error: belongs to her brother");
  expect(screen.queryByRole("button", { name: "Share" })).toBeNull();
});

test("an older version is laid beside, and made the newest again", async () => {
  const [shown, beside] = [vi.fn(), vi.fn()];
  const calls = card(paper({ versions: [version(1), version(2)] }), { onVersion: shown, onCompare: beside });
  fireEvent.click(await screen.findByRole("button", { name: "Version 2 beside this one" }));
  expect(beside).toHaveBeenCalledWith(2);
  fireEvent.click(await screen.findByRole("button", { name: "restore" }));
  await screen.findByText("Version 1 is the newest again.");
  expect(shown).toHaveBeenCalledWith(3);
  expect(calls.some((c) => c.path === "/api/documents/d1/versions/1/restore")).toBe(true);
});

test("an office file tells its pages only once it is laid out", async () => {
  const office = { mediaType: "application/rtf", pages: 1 };
  card(paper({ versions: [version(1, office), version(2, { ...office, laidOut: { pages: 4, size: 9 } })] }));
  await screen.findByText(/4 p\. · 12 kB/);
  expect(screen.queryByText(/1 p\./)).toBeNull();
});

test("a hold is told with whose it is", async () => {
  card(paper({ hold: { by: "Zuri Mbeya-Holt", since: "2026-11-25T08:00:00Z", own: false } }));
  await screen.findByText(/Zuri Mbeya-Holt works on this paper since/);
});
