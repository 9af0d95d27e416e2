import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { SetUpPage } from "../setup/SetUpPage";

afterEach(cleanup);

const LIST = {
  code: "clients",
  version: 3,
  label: "Clients",
  versions: [
    {
      to: "2026-05-31",
      definition: { code: "clients", requirements: [] },
      labels: {},
    },
    {
      from: "2026-06-01",
      definition: {
        code: "clients",
        appliesWhen: { fact: "kind", is: "client" },
        requirements: [
          { code: "ownership", evidence: { type: "ownership" }, leadDays: 30 },
          { code: "passport", evidence: { type: "passport" }, level: "advisory" },
        ],
      },
      labels: { ownership: "Proof of ownership", passport: "Horse passport" },
    },
  ],
} as const;

const TYPE = {
  code: "ownership",
  version: 2,
  label: "Proof of ownership",
  section: "horses",
  validity: { rule: "period", period: "P2Y" },
  namingPattern: "{type}, {document date}",
  signers: [{ role: "owner", label: "owner" }],
  needsReview: false,
  receiving: { receivers: [], secondCheck: false },
  sensitive: false,
  synonyms: ["deed"],
  fields: [],
} as const;

const KIND = {
  code: "client",
  version: 1,
  label: "Client",
  plural: "Clients",
  numberPrefix: "C",
  files: 35,
  facts: [{ name: "box", label: "Box", form: "TEXT", choices: [], key: true, sensitive: false }],
} as const;

const EFFECT = {
  on: "2026-11-25",
  files: 35,
  touched: 4,
  noLongerClearCount: 1,
  becomeClearCount: 0,
  noLongerClear: [
    { id: "f1", number: "C-0062", name: "Rosalba Mincio", slots: ["Horse passport: on file → expiring"] },
  ],
  becomeClear: [],
};

function setUp(path: string, more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/set-up/checklists": [LIST],
    "GET /api/set-up/document-types": [
      TYPE,
      { ...TYPE, code: "passport", label: "Horse passport", synonyms: [] },
    ],
    "GET /api/set-up/kinds": [KIND],
    "GET /api/set-up/sections": [
      { code: "horses", label: "Horses", types: 2 },
      { code: "other", label: "Other", types: 0 },
    ],
    "POST /api/set-up/checklists/clients/effect": EFFECT,
    "POST /api/set-up/document-types/ownership/effect": EFFECT,
    "POST /api/set-up/document-types/example": { words: "A paper of then would hold until later." },
    "PUT /api/set-up/checklists/clients": {},
    "PUT /api/set-up/document-types/ownership": {},
    "PUT /api/set-up/kinds/client": {},
    "PUT /api/set-up/sections": {},
    ...more,
  });
  show(
    <Routes>
      <Route path="/set-up/*" element={<SetUpPage />} />
    </Routes>,
    path,
  );
  return calls;
}

test("a checklist is shown in sentences as its newest version holds", async () => {
  setUp("/set-up");
  expect(await screen.findByDisplayValue("Proof of ownership")).toBeTruthy();
  expect(screen.getByText("files whose")).toBeTruthy();
  expect(screen.getByText("2 versions")).toBeTruthy();
  expect(screen.getAllByText("of everyone above")).toHaveLength(2);
  expect((screen.getAllByLabelText("Days of warning")[0] as HTMLInputElement).value).toBe("30");
});

test("the effect is told before anything is saved, and what is saved is a version from today", async () => {
  const calls = setUp("/set-up/checklists/clients");
  fireEvent.change((await screen.findAllByLabelText("Days of grace"))[0] as HTMLElement, {
    target: { value: "7" },
  });
  fireEvent.click(screen.getByText("See the effect and save…"));
  const dialog = await screen.findByRole("dialog");
  expect(await within(dialog).findByText("1 would no longer be clear")).toBeTruthy();
  expect(within(dialog).getByText("Horse passport: on file → expiring")).toBeTruthy();
  expect(within(dialog).getByText("0 would become clear")).toBeTruthy();
  expect(calls.some((c) => c.method === "PUT")).toBe(false);
  fireEvent.click(within(dialog).getByText("Save"));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  const saved = calls.find((c) => c.method === "PUT")?.body as Record<string, unknown>;
  expect(saved).toMatchObject({ version: 3, label: "Clients", fromDay: "2026-11-25" });
  expect(saved.definition).toMatchObject({ requirements: [{ code: "ownership", graceDays: 7 }, {}] });
});

test("a fault is shown at the requirement it is in", async () => {
  setUp("/set-up/checklists/clients", {
    "POST /api/set-up/checklists/clients/effect": new Refusal(422, {
      code: "invalid",
      detail: "100 points can never be reached",
      problems: [
        { field: "definition/requirements/1/evidence/points", message: "100 points can never be reached" },
      ],
    }),
  });
  fireEvent.click(await screen.findByText("See the effect and save…"));
  const words = await screen.findByText("100 points can never be reached");
  const card = words.closest(".requirement") as HTMLElement;
  expect(within(card).getByDisplayValue("Horse passport")).toBeTruthy();
});

