import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../testing/screen";
import { ArrivalsPage } from "./ArrivalsPage";
import type { Arrival, ArrivalDetail } from "./arrivalQueries";

beforeEach(() => {
  // only what the clock says: a busy machine must not make a paper older
  vi.useFakeTimers({ toFake: ["Date"] });
});

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

function arrival(id: string, part: Partial<Arrival> = {}): Arrival {
  return {
    id,
    version: 3,
    source: "PICKUP",
    broughtBy: "Office desk",
    fileName: `${id}.pdf`,
    receivedAt: `2026-11-25T0${id.length}:00:00Z`,
    state: "WAITING",
    pages: [1, 2].map((page) => ({ sha256: "5ca1ab1e5ca1", page, turn: 0 })),
    isGiven: false,
    size: 1000,
    mediaType: "application/pdf",
    ...part,
  };
}

/** Lets a paper have been there long enough to be filed by a key. */
const seen = () => vi.setSystemTime(Date.now() + 1_050);

const TYPES = [
  {
    code: "handbook",
    label: "Handbook receipt",
    section: "s",
    sectionLabel: "S",
    signers: [],
    needsReview: false,
    synonyms: [],
    fields: ["Receipt number"],
  },
];

function detail(id: string, proposals: Partial<ArrivalDetail["proposals"]> = {}): ArrivalDetail {
  return {
    id,
    like: [],
    leftOut: [],
    steps: [],
    proposals: {
      persons: [],
      types: [],
      documentDate: [],
      effectiveDate: [],
      statedExpiry: [],
      signedOn: [],
      newPerson: { identifiers: [] },
      fields: [],
      pagesWithoutText: 0,
      ...proposals,
    },
  };
}

const BASE = {
  "GET /api/practice": PRACTICE,
  "GET /api/session": OTTILIE,
  "GET /api/document-types": TYPES,
  "GET /api/arrivals/a": detail("a"),
  "GET /api/arrivals/bb": detail("bb"),
  "GET /api/arrivals/ccc": detail("ccc"),
  "POST /api/arrivals/a/presence": {},
  "POST /api/arrivals/bb/presence": {},
};

const LIST = [
  arrival("a"),
  arrival("bb", {
    source: "PORTAL",
    broughtBy: "Ruth Penhallow",
    fileId: "f1",
    personName: "Edie Penhallow",
    fileNumber: "P-0031",
    isGiven: true,
    typeLabel: "Handbook receipt",
    suggestedType: "handbook",
    note: "Asked for: Handbook receipt",
  }),
  arrival("ccc", { state: "SET_ASIDE", pages: [], reason: "The PDF is locked with a password." }),
];

test("papers stand under their way in, with what is known of them", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  await screen.findByText("2 waiting");
  expect(screen.getByText("Pickup “Office desk”")).toBeTruthy();
  expect(screen.getByText("From guests")).toBeTruthy();
  expect(screen.getByText("Set aside", { selector: ".arrivals-group span" })).toBeTruthy();
  fireEvent.mouseEnter(screen.getByRole("button", { name: "Choose files" }));
  await screen.findByText(/50 MB at most/);
});

test("J and K walk the list", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  await screen.findByText("2 waiting");
  const chosen = () => document.querySelector(".arrival-line[aria-current='true']")?.textContent ?? "";
  expect(chosen()).toContain("a.pdf");
  fireEvent.keyDown(window, { key: "j" });
  await waitFor(() => expect(chosen()).toContain("Handbook receipt"));
  fireEvent.keyDown(window, { key: "k" });
  await waitFor(() => expect(chosen()).toContain("a.pdf"));
});

test("filing without person, type and date asks for them and sends nothing", async () => {
  const calls = serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />);
  fireEvent.click(await screen.findByRole("button", { name: /File and next/ }), { detail: 1 });
  await screen.findByText("Choose the person, the type and the date first.");
  expect(calls.every((c) => c.method === "GET" || c.path.endsWith("/presence"))).toBe(true);
});

