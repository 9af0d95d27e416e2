import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { CommentsSection } from "./CommentsSection";

afterEach(cleanup);

const SAID = {
  id: "c1",
  by: "Bram Ostervelt",
  at: "2026-11-25T10:00:00Z",
  words: "Right year?",
  mayRemove: false,
};
const COLLEAGUES = [{ id: "z", name: "Zuri Mbeya-Holt" }];

test("what is said names whom it mentions, and reading notes that it was seen", async () => {
  const calls = serve({
    "GET /api/documents/p1/comments": [SAID],
    "GET /api/colleagues": COLLEAGUES,
    "POST /api/documents/p1/comments/seen": {},
    "POST /api/documents/p1/comments": [SAID],
  });
  show(<CommentsSection paperId="p1" maySay />);
  await screen.findByText("Right year?");
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/seen"))).toBe(true));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/colleagues")).toBe(true));
  fireEvent.change(screen.getByLabelText("Comment"), { target: { value: "It is, @Zuri Mbeya-Holt " } });
  fireEvent.click(await screen.findByRole("button", { name: "Say it" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST" && c.path.endsWith("/comments"))?.body).toEqual({
      words: "It is, @Zuri Mbeya-Holt ",
      mentioned: ["z"],
    }),
  );
});

test("what is refused is told and the words stay", async () => {
  serve({
    "GET /api/documents/p1/comments": [],
    "GET /api/colleagues": COLLEAGUES,
    "POST /api/documents/p1/comments": new Refusal(422, {
      detail: "Zuri Mbeya-Holt may not see this paper.",
    }),
  });
  show(<CommentsSection paperId="p1" maySay />);
  fireEvent.change(await screen.findByLabelText("Comment"), { target: { value: "Look, @Zuri Mbeya-Holt" } });
  fireEvent.click(await screen.findByRole("button", { name: "Say it" }));
  await screen.findByText("Zuri Mbeya-Holt may not see this paper.");
  expect(screen.getByLabelText("Comment")).toHaveProperty("value", "Look, @Zuri Mbeya-Holt");
});
