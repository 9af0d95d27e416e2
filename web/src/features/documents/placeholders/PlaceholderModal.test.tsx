import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { PlaceholderModal } from "./PlaceholderModal";

afterEach(cleanup);

const TYPES = [{ code: "vet", label: "Vet authorisation", synonyms: [], fields: [] }];

function serveNoting(answer: Refusal | { id: string } = { id: "d9" }) {
  return serve({
    "GET /api/practice": PRACTICE,
    "GET /api/document-types": TYPES,
    "POST /api/placeholders": answer,
  });
}

async function chooseType() {
  fireEvent.mouseDown(screen.getByLabelText("Type"));
  fireEvent.click(await screen.findByText("Vet authorisation"));
}

test("an awaited paper is noted as of today without any word", async () => {
  const calls = serveNoting();
  const closed = vi.fn();
  show(<PlaceholderModal fileId="f1" awaited onClose={closed} />);
  await chooseType();
  await waitFor(() => expect(screen.getByLabelText("Dated")).toHaveProperty("value", "25 Nov 2026"));
  fireEvent.click(screen.getByRole("button", { name: "Note it" }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
    awaited: true,
    details: { fileId: "f1", type: "vet", documentDate: "2026-11-25" },
  });
});

test("an original on paper is noted only with its place", async () => {
  const calls = serveNoting();
  show(<PlaceholderModal fileId="f1" awaited={false} onClose={() => {}} />);
  await chooseType();
  expect(screen.getByRole("button", { name: "Note it" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Where it lies"), { target: { value: "office, cabinet 3" } });
  fireEvent.click(screen.getByRole("button", { name: "Note it" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
      awaited: false,
      words: "office, cabinet 3",
    }),
  );
});

test("what is refused is told at the field", async () => {
  serveNoting(
    new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "words", message: "Say where the original lies." }],
    }),
  );
  show(<PlaceholderModal fileId="f1" awaited={false} onClose={() => {}} />);
  await chooseType();
  fireEvent.change(screen.getByLabelText("Where it lies"), { target: { value: "?" } });
  await waitFor(() =>
    expect(screen.getByRole("button", { name: "Note it" })).toHaveProperty("disabled", false),
  );
  fireEvent.click(screen.getByRole("button", { name: "Note it" }));
  await screen.findByText("Say where the original lies.");
});