test("the sheet shows name and slot, before and after, and files what it showed", async () => {
  const receipt = { name: "Receipt number", value: "R 4471", reason: "after “Receipt” on page 1" };
  const calls = serve({
    ...BASE,
    "GET /api/arrivals/bb": detail("bb", { fields: [{ type: "handbook", ...receipt }] }),
    "GET /api/arrivals": LIST,
    "POST /api/arrivals/bb/preview": {
      name: "Handbook receipt, 2026-11-20, Penhallow E",
      slots: [
        {
          label: "Handbook receipt",
          before: { status: "lapsed", coveredThrough: "2026-10-31", renewal: "none" },
          after: { status: "in-review", renewal: "none" },
          accepted: { status: "on-file", coveredThrough: "2028-11-30", renewal: "none" },
        },
      ],
    },
    "POST /api/arrivals/bb/filing": {
      documentId: "d",
      fileId: "f1",
      name: "Handbook receipt, 2026-11-20, Penhallow E",
    },
  });
  show(<ArrivalsPage />, "/arrivals?paper=bb");
  await screen.findByText("Asked for: Handbook receipt");
  await screen.findByText("after “Receipt” on page 1");
  const number = screen.getByLabelText<HTMLInputElement>("Receipt number");
  expect(number.value).toBe("R 4471");
  fireEvent.change(number, { target: { value: "R 4471-2" } });
  expect(screen.queryByText("after “Receipt” on page 1")).toBeNull();
  const dated = screen.getByLabelText("Dated");
  fireEvent.mouseDown(dated);
  fireEvent.change(dated, { target: { value: "20 Nov 2026" } });
  fireEvent.keyDown(dated, { key: "Enter", code: "Enter" });
  await screen.findByText("Handbook receipt, 2026-11-20, Penhallow E");
  expect(screen.getByText(/lapsed, held to 31 Oct 2026/)).toBeTruthy();
  expect(screen.getByText(/on file to 30 Nov 2028/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /File and next/ }), { detail: 1 });
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/bb/filing")?.body).toEqual({
      version: 3,
      details: {
        fileId: "f1",
        type: "handbook",
        documentDate: "2026-11-20",
        fields: { "Receipt number": "R 4471-2" },
      },
    }),
  );
});

test("a paper that was set aside says why and can be discarded, not filed", async () => {
  serve({ ...BASE, "GET /api/arrivals": LIST });
  show(<ArrivalsPage />, "/arrivals?paper=ccc");
  await screen.findByText("No page of this paper can be shown");
  expect(screen.getByRole("button", { name: "Discard" })).toBeTruthy();
  expect(screen.queryByRole("button", { name: /File and next/ })).toBeNull();
});

test("an empty desk tells the next step", async () => {
  serve({ ...BASE, "GET /api/arrivals": [] });
  show(<ArrivalsPage />);
  await screen.findByText("Nothing waits");
  expect(screen.getByText(/pickup folder/)).toBeTruthy();
});

const PERSONS = ["Mara Lindqvist", "Mara Lindqvist"].map((name, i) => ({
  fileId: `m${i}`,
  name,
  number: `S-004${i}`,
  confidence: 0.5,
  reason: "the name in the text, which somebody else bears as well",
  preselected: false,
}));

test("two people of one name are offered and none is taken until a digit says which", async () => {
  const calls = serve({
    ...BASE,
    "GET /api/arrivals": LIST,
    "GET /api/arrivals/a": detail("a", {
      persons: PERSONS,
      types: [
        {
          code: "handbook",
          label: "Handbook receipt",
          confidence: 0.9,
          reason: "“Handbook” at its head",
          preselected: true,
        },
      ],
      documentDate: [
        { day: "2026-11-20", confidence: 0.9, reason: "“20 Nov 2026” on the paper", preselected: true },
      ],
    }),
    "POST /api/arrivals/a/preview": { name: "Handbook receipt, 2026-11-20, Lindqvist M", slots: [] },
    "POST /api/arrivals/a/filing": { documentId: "d", fileId: "m1", name: "Handbook receipt" },
  });
  show(<ArrivalsPage />);
  await screen.findByText("S-0040");
  seen();
  fireEvent.keyDown(window, { key: "Enter" });
  await screen.findByText("Choose the person first.");
  fireEvent.keyDown(window, { key: "2" });
  await screen.findByText("Handbook receipt, 2026-11-20, Lindqvist M");
  fireEvent.keyDown(window, { key: "Enter" });
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/a/filing")?.body).toEqual({
      version: 3,
      details: { fileId: "m1", type: "handbook", documentDate: "2026-11-20", fields: {} },
    }),
  );
});

