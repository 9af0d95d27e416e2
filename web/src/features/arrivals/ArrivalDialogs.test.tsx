import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import type { Arrival } from "./arrivalQueries";
import { CoverSheetModal } from "./CoverSheetModal";
import { LinkModal } from "./LinkModal";
import { SetAsideSheet } from "./SetAsideSheet";

afterEach(cleanup);

const LOCKED = {
  id: "a1",
  reason: "It is locked with a password.",
  mediaType: "application/pdf",
  receivedAt: "2026-11-25T08:00:00Z",
  broughtBy: "Ottilie Brandmoor",
  pages: [],
} as unknown as Arrival;

test("a link is brought in for its file, without a label if none is given", async () => {
  const calls = serve({ "POST /api/arrivals/links": { id: "a9" } });
  const [added, closed] = [vi.fn(), vi.fn()];
  show(<LinkModal fileId="f1" onAdded={added} onClose={closed} />);
  expect(screen.getByRole("button", { name: "Bring in the link" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Address"), { target: { value: "https://papers.example/77" } });
  fireEvent.click(screen.getByRole("button", { name: "Bring in the link" }));
  await waitFor(() => expect(added).toHaveBeenCalledWith("a9"));
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    address: "https://papers.example/77",
    fileId: "f1",
  });
  expect(closed).toHaveBeenCalled();
});

test("an address that is none is told at its field and stays typed", async () => {
  serve({
    "POST /api/arrivals/links": new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "address", message: "An address begins with https://" }],
    }),
  });
  const closed = vi.fn();
  show(<LinkModal onAdded={() => {}} onClose={closed} />);
  fireEvent.change(screen.getByLabelText("Address"), { target: { value: "papers" } });
  fireEvent.click(screen.getByRole("button", { name: "Bring in the link" }));
  await screen.findByText("An address begins with https://");
  expect(screen.getByLabelText("Address")).toHaveProperty("value", "papers");
  expect(closed).not.toHaveBeenCalled();
});

test("a cover sheet is made for each chosen type, with the person they are for", async () => {
  serve({
    "GET /api/document-types": [
      { code: "contract", label: "Contract", synonyms: [], fields: [] },
      { code: "tetanus", label: "Tetanus proof", synonyms: [], fields: [] },
    ],
  });
  show(<CoverSheetModal person={{ id: "f1", name: "Tamsin Korhola" }} open onClose={() => {}} />);
  await screen.findByText("Cover sheets for Tamsin Korhola");
  expect((await screen.findByText("Make the sheet")).closest("a")?.getAttribute("href")).toBe(
    "/api/cover-sheets?fileId=f1",
  );
  fireEvent.mouseDown(screen.getByLabelText(/Types, one sheet each/));
  for (const label of ["Contract", "Tetanus proof"]) {
    fireEvent.click((await screen.findAllByText(label)).at(-1) as HTMLElement);
  }
  expect((await screen.findByText("Make 2 sheets")).closest("a")?.getAttribute("href")).toBe(
    "/api/cover-sheets?type=contract&type=tetanus&fileId=f1",
  );
});

test("a locked paper is opened with its password, a wrong one is told", async () => {
  const calls = serve({
    "POST /api/arrivals/a1/unlock": ({ body }: { body: unknown }) =>
      (body as { password: string }).password === "hay"
        ? {}
        : new Refusal(422, { detail: "This is not its password." }),
  });
  show(<SetAsideSheet arrival={LOCKED} onGone={() => {}} />);
  const password = screen.getByLabelText("Password of the paper");
  fireEvent.change(password, { target: { value: "straw" } });
  fireEvent.click(screen.getByRole("button", { name: "Unlock" }));
  await screen.findByText("This is not its password.");
  fireEvent.change(password, { target: { value: "hay" } });
  fireEvent.click(screen.getByRole("button", { name: "Unlock" }));
  await waitFor(() => expect(calls.filter((c) => c.method === "POST")).toHaveLength(2));
  await waitFor(() => expect(screen.queryByText("This is not its password.")).toBeNull());
});

test("what could not be read can be taken up again; what has no page cannot", async () => {
  const calls = serve({ "POST /api/arrivals/a1/take-up": {} });
  const { unmount } = show(<SetAsideSheet arrival={LOCKED} onGone={() => {}} />);
  expect(screen.queryByRole("button", { name: "Take it up again" })).toBeNull();
  unmount();
  const broken = { ...LOCKED, reason: "It could not be read to its end.", pages: [{}] } as Arrival;
  show(<SetAsideSheet arrival={broken} onGone={() => {}} />);
  expect(screen.queryByLabelText("Password of the paper")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Take it up again" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/arrivals/a1/take-up")).toBe(true));
});

test("discarding asks for a reason, and one that is refused keeps the paper shown", async () => {
  let refuses = true;
  serve({
    "POST /api/arrivals/a1/discard": () =>
      refuses ? new Refusal(409, { detail: "Bram Ostervelt took it up meanwhile." }) : {},
  });
  const gone = vi.fn();
  show(<SetAsideSheet arrival={LOCKED} onGone={gone} />);
  fireEvent.click(screen.getByRole("button", { name: "Discard" }));
  fireEvent.change(await screen.findByLabelText("Reason"), { target: { value: "advertising" } });
  const discard = () =>
    fireEvent.click(screen.getAllByRole("button", { name: "Discard" }).at(-1) as HTMLElement);
  discard();
  await screen.findByText("Bram Ostervelt took it up meanwhile.");
  expect(gone).not.toHaveBeenCalled();
  refuses = false;
  discard();
  await waitFor(() => expect(gone).toHaveBeenCalled());
});
