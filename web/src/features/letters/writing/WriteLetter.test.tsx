import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { LettersPage } from "../LettersPage";
import type { Letter } from "../letterQueries";
import { NewLetterModal } from "../NewLetterModal";
import { WriteLetterPage } from "./WriteLetterPage";

afterEach(cleanup);

const words = (text: string) => [{ type: "PARAGRAPH" as const, content: [{ type: "WORDS" as const, text }] }];

const block = (id: string, more: Partial<Letter["blocks"][number]> = {}) => ({
  id,
  locked: true,
  optional: false,
  leftOut: false,
  differs: false,
  words: words(`Words of ${id}`),
  content: words(`Words of ${id}`),
  ...more,
});

const LETTER: Letter = {
  id: "l1",
  changes: 3,
  fileId: "f1",
  person: "Edie Penhallow",
  model: "Riding contract",
  version: 2,
  language: "en-GB",
  effectiveOn: "2026-12-01",
  ready: false,
  asks: [{ name: "ask.fee", label: "Monthly fee", kind: "NUMBER", mustBeKnown: true, keepable: false }],
  blocks: [
    block("greeting", { locked: false }),
    block("thanks", { optional: true, name: "Thanks" }),
    block("terms"),
  ],
  attachments: [],
  papers: [],
  attachable: true,
  writing: { answers: {}, leftOut: [], corrected: {}, attached: [], papers: [] },
  by: "Ottilie Brandmoor",
  changedAt: "2026-11-30T10:00:00Z",
};

const PAPER = {
  id: "d1",
  fileId: "f1",
  name: "Contract, Penhallow E",
  needsReview: false,
  reviewers: [],
  unsignedBy: [
    { role: "employee", label: "employee" },
    { role: "director", label: "director" },
  ],
  versions: [{ number: 1, pages: 2 }],
};

function write(letter: Letter, more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/letters/l1": letter,
    "POST /api/letters/l1/pages": { pages: 2, key: "k1" },
    ...more,
  });
  show(
    <Routes>
      <Route path="/letters/:id" element={<WriteLetterPage />} />
      <Route path="*" element={<p>elsewhere</p>} />
    </Routes>,
    "/letters/l1",
  );
  return calls;
}

test("what is missing is asked, what is typed is kept by itself, and the paper shows beside it", async () => {
  const calls = write(LETTER, { "PUT /api/letters/l1": { changes: 4 } });
  const fee = await screen.findByLabelText(/Monthly fee/);
  expect(await screen.findByRole("button", { name: "File it" })).toHaveProperty("disabled", true);
  expect(await screen.findByRole("img", { name: "Riding contract, page 2 of 2" })).toBeTruthy();
  fireEvent.change(fee, { target: { value: "120" } });
  fireEvent.click(screen.getByRole("checkbox", { name: "Thanks" }));
  await waitFor(() => expect(calls.filter((c) => c.method === "PUT")).toHaveLength(1), { timeout: 4000 });
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    changes: 3,
    writing: { ...LETTER.writing, answers: { "ask.fee": "120" }, leftOut: ["thanks"] },
  });
  expect(screen.getAllByRole("button", { name: /^Correct/ })).toHaveLength(1);
});

test("a letter that is whole is filed as it was last written, and says what its paper still needs", async () => {
  let isFiled = false;
  const calls = write(
    { ...LETTER, ready: true, asks: [] },
    {
      "GET /api/letters/l1": () => ({
        ...LETTER,
        ready: true,
        asks: [],
        ...(isFiled ? { documentId: "d1" } : {}),
      }),
      "POST /api/letters/l1/filing": () => {
        isFiled = true;
        return { documentId: "d1", name: "Contract, Penhallow E" };
      },
      "GET /api/documents/d1": PAPER,
      "GET /api/documents/d1/standing": { stage: "COMPLETE", receivers: [], wantsCheck: false },
    },
  );
  fireEvent.click(await screen.findByRole("button", { name: "File it" }));
  expect(await screen.findByText("Still to be signed by employee and director.")).toBeTruthy();
  expect(screen.getByRole("link", { name: "“Contract, Penhallow E”" })).toBeTruthy();
  expect(screen.getByRole("button", { name: "Ask for signatures" })).toBeTruthy();
  expect(screen.queryByRole("button", { name: "File it" })).toBeNull();
  expect(calls.find((c) => c.path.endsWith("/filing"))?.body).toEqual({ changes: 3 });
  fireEvent.click(screen.getByRole("button", { name: "Print" }));
  expect(await screen.findByText("Who is it for?")).toBeTruthy();
});

