import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import type { ModelWords } from "../letterQueries";
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
    version: {
      language: "de-AT",
      holdsFrom: PRACTICE.today,
      words: {
        asks: [
          ...WORDS.asks,
          { code: "day-of-the-trial-lesson", label: "Day of the trial lesson", kind: "TEXT" },
        ],
        blocks: [emptyBlock("part-2"), ...WORDS.blocks],
      },
    },
  });
});

test("what the server cannot take is said, and nothing that was typed is lost", async () => {
  setUp({
    "PUT /api/set-up/letter-models/m1": new Refusal(422, {
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

test("a version shows word by word what it changed", async () => {
  setUp({
    "GET /api/letter-models/versions/v1/changes": {
      from: { ...VERSION, number: 7 },
      notes: ["“Fee” is no longer asked."],
      parts: [
        {
          id: "a",
          what: "KEPT",
          name: "Terms",
          notes: ["Its words are fixed now."],
          words: [
            { what: "KEPT", text: "You pay " },
            { what: "REMOVED", text: "monthly" },
            { what: "ADDED", text: "yearly" },
          ],
        },
      ],
    },
  });
  fireEvent.click(await screen.findByRole("button", { name: "What version 1 changed" }));
  const part = await screen.findByRole("region", { name: "Terms" });
  expect(part.querySelector("del")?.textContent).toBe("monthly");
  expect(part.querySelector("ins")?.textContent).toBe("yearly");
  expect(screen.getByText(/Against version 7/)).toBeTruthy();
  expect(screen.getByText("“Fee” is no longer asked.")).toBeTruthy();
});

const FORM = {
  id: "form1",
  name: "claim.pdf",
  pages: 1,
  fields: [
    {
      name: "insured[0]",
      label: "Insured",
      kind: "TEXT" as const,
      page: 1,
      left: 0.1,
      top: 0.2,
      width: 0.4,
      height: 0.03,
      choices: [],
    },
  ],
};

test("a form of others is bound field by field, and places are put where it has none", async () => {
  const calls = setUp({
    "POST /api/set-up/letter-forms": FORM,
    "GET /api/letter-forms/form1": FORM,
    "PUT /api/set-up/letter-models/m1": {},
    "GET /api/letter-models/versions/v1": {
      version: VERSION,
      words: { asks: [], blocks: [emptyBlock("part-1")] },
    },
  });
  fireEvent.change(await screen.findByLabelText("Choose the form"), {
    target: { files: [new File(["%PDF"], "claim.pdf", { type: "application/pdf" })] },
  });
  fireEvent.click(await screen.findByRole("button", { name: "Insured, page 1" }));
  fireEvent.change(screen.getByLabelText("What stands here?"), { target: { value: "person.name" } });
  expect(screen.getByRole("button", { name: "Insured, page 1" }).textContent).toBe("{person.name}");
  fireEvent.click(screen.getByText("places a tick"));
  const page = screen.getByRole("img", { name: "claim.pdf, page 1 of 1" }).parentElement as HTMLElement;
  page.getBoundingClientRect = () => new DOMRect(0, 0, 600, 800);
  fireEvent.click(page, { clientX: 300, clientY: 400 });
  fireEvent.change(await screen.findByLabelText("What it is called"), { target: { value: "Adult" } });
  fireEvent.change(screen.getByLabelText("What stands here?"), { target: { value: "person.team" } });
  fireEvent.change(screen.getByLabelText("Ticked when it is"), { target: { value: "Stables" } });
  const own = screen.getByRole("button", { name: /^Adult, page 1/ });
  const before = own.style.left;
  fireEvent.keyDown(own, { key: "ArrowRight" });
  expect(screen.getByRole("button", { name: /^Adult, page 1/ }).style.left).not.toBe(before);
  fireEvent.click(screen.getByRole("button", { name: "Save as a new version" }));
  await screen.findByText(/^Saved/);
  const body = calls.find((c) => c.method === "PUT")?.body as { version: { words: ModelWords } };
  const { blocks, form } = body.version.words;
  expect(blocks.map((b) => b.content[0]?.content?.[0]?.place?.what)).toEqual(["person.name", "person.team"]);
  expect(form?.boxes.map((b) => [b.block, b.field, b.kind, b.tickedIf])).toEqual([
    ["field-1", "insured[0]", "TEXT", undefined],
    ["field-2", undefined, "TICK", "Stables"],
  ]);
});

test("a model goes out as a file and comes in from one, and what is none is said", async () => {
  let isModel = false;
  setUp(
    {
      "GET /api/letter-models": [MODEL],
      "POST /api/set-up/letter-models/file": () =>
        isModel ? { id: "m1" } : new Refusal(422, { detail: "“x.zip” is no file of a model." }),
    },
    "/set-up/models/new",
  );
  const choose = async () =>
    fireEvent.change(await screen.findByLabelText("Choose the file of a model"), {
      target: { files: [new File(["PK"], "x.zip")] },
    });
  await choose();
  expect(await screen.findByText("“x.zip” is no file of a model.")).toBeTruthy();
  isModel = true;
  await choose();
  expect(await screen.findByRole("link", { name: "Save it as a file" })).toHaveProperty(
    "pathname",
    "/api/letter-models/m1/file",
  );
});

test("another model begins as a copy of one", async () => {
  const calls = setUp({ "POST /api/set-up/letter-models": { id: "m1" } }, "/set-up/models/new?of=m1");
  expect(await screen.findByLabelText("Words of part 1")).toHaveProperty("textContent", "You pay {ask.fee}");
  expect(screen.getByLabelText("Name of the model")).toHaveProperty("value", "Riding contract, another");
  fireEvent.click(screen.getByRole("button", { name: "Save as a new version" }));
  await screen.findByText(/^Saved/);
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({
    changes: 0,
    name: "Riding contract, another",
    version: { language: "de-AT" },
  });
});

test("words on each page, a picture and an attachment are part of the version", async () => {
  const calls = setUp({
    "POST /api/set-up/letter-images": { id: "i1", name: "map.png", width: 1400, height: 900 },
    "POST /api/set-up/letter-forms": { id: "f1", name: "House rules.pdf", pages: 1, fields: [] },
    "PUT /api/set-up/letter-models/m1": {},
  });
  fireEvent.click(await screen.findByRole("button", { name: "Words at the foot of each page" }));
  fireEvent.click(screen.getByRole("checkbox", { name: "page numbers" }));
  fireEvent.click(within(screen.getByLabelText("Part 1")).getByRole("button", { name: "Picture …" }));
  const file = new File(["x"], "map.png", { type: "image/png" });
  fireEvent.change(await screen.findByLabelText("Choose the picture"), { target: { files: [file] } });
  fireEvent.change(await screen.findByLabelText("What it shows"), {
    target: { value: "The way to the yard" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Put it in" }));
  const pdf = new File(["x"], "House rules.pdf", { type: "application/pdf" });
  fireEvent.change(screen.getByLabelText("Choose the attachment"), { target: { files: [pdf] } });
  await waitFor(() =>
    expect(screen.getByLabelText("Name of the attachment")).toHaveProperty("value", "House rules"),
  );
  fireEvent.click(screen.getByRole("checkbox", { name: "always" }));
  fireEvent.click(screen.getByRole("button", { name: "Save as a new version" }));
  await screen.findByText(/^Saved/);
  const saved = calls.find((c) => c.method === "PUT")?.body as { version: { words: ModelWords } } | undefined;
  const words = saved?.version.words;
  expect(words?.sheet).toEqual({ head: true, top: [], foot: [{ type: "PARAGRAPH" }], numbered: false });
  expect(words?.attachments).toEqual([{ formId: "f1", name: "House rules", always: false }]);
  expect(words?.blocks[0]?.content).toContainEqual({
    type: "IMAGE",
    text: "The way to the yard",
    picture: { id: "i1", width: 80 },
  });
});

test("on each page stand lines and pictures only", async () => {
  setUp();
  fireEvent.click(await screen.findByRole("button", { name: "Words at the top of each page" }));
  const sheet = within(screen.getByLabelText("On each page"));
  expect(sheet.getByRole("button", { name: "Bold" })).toBeTruthy();
  for (const other of ["List", "Table", "New page"]) {
    expect(sheet.queryByRole("button", { name: other })).toBeNull();
  }
  fireEvent.click(sheet.getByRole("button", { name: "Remove" }));
  expect(sheet.getByRole("button", { name: "Words at the top of each page" })).toBeTruthy();
});
