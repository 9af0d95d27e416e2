import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../../testing/screen";
import { NotInFile } from "./NotInFile";

afterEach(cleanup);

const BASKET = [
  { id: "d1", name: "Letter, 2026-11-20", discardedBy: "Hester Quill", discardedAt: "2026-11-24T09:00:00Z" },
];

test("a paper that was thrown away says by whom, and is put back", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/wastebasket": BASKET,
    "POST /api/documents/d1/restore": {},
  });
  show(<NotInFile id="d1" fileId="f1" />);
  await screen.findByText("“Letter, 2026-11-20” is in the wastebasket");
  screen.getByText(/Thrown away by Hester Quill/);
  fireEvent.click(await screen.findByRole("button", { name: "Put it back in the file" }));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/documents/d1/restore")).toBe(true));
});

test("one that is nowhere in the file says so", async () => {
  serve({ "GET /api/session": OTTILIE, "GET /api/files/f1/wastebasket": BASKET });
  show(<NotInFile id="d9" fileId="f1" />);
  await screen.findByText("This paper is not in this file");
});