test("requirements are added, named, moved by keys and removed", async () => {
  setUp("/set-up/checklists/clients");
  await screen.findByDisplayValue("Proof of ownership");
  const names = () =>
    screen.getAllByLabelText("Name of the requirement").map((field) => (field as HTMLInputElement).value);
  fireEvent.click(screen.getByText("Add a requirement"));
  fireEvent.change(screen.getAllByLabelText("Name of the requirement")[2] as HTMLElement, {
    target: { value: "Vet card" },
  });
  expect(names()).toEqual(["Proof of ownership", "Horse passport", "Vet card"]);
  fireEvent.keyDown(screen.getByLabelText(/^Move Vet card/), { key: "ArrowUp" });
  expect(names()).toEqual(["Proof of ownership", "Vet card", "Horse passport"]);
  fireEvent.click(screen.getByLabelText("Remove Proof of ownership"));
  expect(names()).toEqual(["Vet card", "Horse passport"]);
});

test("a type says by an example what its rule does, and is found by a synonym", async () => {
  const calls = setUp("/set-up/types");
  expect(await screen.findByText("A paper of then would hold until later.")).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Find a type"), { target: { value: "deed" } });
  const list = screen.getByRole("region", { name: "Document types" });
  expect(within(list).getByText("Proof of ownership")).toBeTruthy();
  expect(within(list).queryByText("Horse passport")).toBeNull();
  fireEvent.click(screen.getByText("until a birthday"));
  fireEvent.change(await screen.findByLabelText("Age"), { target: { value: "16" } });
  await waitFor(() =>
    expect(
      calls.some((c) => JSON.stringify(c.body)?.includes('"validity":{"rule":"untilAge","age":16}')),
    ).toBe(true),
  );
});

test("a rule that cannot be is told while it is typed", async () => {
  setUp("/set-up/types/ownership", {
    "POST /api/set-up/document-types/example": new Refusal(422, {
      detail: "A period must be longer than nothing",
    }),
  });
  expect(await screen.findByText("A period must be longer than nothing")).toBeTruthy();
});

test("a season's end and a period's anchor are written as the open JSON has them", async () => {
  const calls = setUp("/set-up/types/ownership");
  fireEvent.click(await screen.findByText("to the end of that month"));
  fireEvent.click(screen.getByText("See the effect and save…"));
  await waitFor(() =>
    expect(calls.find((c) => c.path.endsWith("/effect"))?.body).toMatchObject({
      validity: { rule: "period", period: "P2Y", roundTo: "endOfMonth" },
    }),
  );
  cleanup();
  const more = setUp("/set-up/types/ownership");
  fireEvent.click(await screen.findByText("until the end of a season"));
  fireEvent.change(await screen.findByLabelText("Day of the month"), { target: { value: "5" } });
  fireEvent.click(screen.getByText("See the effect and save…"));
  await waitFor(() =>
    expect(more.find((c) => c.path.endsWith("/effect"))?.body).toMatchObject({
      validity: { rule: "seasonEnd", monthDay: "--08-05" },
    }),
  );
});

test("a fact is added to a kind under a name of its own", async () => {
  const calls = setUp("/set-up/kinds/client");
  fireEvent.change(await screen.findByLabelText("New fact"), { target: { value: "Locker number" } });
  fireEvent.click(screen.getByRole("button", { name: /Add/ }));
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
    version: 1,
    facts: [
      { name: "box" },
      { name: "lockerNumber", label: "Locker number", form: "TEXT", key: false, sensitive: false },
    ],
  });
});

test("a fact that files hold is refused in the server's words", async () => {
  setUp("/set-up/kinds/client", {
    "PUT /api/set-up/kinds/client": new Refusal(409, {
      detail: "“Box” stands in 35 files and cannot be taken away.",
    }),
  });
  fireEvent.click(await screen.findByLabelText("Remove Box"));
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  expect(await screen.findByText("“Box” stands in 35 files and cannot be taken away.")).toBeTruthy();
});

test("sections are moved and renamed", async () => {
  const calls = setUp("/set-up/sections");
  fireEvent.click(await screen.findByLabelText("Move Horses down"));
  fireEvent.change(screen.getAllByLabelText("Name of the section")[0] as HTMLElement, {
    target: { value: "Rest" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "PUT")?.body).toEqual([
      { code: "other", label: "Rest" },
      { code: "horses", label: "Horses" },
    ]),
  );
});

test("rules are looked at before they are taken in", async () => {
  const calls = setUp("/set-up/rules", {
    "POST /api/set-up/rules": (call: { path: string }) => ({
      applied: call.path.includes("apply=true"),
      lines: [
        { what: "type", code: "saddle-fit", outcome: "new" },
        { what: "type", code: "ownership", outcome: "same" },
      ],
    }),
  });
  fireEvent.change(screen.getByLabelText("Rules as JSON", { selector: "textarea" }), {
    target: { value: '{"documentTypes": []}' },
  });
  fireEvent.click(screen.getByText("See what it would bring"));
  expect(await screen.findByText("1 of 2 are new or changed")).toBeTruthy();
  expect(screen.queryByText("ownership")).toBeNull();
  fireEvent.click(screen.getByText("Take them in"));
  expect(await screen.findByText("Taken. Files are recomputed now.")).toBeTruthy();
  expect(calls.filter((c) => c.method === "POST").map((c) => c.path)).toEqual([
    "/api/set-up/rules?apply=false",
    "/api/set-up/rules?apply=true",
  ]);
});