test("a page is split off by key, and the first one cannot be", async () => {
  const calls = serve({ ...BASE, "GET /api/arrivals": LIST, "POST /api/arrivals/a/split": { id: "new" } });
  show(<ArrivalsPage />);
  await screen.findByRole("button", { name: /File and next/ });
  fireEvent.keyDown(window, { key: "s" });
  await screen.findByText(/Go to the page that begins the new paper/);
  fireEvent.keyDown(window, { key: "ArrowDown" });
  fireEvent.keyDown(window, { key: "s" });
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/a/split")?.body).toEqual({ version: 3, after: 1 }),
  );
});

test("A says what else a paper is, and it is filed as both", async () => {
  const sure = { confidence: 0.95, preselected: true, reason: "sure" };
  const calls = serve({
    ...BASE,
    "GET /api/document-types": [...TYPES, { ...TYPES[0], code: "letter", label: "Letter", fields: [] }],
    "GET /api/arrivals": LIST,
    "GET /api/arrivals/a": detail("a", {
      persons: [{ fileId: "f1", name: "Edie Penhallow", number: "P-0031", ...sure }],
      types: [{ code: "handbook", label: "Handbook receipt", ...sure }],
      documentDate: [{ day: "2026-11-20", ...sure }],
    }),
    "POST /api/arrivals/a/preview": { name: "Handbook receipt", slots: [] },
    "POST /api/arrivals/a/filing": { documentId: "d", fileId: "f1", name: "Handbook receipt" },
  });
  show(<ArrivalsPage />);
  await screen.findByText(/It is also something else/);
  expect(screen.queryByLabelText("Is also")).toBeNull();
  fireEvent.keyDown(window, { key: "a" });
  fireEvent.mouseDown(await screen.findByLabelText("Is also"));
  fireEvent.click(await screen.findByText("Letter", { selector: ".ant-select-item-option-content" }));
  seen();
  fireEvent.keyDown(window, { key: "Enter" });
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/a/filing")?.body).toMatchObject({
      details: { type: "handbook", furtherTypes: ["letter"], documentDate: "2026-11-20" },
    }),
  );
});

const SURE = {
  persons: [
    {
      fileId: "f1",
      name: "Edie Penhallow",
      number: "P-0031",
      confidence: 0.95,
      preselected: true,
      reason: "sure",
    },
  ],
  types: [
    { code: "handbook", label: "Handbook receipt", confidence: 0.95, preselected: true, reason: "sure" },
  ],
  documentDate: [{ day: "2026-11-20", confidence: 0.95, preselected: true, reason: "sure" }],
};

/** Two papers of which all is sure, filed under `d-a` and `d-bb`. */
function sureDesk() {
  let list = [arrival("a"), arrival("bb")];
  const filing = (id: string) => () => {
    list = list.filter((a) => a.id !== id);
    return { documentId: `d-${id}`, fileId: "f1", name: `Handbook receipt ${id}` };
  };
  return {
    gone: (id: string) => {
      list = list.filter((a) => a.id !== id);
    },
    answers: {
      ...BASE,
      "GET /api/arrivals": () => list,
      "GET /api/arrivals/a": detail("a", SURE),
      "GET /api/arrivals/bb": detail("bb", SURE),
      "POST /api/arrivals/a/preview": { name: "Handbook receipt a", slots: [] },
      "POST /api/arrivals/bb/preview": { name: "Handbook receipt bb", slots: [] },
      "POST /api/arrivals/a/filing": filing("a"),
      "POST /api/arrivals/bb/filing": filing("bb"),
      "POST /api/arrivals/undo-filing": {},
    },
  };
}

