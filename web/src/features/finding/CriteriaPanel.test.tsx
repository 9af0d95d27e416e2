import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { afterEach, expect, test } from "vitest";
import { serve, show } from "../../testing/screen";
import { CriteriaPanel } from "./CriteriaPanel";
import type { Counts, Criteria } from "./findQueries";

afterEach(cleanup);

const COUNTS = {
  papers: 12,
  people: 4,
  kinds: [],
  sections: [],
  types: Array.from({ length: 10 }, (_, i) => ({ value: `t${i}`, label: `Type ${i}`, papers: 20 - i })),
  states: [{ value: "IN_REVIEW", label: "in review", papers: 3 }],
  years: [],
  sources: [],
  filedBy: [],
  teams: [],
} as unknown as Counts;

function Panel({ first, counts, told }: { first: Criteria; counts: Counts; told: Criteria[] }) {
  const [criteria, setCriteria] = useState(first);
  return (
    <CriteriaPanel
      criteria={criteria}
      counts={counts}
      onChange={(next) => {
        told.push(next);
        setCriteria(next);
      }}
    />
  );
}

/** The panel with its criteria, which are told each time they change. */
function panel(first: Criteria, counts: Counts = COUNTS) {
  const told: Criteria[] = [];
  serve({
    "GET /api/kinds": [{ code: "student", facts: [{ name: "level", label: "Level", form: "TEXT" }] }],
    "GET /api/document-types": [{ code: "t1", label: "Type 1", synonyms: [], fields: ["Certificate no."] }],
    "GET /api/colleagues": [{ id: "h", name: "Hester Quillam" }],
    "GET /api/session": { id: "o", name: "Ottilie Brandmoor", mayChange: true },
  });
  show(<Panel first={first} counts={counts} told={told} />);
  return told;
}

test("what is typed is asked for once, when the typing pauses", async () => {
  const told = panel({});
  const words = screen.getByLabelText("Words on the paper");
  for (const typed of ["t", "te", "tetanus"]) {
    fireEvent.change(words, { target: { value: typed } });
  }
  await waitFor(() => expect(told).toEqual([{ words: "tetanus" }]));
});

test("values are ticked and unticked, and a chosen one stays though nothing has it any more", async () => {
  const told = panel({ types: ["vanished"] });
  fireEvent.click(screen.getByRole("checkbox", { name: /^Type 3/ }));
  expect(told.at(-1)?.types).toEqual(["vanished", "t3"]);
  fireEvent.click(screen.getByRole("checkbox", { name: /^vanished/ }));
  expect(told.at(-1)?.types).toEqual(["t3"]);
});

test("the values that most papers have come first, the others on request", () => {
  panel({});
  expect(screen.queryByRole("checkbox", { name: /^Type 9/ })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "2 more" }));
  screen.getByRole("checkbox", { name: /^Type 9/ });
});

test("sizes are typed in kilobytes and asked for in bytes", async () => {
  const told = panel({});
  fireEvent.click(screen.getByText("Pages and size"));
  const least = await screen.findByLabelText("Size in kB at least");
  fireEvent.change(least, { target: { value: "150" } });
  fireEvent.blur(least);
  await waitFor(() => expect(told.at(-1)?.leastSize).toBe(150_000));
  fireEvent.click(screen.getByLabelText("With pages that hold no readable text"));
  expect(told.at(-1)).toMatchObject({ leastSize: 150_000, unreadable: true });
});

test("a fact of the person is chosen by its label and asked for by its name", async () => {
  const told = panel({});
  fireEvent.click(screen.getByText("Facts and fields"));
  fireEvent.mouseDown(await screen.findByLabelText("Facts of the person"));
  fireEvent.click(await screen.findByText("Level"));
  fireEvent.change(await screen.findByLabelText("What level holds"), { target: { value: "canter" } });
  await waitFor(() => expect(told.at(-1)?.facts).toEqual([{ name: "level", value: "canter" }]));
  fireEvent.click(screen.getByLabelText("Without level"));
  expect(told.at(-1)?.facts).toEqual([]);
});

test("everything is cleared in one click, which is there only when something was said", () => {
  const told = panel({ words: "hay", states: ["IN_REVIEW"] });
  fireEvent.click(screen.getByRole("button", { name: "Clear everything" }));
  expect(told).toEqual([{}]);
  expect(screen.queryByRole("button", { name: "Clear everything" })).toBeNull();
});
