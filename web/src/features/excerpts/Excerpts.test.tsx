import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, serve, show } from "../../testing/screen";
import { ExcerptsSection, quoted } from "./ExcerptsSection";
import { KeepExcerpt } from "./KeepExcerpt";

afterEach(cleanup);

const EXCERPT = {
  id: "e1",
  documentId: "d1",
  paper: "Letter, 2026-01-11, Korhola T",
  documentDate: "2026-01-11",
  version: 1,
  page: 2,
  words: "We confirm the booking.",
  by: "Ottilie Brandmoor",
  at: "2026-11-25T10:00:00Z",
  mayRemove: true,
};

test("without picked text the words of the page are there to be cut down", async () => {
  const calls = serve({
    "GET /api/documents/d1/versions/1/text": {
      isRead: true,
      pages: [
        { page: 1, text: "Dear all" },
        { page: 2, text: "We confirm the booking. Kind regards" },
      ],
    },
    "POST /api/documents/d1/excerpts": { id: "e1" },
  });
  show(<KeepExcerpt paperId="d1" version={1} page={2} />);
  fireEvent.click(screen.getByRole("button", { name: "Excerpt" }));
  const text = await screen.findByLabelText("Text");
  await waitFor(() => expect(text).toHaveProperty("value", "We confirm the booking. Kind regards"));
  fireEvent.change(text, { target: { value: "We confirm the booking." } });
  fireEvent.click(screen.getByRole("button", { name: "Keep it" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toEqual({
      version: 1,
      page: 2,
      words: "We confirm the booking.",
    }),
  );
});

test("an excerpt leads back to where it stands, and is quoted with its source", async () => {
  serve({ "GET /api/session": OTTILIE, "GET /api/files/f1/excerpts": [EXCERPT] });
  show(<ExcerptsSection fileId="f1" />);
  const link = (await screen.findByText(EXCERPT.paper)).closest("a");
  expect(link?.getAttribute("href")).toContain("paper=d1&words=%22We+confirm+the+booking%22");
  expect(quoted(EXCERPT)).toBe(
    "“We confirm the booking.” (Letter, 2026-01-11, Korhola T, dated 11 Jan 2026, page 2)",
  );
});