test("a paper is not filed by a key that was pressed before it could be seen", async () => {
  const calls = serve(sureDesk().answers);
  show(<ArrivalsPage />);
  await screen.findByText("Handbook receipt a");
  seen();
  const filed = () => calls.filter((c) => c.path.endsWith("/filing")).map((c) => c.path);
  fireEvent.keyDown(window, { key: "Enter" });
  await waitFor(() => expect(filed()).toEqual(["/api/arrivals/a/filing"]));
  await screen.findByText("Handbook receipt bb");
  fireEvent.keyDown(window, { key: "Enter" });
  fireEvent.click(screen.getByRole("button", { name: /File and next/ }), { detail: 0 });
  await screen.findByText(/has only just appeared/);
  expect(filed()).toHaveLength(1);
  seen();
  fireEvent.keyDown(window, { key: "Enter" });
  await waitFor(() => expect(filed()).toHaveLength(2));
});

test("each Undo takes back the filing it stands beside", async () => {
  const calls = serve(sureDesk().answers);
  show(<ArrivalsPage />);
  for (const name of ["Handbook receipt a", "Handbook receipt bb"]) {
    await screen.findByText(name);
    fireEvent.click(screen.getByRole("button", { name: /File and next/ }), { detail: 1 });
    await screen.findByText(new RegExp(`Filed “${name}”`));
  }
  const first = screen.getByText(/Filed “Handbook receipt a”/);
  fireEvent.click(first.querySelector("button") ?? first);
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/undo-filing")?.body).toEqual({ papers: ["a"] }),
  );
});

test("U takes back what this account filed last, also after the page was loaded anew", async () => {
  const calls = serve({
    ...sureDesk().answers,
    "GET /api/arrivals/last-filing": {
      last: { papers: ["x", "y"], name: "Letter", at: "2026-11-25T09:00:00Z" },
    },
  });
  show(<ArrivalsPage />);
  await screen.findByText("Handbook receipt a");
  fireEvent.keyDown(window, { key: "u" });
  await screen.findByText("2 papers wait again.");
  expect(calls.find((c) => c.path === "/api/arrivals/undo-filing")?.body).toEqual({ papers: ["x", "y"] });
});

test("a paper that is filed elsewhere stays until one goes on, and no other slips under the key", async () => {
  const desk = sureDesk();
  const calls = serve({
    ...desk.answers,
    "GET /api/arrivals/a/outcome": {
      id: "a",
      fileName: "a.pdf",
      state: "FILED",
      byName: "Hester Quill",
      documentId: "d-a",
      documentName: "Handbook receipt a",
      fileId: "f1",
    },
  });
  show(<ArrivalsPage />);
  await screen.findByText("Handbook receipt a");
  seen();
  desk.gone("a");
  await screen.findByText("“a.pdf” was filed meanwhile by Hester Quill");
  fireEvent.keyDown(window, { key: "Enter" });
  expect(calls.every((c) => !c.path.endsWith("/filing"))).toBe(true);
  fireEvent.keyDown(window, { key: "j" });
  await screen.findByText("Handbook receipt bb");
});

