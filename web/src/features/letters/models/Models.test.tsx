import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { ModelsSetUp } from "./ModelsSetUp";
import { emptyBlock, nextId } from "./modelDraft";

afterEach(cleanup);

const VERSION = {
  id: "v1",
  number: 1,
  language: "de-AT",
  holdsFrom: "2026-01-01",
  isInForce: true,
  by: "Ottilie Brandmoor",
  at: "2026-01-01T10:00:00Z",
};

const MODEL = {
  id: "m1",
  changes: 4,
  name: "Riding contract",
  type: "contract",
  typeLabel: "Contract",
  kinds: ["rider"],
  retired: false,
  versions: [VERSION],
};

const WORDS = {
  asks: [{ code: "fee", label: "Monthly fee", kind: "NUMBER" as const }],
  blocks: [
    {
      id: "a",
      locked: true,
      optional: false,
      content: [
        {
          type: "PARAGRAPH" as const,
          content: [
            { type: "WORDS" as const, text: "You pay " },
            {
              type: "PLACE" as const,
              place: { what: "ask.fee", format: "MONEY" as const, mustBeKnown: true },
            },
          ],
        },
      ],
    },
  ],
};

function setUp(more: object = {}, address = "/set-up/models/m1") {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/letter-models": [MODEL],
    "GET /api/letter-models/versions/v1": { version: VERSION, words: WORDS },
    "GET /api/letter-names": [{ name: "person.name", label: "the name", kind: "TEXT" }],
    "GET /api/kinds": [],
    "GET /api/document-types": [],
    ...more,
  });
  show(<ModelsSetUp />, address, "/set-up/models/:code?");
  return calls;
}

test("a model is changed by a new version that goes on from its newest one", async () => {
  const calls = setUp({
    "PUT /api/set-up/letter-models/m1": {},
    "POST /api/set-up/letter-models/m1/versions": { id: "v2" },
  });
  expect(await screen.findByLabelText("Words of part 1")).toHaveProperty("textContent", "You pay {ask.fee}");
  expect(screen.getByText(/in force/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Name of the model"), { target: { value: "Riding agreement" } });
  fireEvent.change(screen.getByLabelText("Another question"), {
    target: { value: "Day of the trial lesson" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Ask it" }));
  fireEvent.click(screen.getByRole("button", { name: "Add a part" }));
  fireEvent.click(screen.getByRole("button", { name: "Move part 2 up" }));
  fireEvent.click(screen.getByRole("button", { name: "Save as a new version" }));
  await screen.findByText(/^Saved/);
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    changes: 4,
    name: "Riding agreement",
    type: "contract",
    kinds: ["rider"],
  });
  expect(calls.find((c) => c.path.endsWith("/versions"))?.body).toEqual({
    language: "de-AT",
    holdsFrom: PRACTICE.today,
    words: {
      asks: [
        ...WORDS.asks,
        { code: "day-of-the-trial-lesson", label: "Day of the trial lesson", kind: "TEXT" },
      ],
      blocks: [emptyBlock("part-2"), ...WORDS.blocks],
    },
  });
});

test("what the server cannot take is said, and nothing that was typed is lost", async () => {
  setUp({
    "POST /api/set-up/letter-models/m1/versions": new Refusal(422, {
      detail: "Nothing is known by the name “fact.gone”.",
    }),
  });
  fireEvent.change(await screen.findByLabelText("Another question"), { target: { value: "Fee again" } });
  fireEvent.click(screen.getByRole("button", { name: "Ask it" }));
  fireEvent.click(screen.getByRole("button", { name: "Save as a new version" }));
  expect(await screen.findByText("Nothing is known by the name “fact.gone”.")).toBeTruthy();
  expect(screen.getByText("ask.fee-again")).toBeTruthy();
});

test("a place is put in from what is known", async () => {
  setUp();
  fireEvent.click(await screen.findByRole("button", { name: "Insert a fact …" }));
  fireEvent.change(await screen.findByLabelText("What stands here?"), { target: { value: "person.name" } });
  fireEvent.click(screen.getByRole("button", { name: "Put it in" }));
  await waitFor(() =>
    expect(screen.getByLabelText("Words of part 1").textContent).toContain("{person.name}"),
  );
});

test("without models one is begun, which needs a name, a type and kinds of file", async () => {
  setUp({ "GET /api/letter-models": [] }, "/set-up/models");
  expect(await screen.findByText("No models yet")).toBeTruthy();
  cleanup();
  setUp({}, "/set-up/models/new");
  expect(await screen.findByRole("button", { name: "Save as a new version" })).toHaveProperty(
    "disabled",
    true,
  );
});

test("parts get ids that no other part has", () => {
  expect(nextId([])).toBe("part-1");
  expect(nextId([emptyBlock("part-2")])).toBe("part-3");
  expect(nextId([emptyBlock("part-1"), emptyBlock("part-3")])).toBe("part-4");
});