test("what the model offers and papers of the file can follow the letter", async () => {
  const paper = { id: "p1", name: "Vaccination card", documentDate: "2026-05-01", state: "FILED", pages: 2 };
  const calls = write(
    {
      ...LETTER,
      attachments: [
        { id: "a1", name: "House rules", always: true, attached: true },
        { id: "a2", name: "Prices", always: false, attached: false },
      ],
      papers: [{ id: "p9" }],
      writing: { ...LETTER.writing, papers: ["p9"] },
    },
    {
      "GET /api/files/f1/papers": [paper, { ...paper, id: "p2", name: "A film", pages: 0 }],
      "PUT /api/letters/l1": { changes: 4 },
    },
  );
  expect(await screen.findByRole("checkbox", { name: "House rules" })).toHaveProperty("disabled", true);
  fireEvent.click(await screen.findByRole("button", { name: "Take out a paper you may not see" }));
  fireEvent.click(screen.getByRole("checkbox", { name: "Prices" }));
  fireEvent.mouseDown(await screen.findByRole("combobox", { name: "Attach a paper of this file" }));
  fireEvent.click(await screen.findByTitle(/^Vaccination card/));
  expect(screen.queryByTitle(/^A film/)).toBeNull();
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true), { timeout: 4000 });
  expect(calls.find((c) => c.method === "PUT")?.body).toEqual({
    changes: 3,
    writing: { ...LETTER.writing, attached: ["a2"], papers: ["p1"] },
  });
});

test("nothing is offered to be attached to a form whose fields stay open", async () => {
  const calls = write({ ...LETTER, attachable: false, attachments: [], ready: true });
  await waitFor(() =>
    expect(screen.getByRole("button", { name: "File it" })).toHaveProperty("disabled", false),
  );
  expect(screen.queryByRole("heading", { name: "Attachments" })).toBeNull();
  expect(calls.some((c) => c.path.endsWith("/papers"))).toBe(false);
});

test("an excerpt is put in with its source", async () => {
  const calls = write(LETTER, {
    "GET /api/files/f1/excerpts": [
      {
        id: "e1",
        documentId: "d7",
        paper: "Riding contract 2025",
        documentDate: "2025-03-01",
        version: 1,
        page: 2,
        words: "Hay is brought by the owner.",
        by: "Ottilie Brandmoor",
        at: "2026-11-30T10:00:00Z",
        mayRemove: true,
      },
    ],
    "PUT /api/letters/l1": { changes: 4 },
  });
  fireEvent.click(await screen.findByRole("button", { name: "Correct Words of greeting" }));
  fireEvent.click(await screen.findByRole("button", { name: "Excerpt …" }));
  fireEvent.click(await screen.findByRole("button", { name: "Hay is brought by the owner." }));
  fireEvent.click(screen.getByRole("button", { name: "Use it" }));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true), { timeout: 4000 });
  expect(JSON.stringify(calls.find((c) => c.method === "PUT")?.body)).toContain(
    "“Hay is brought by the owner.” (Riding contract 2025, dated 1 Mar 2025, page 2)",
  );
});

test("an answer that the file lacks is saved there too", async () => {
  let isKept = false;
  const ask = {
    name: "fact.horse",
    label: "Horse",
    kind: "TEXT" as const,
    mustBeKnown: true,
    keepable: true,
  };
  const answered = { ...LETTER.writing, answers: { "fact.horse": "Bramble" } };
  const calls = write(LETTER, {
    "GET /api/letters/l1": () =>
      isKept ? { ...LETTER, changes: 5, asks: [] } : { ...LETTER, asks: [ask], writing: answered },
    "POST /api/letters/l1/kept-answers": () => {
      isKept = true;
      return { changes: 5 };
    },
    "PUT /api/letters/l1": { changes: 6 },
  });
  fireEvent.click(await screen.findByRole("button", { name: "Save Horse in the file too" }));
  await waitFor(() => expect(screen.queryByLabelText(/Horse/)).toBeNull());
  expect(calls.find((c) => c.path.endsWith("/kept-answers"))?.body).toEqual({
    changes: 3,
    name: "fact.horse",
  });
});