test("Enter leads from what was chosen to what lacks, at last to the button that files", async () => {
  serve({
    ...BASE,
    "GET /api/arrivals": LIST,
    "GET /api/arrivals/a": detail("a", { persons: SURE.persons }),
  });
  show(<ArrivalsPage />);
  await screen.findByText("Edie Penhallow · P-0031");
  fireEvent.keyDown(window, { key: "y" });
  const field = screen.getByLabelText("Type");
  await waitFor(() => expect(document.activeElement).toBe(field));
  fireEvent.mouseDown(field);
  fireEvent.change(field, { target: { value: "hand" } });
  fireEvent.keyDown(field, { key: "Enter", code: "Enter", keyCode: 13 });
  const dated = screen.getByLabelText("Dated");
  await waitFor(() => expect(document.activeElement).toBe(dated));
  fireEvent.change(dated, { target: { value: "20.11.26" } });
  fireEvent.keyDown(dated, { key: "Enter", code: "Enter" });
  const go = screen.getByRole("button", { name: /File and next/ });
  await waitFor(() => expect(document.activeElement).toBe(go));
  field.focus();
  fireEvent.keyDown(field, { key: "Enter", code: "Enter", keyCode: 13 });
  await waitFor(() => expect(document.activeElement).toBe(go));
  expect(document.querySelector(".ant-select-dropdown:not(.ant-select-dropdown-hidden)")).toBeNull();
});

test("who has no file yet gets one with what the paper tells, and the paper is filed in the same go", async () => {
  const calls = serve({
    ...BASE,
    "GET /api/arrivals": LIST,
    "GET /api/arrivals/a": detail("a", {
      types: SURE.types,
      documentDate: SURE.documentDate,
      newPerson: {
        givenName: "Edie",
        familyName: "Penhallow",
        birthDate: "2015-03-04",
        email: "ruth@post.example",
        identifiers: ["1234 040315"],
      },
    }),
    "GET /api/kinds": [{ code: "patient", label: "Patient", plural: "Patients", facts: [] }],
    "GET /api/directory": { on: false },
    "POST /api/coverage/newcomer": [],
    "POST /api/files": { id: "new", name: "Edie Penhallow" },
    "POST /api/arrivals/a/filing": { documentId: "d", fileId: "new", name: "Handbook receipt" },
  });
  show(<ArrivalsPage />);
  fireEvent.click(await screen.findByText("This person has no file yet"));
  expect((await screen.findByLabelText<HTMLInputElement>("Family name")).value).toBe("Penhallow");
  fireEvent.click(await screen.findByRole("button", { name: "Make the file and file the paper" }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/arrivals/a/filing")?.body).toMatchObject({
      details: { fileId: "new", type: "handbook", documentDate: "2026-11-20" },
    }),
  );
  expect(calls.find((c) => c.path === "/api/files" && c.method === "POST")?.body).toMatchObject({
    person: {
      kind: "patient",
      givenName: "Edie",
      familyName: "Penhallow",
      birthDate: "2015-03-04",
      email: "ruth@post.example",
      identifiers: ["1234 040315"],
    },
  });
});

test("a reviewer and a guest are chosen while filing, and what was shared is said", async () => {
  const desk = sureDesk();
  const calls = serve({
    ...desk.answers,
    "GET /api/document-types": [{ ...TYPES[0], needsReview: true }],
    "GET /api/colleagues": [{ id: "c1", name: "Hester Quill" }],
    "GET /api/files/f1/shared": {
      guests: [{ accountId: "g1", name: "Ruth Penhallow", relation: "guardian", email: "ruth@post.example" }],
      shares: [],
      asks: [],
    },
    "POST /api/shares": {},
  });
  show(<ArrivalsPage />);
  const pick = async (field: string, option: string) => {
    fireEvent.mouseDown(await screen.findByLabelText(field));
    fireEvent.click(await screen.findByText(option, { selector: ".ant-select-item-option-content" }));
  };
  await pick("Reviewed by", "Hester Quill");
  await pick("Share with", "Ruth Penhallow, guardian");
  fireEvent.click(screen.getByRole("button", { name: /File and next/ }), { detail: 1 });
  await screen.findByText(/Shared with Ruth Penhallow/);
  expect(calls.find((c) => c.path === "/api/arrivals/a/filing")?.body).toMatchObject({
    details: { reviewer: "c1" },
  });
  expect(calls.find((c) => c.path === "/api/shares")?.body).toEqual({ accountId: "g1", documents: ["d-a"] });
});
