import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, serve, show } from "../../../testing/screen";
import { Wastebasket } from "./Wastebasket";

afterEach(cleanup);

const THROWN = ["a", "b"].map((id) => ({
  id,
  name: `Letter ${id}`,
  discardedBy: "Bram Ostervelt",
  discardedAt: "2026-11-24T10:00:00Z",
}));

function serveBasket(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/wastebasket": THROWN,
    "POST /api/documents/a/restore": {},
    "POST /api/documents/destroy": {},
    ...more,
  });
}

test("a paper is taken out again", async () => {
  const calls = serveBasket();
  show(<Wastebasket fileId="f1" mayChange />);
  fireEvent.click(await screen.findByText("Wastebasket 2"));
  fireEvent.click(await screen.findByRole("button", { name: "Take out Letter a" }));
  await screen.findByText("It is back in the file.");
  expect(calls.some((c) => c.path === "/api/documents/a/restore")).toBe(true);
});

test("destroying names the papers and asks for a reason", async () => {
  const calls = serveBasket();
  show(<Wastebasket fileId="f1" mayChange />);
  fireEvent.click(await screen.findByText("Wastebasket 2"));
  fireEvent.click(await screen.findByText("Destroy all 2…"));
  const dialog = within(
    (await screen.findByText("Destroy 2 papers for good")).closest<HTMLElement>(".ant-modal") as HTMLElement,
  );
  dialog.getByText("Letter a");
  dialog.getByText("Letter b");
  fireEvent.click(dialog.getByRole("button", { name: "Destroy" }));
  await dialog.findByText("A reason is needed.");
  expect(calls.some((c) => c.path === "/api/documents/destroy")).toBe(false);
  fireEvent.change(dialog.getByLabelText("Reason"), { target: { value: "kept for ten years" } });
  fireEvent.click(dialog.getByRole("button", { name: "Destroy" }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/documents/destroy")?.body).toEqual({
      documents: ["a", "b"],
      reason: "kept for ten years",
    }),
  );
});

test("who is no administrator can take papers out and destroy none", async () => {
  serveBasket({ "GET /api/session": { ...OTTILIE, role: "COLLEAGUE" } });
  show(<Wastebasket fileId="f1" mayChange />);
  fireEvent.click(await screen.findByText("Wastebasket 2"));
  await screen.findByRole("button", { name: "Take out Letter b" });
  expect(screen.queryByText(/Destroy/)).toBeNull();
});

test("an empty wastebasket is not spoken of", async () => {
  const calls = serveBasket({ "GET /api/files/f1/wastebasket": [] });
  show(<Wastebasket fileId="f1" mayChange />);
  await waitFor(() => expect(calls).not.toHaveLength(0));
  expect(screen.queryByText(/Wastebasket/)).toBeNull();
});
