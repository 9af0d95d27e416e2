import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { LetterBatchPage } from "./LetterBatchPage";

afterEach(cleanup);

const letter = (id: string, more: object = {}) => ({
  id,
  fileId: `f-${id}`,
  person: `Person ${id}`,
  ready: true,
  missing: [],
  differs: false,
  ...more,
});

const BATCH = {
  id: "b1",
  model: "Letter to the guardians",
  version: 1,
  language: "en-GB",
  effectiveOn: "2026-12-01",
  by: "Ottilie Brandmoor",
  asks: [{ name: "ask.term", label: "First day", kind: "TEXT" as const, answer: "soon" }],
  letters: [
    letter("1", { ready: false, missing: ["the mail address"] }),
    letter("2", { differs: true }),
    letter("3", { documentId: "d3" }),
  ],
};

function batch(more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/letter-batches/b1": BATCH,
    ...more,
  });
  show(<LetterBatchPage />, "/letters/batches/b1", "/letters/batches/:id");
  return calls;
}

test("who lacks what is listed, and those that are ready are filed", async () => {
  const calls = batch({ "POST /api/letter-batches/b1/filing": { id: "j" } });
  expect(await screen.findByText("lacks: the mail address")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Complete it" }).getAttribute("href")).toBe("/letters/1");
  expect(screen.getByText("· differs from the model")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Read it" }).getAttribute("href")).toBe(
    "/files/f-3?view=read&paper=d3",
  );
  fireEvent.click(screen.getByRole("button", { name: "Print or send it" }));
  expect(await screen.findByText("Who is it for?")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Print for us" })).toBeTruthy();
  fireEvent.click(await screen.findByRole("button", { name: "File the one that is ready" }));
  expect(await screen.findByText(/They are being filed/)).toBeTruthy();
  expect(calls.some((c) => c.path.endsWith("/filing"))).toBe(true);
});

test("what is asked is answered for all, before any is filed", async () => {
  const calls = batch({ "PUT /api/letter-batches/b1/answers": {} });
  fireEvent.change(await screen.findByLabelText("First day"), { target: { value: "11 January" } });
  expect(screen.getByRole("button", { name: "File the one that is ready" })).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByRole("button", { name: "Use for all" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "PUT")?.body).toEqual({ answers: { "ask.term": "11 January" } }),
  );
});

test("why nothing is filed is said", async () => {
  batch({
    "POST /api/letter-batches/b1/filing": new Refusal(409, {
      detail: "None of these letters is ready to be filed.",
    }),
  });
  fireEvent.click(await screen.findByRole("button", { name: "File the one that is ready" }));
  expect(await screen.findByText("None of these letters is ready to be filed.")).toBeTruthy();
});
