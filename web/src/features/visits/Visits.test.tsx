import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { NextVisit } from "./NextVisit";
import { VisitsSection } from "./VisitsSection";

afterEach(cleanup);

const VISITS = [10, 9, 8, 7, 6, 5].map((n) => ({
  id: `v${n}`,
  day: `2026-${String(n).padStart(2, "0")}-05`,
  words: "riding",
  by: "Ottilie Brandmoor",
  isNext: n === 10,
}));

function serveVisits(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/visits": VISITS,
    ...more,
  });
}

test("the last visits are listed, the rest on request, and the next is told", async () => {
  serveVisits();
  show(
    <>
      <NextVisit fileId="f1" />
      <VisitsSection fileId="f1" />
    </>,
  );
  expect((await screen.findByText(/next visit/)).textContent).toBe("next visit 5 Oct 2026");
  expect(screen.queryByText("5 May 2026")).toBeNull();
  fireEvent.click(screen.getByText("Show all 6"));
  screen.getByText("5 May 2026");
});

test("a visit is noted with its words, and what is refused stays typed", async () => {
  const calls = serveVisits({
    "POST /api/files/f1/visits": new Refusal(422, { detail: "A visit can be noted up to 2 years ahead." }),
  });
  show(<VisitsSection fileId="f1" />);
  const field = await screen.findByLabelText("Day of the visit");
  fireEvent.mouseDown(field);
  fireEvent.change(field, { target: { value: "2031-01-05" } });
  fireEvent.keyDown(field, { key: "Enter", keyCode: 13 });
  fireEvent.change(screen.getByLabelText("What the visit is for"), { target: { value: "fitting" } });
  fireEvent.click(screen.getByRole("button", { name: "Note it" }));
  await screen.findByText("A visit can be noted up to 2 years ahead.");
  expect(screen.getByLabelText("What the visit is for")).toHaveProperty("value", "fitting");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({ day: "2031-01-05", words: "fitting" });
});

test("a removed visit can be noted again", async () => {
  const calls = serveVisits({
    "DELETE /api/files/f1/visits/v9": {},
    "POST /api/files/f1/visits": { id: "v11" },
  });
  show(<VisitsSection fileId="f1" />);
  fireEvent.click(await screen.findByRole("button", { name: "Remove the visit of 5 Sep 2026" }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
      day: "2026-09-05",
      words: "riding",
    }),
  );
});