test("whoever comes too late is told, and takes up what both have written", async () => {
  let isLate = true;
  const theirs = { ...LETTER.writing, answers: { "ask.deposit": "500" }, leftOut: ["thanks"] };
  const calls = write(LETTER, {
    "GET /api/letters/l1": () => (isLate ? LETTER : { ...LETTER, changes: 7, writing: theirs }),
    "PUT /api/letters/l1": () =>
      isLate
        ? new Refusal(409, { detail: "Zuri Mbeya-Holt changed this letter meanwhile." })
        : { changes: 8 },
  });
  fireEvent.change(await screen.findByLabelText(/Monthly fee/), { target: { value: "120" } });
  expect(await screen.findByText(/Zuri Mbeya-Holt changed/, {}, { timeout: 4000 })).toBeTruthy();
  expect(screen.getByLabelText(/Monthly fee/)).toHaveProperty("value", "120");
  isLate = false;
  fireEvent.click(screen.getByRole("button", { name: "Keep both" }));
  await waitFor(() => expect(calls.filter((c) => c.method === "PUT")).toHaveLength(2), { timeout: 4000 });
  expect(calls.filter((c) => c.method === "PUT")[1]?.body).toEqual({
    changes: 7,
    writing: {
      ...LETTER.writing,
      answers: { "ask.deposit": "500", "ask.fee": "120" },
      leftOut: ["thanks"],
    },
  });
});

test("a letter that is filed leads to its paper and is not changed any more", async () => {
  write(
    { ...LETTER, documentId: "d1" },
    {
      "GET /api/documents/d1": {
        ...PAPER,
        unsignedBy: [],
        needsReview: true,
        reviewers: ["Zuri Mbeya-Holt"],
      },
      "GET /api/documents/d1/standing": { stage: "COMPLETE", receivers: [], wantsCheck: false },
    },
  );
  expect(await screen.findByText(/Zuri Mbeya-Holt will be asked to accept it/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Ask for signatures" })).toBeNull();
  expect(screen.queryByRole("button", { name: "File it" })).toBeNull();
  expect(screen.getByLabelText(/Monthly fee/)).toHaveProperty("disabled", true);
});

const MODEL = {
  id: "m1",
  changes: 0,
  name: "Riding contract",
  type: "contract",
  typeLabel: "Contract",
  kinds: ["rider"],
  retired: false,
  versions: [
    {
      id: "v1",
      number: 1,
      language: "en-GB",
      holdsFrom: "2026-01-01",
      isInForce: true,
      by: "Ottilie Brandmoor",
      at: "2026-01-01T10:00:00Z",
    },
    {
      id: "v2",
      number: 2,
      language: "de-AT",
      holdsFrom: "2026-01-01",
      isInForce: true,
      by: "Ottilie Brandmoor",
      at: "2026-01-01T10:00:00Z",
    },
  ],
};

test("a letter is begun by a model for such files, in one of its languages", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/letter-models": [
      MODEL,
      { ...MODEL, id: "m2", name: "For staff", kinds: ["employee"] },
      { ...MODEL, id: "m3", name: "Of old", retired: true },
    ],
    "POST /api/files/f1/letters": { id: "l9" },
  });
  show(<NewLetterModal people={[{ id: "f1", name: "Edie Penhallow", kind: "rider" }]} onClose={() => {}} />);
  expect(await screen.findByText("Riding contract (Contract)")).toBeTruthy();
  expect(screen.queryByText(/For staff|Of old/)).toBeNull();
  expect(await screen.findByText("British English")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Write it" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")?.body).toEqual({
      modelId: "m1",
      language: "en-GB",
      effectiveOn: PRACTICE.today,
    }),
  );
});

test("open letters and those made lately are listed, each leading on", async () => {
  const line = {
    id: "l1",
    fileId: "f1",
    person: "Edie Penhallow",
    model: "Riding contract",
    effectiveOn: "2026-12-01",
    by: "Ottilie Brandmoor",
    changedAt: "2026-11-30T10:00:00Z",
  };
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/letters": { open: [line], filed: [{ ...line, id: "l2", documentId: "d1" }] },
  });
  show(<LettersPage />);
  const links = await screen.findAllByRole("link", { name: "Riding contract" });
  expect(links.map((l) => l.getAttribute("href"))).toEqual(["/letters/l1", "/files/f1?view=read&paper=d1"]);
});
