import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { DetailsView } from "./DetailsView";

afterEach(cleanup);

const FILE: Shape<"FileAnswer"> = {
  id: "f1",
  version: 4,
  subject: "PERSON" as const,
  number: "E-0147",
  kind: "employee",
  kindLabel: "Employee",
  givenName: "Tamsin",
  familyName: "Korhola",
  name: "Tamsin Korhola",
  spans: [{ from: "2020-01-01", to: "2021-12-31" }],
  facts: { supervisor: "E-0140" },
  factWords: { supervisor: "Hester Quillam" },
  formerNames: [],
  identifiers: [],
  factDefinitions: [
    { name: "supervisor", label: "Reports to", form: "PERSON", choices: [], key: true, sensitive: false },
  ],
};

function details(more: object = {}, account: object = OTTILIE) {
  const calls = serve({
    "GET /api/session": account,
    "GET /api/practice": PRACTICE,
    "GET /api/files/found": [{ id: "f2", number: "E-0140", kind: "employee", name: "Hester Quillam" }],
    "PUT /api/files/f1": FILE,
    ...more,
  });
  show(<DetailsView file={FILE} />, "/files/f1");
  return calls;
}

/** The form can be typed into once it is known that the account may. */
async function ready() {
  const save = await screen.findByRole<HTMLButtonElement>("button", { name: "Save" });
  await waitFor(() => expect(save.disabled).toBe(false));
}

test("someone who came back has another span, and all are sent", async () => {
  const calls = details();
  await ready();
  fireEvent.click(screen.getByText("Came back…"));
  expect(screen.getAllByLabelText("Remove this span")).toHaveLength(2);
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
    version: 4,
    person: { spans: [{ from: "2020-01-01", to: "2021-12-31" }, {}], facts: { supervisor: "E-0140" } },
  });
});

test("spans that share days are told at their line", async () => {
  details({
    "PUT /api/files/f1": new Refusal(422, {
      detail: "This span shares days with another one.",
      problems: [{ field: "spans.0.from", message: "This span shares days with another one." }],
    }),
  });
  await ready();
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  const words = await screen.findAllByText("This span shares days with another one.");
  expect(words.some((w) => w.closest(".span-line"))).toBe(true);
});

test("another person is shown by name though he is kept by number", async () => {
  details();
  expect(await screen.findByText("Hester Quillam · E-0140")).toBeTruthy();
});

test("a file of the practice's own has one name, and a new place joins the choices", async () => {
  const place = {
    name: "place",
    label: "Place",
    form: "OPEN_CHOICE",
    choices: ["Fen Lane"],
    key: true,
  } as const;
  const file: Shape<"FileAnswer"> = {
    ...FILE,
    subject: "PRACTICE",
    kind: "practice",
    givenName: "",
    familyName: "Lower Stables",
    facts: { place: "Fen Lane" },
    factDefinitions: [{ ...place, choices: ["Fen Lane"], sensitive: false }],
  };
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "PUT /api/files/f1": file,
  });
  show(<DetailsView file={file} />, "/files/f1");
  await ready();
  expect(screen.queryByLabelText("Birth date")).toBeNull();
  expect(screen.queryByLabelText("Given name")).toBeNull();
  fireEvent.change(screen.getByLabelText("Place"), { target: { value: "fen lane" } });
  expect(screen.queryByText("New; it joins the choices.")).toBeNull();
  fireEvent.change(screen.getByLabelText("Place"), { target: { value: "Quarry Meadow" } });
  expect(await screen.findByText("New; it joins the choices.")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() => expect(calls.some((c) => c.method === "PUT")).toBe(true));
  expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
    person: { familyName: "Lower Stables", givenName: "", facts: { place: "Quarry Meadow" } },
  });
});

test("somebody becomes one of another kind from a day on", async () => {
  const calls = details({
    "GET /api/kinds": [
      { code: "employee", label: "Employee", plural: "Employees", subject: "PERSON", facts: [] },
      { code: "client", label: "Client", plural: "Clients", subject: "PERSON", facts: [] },
      { code: "yard", label: "Place", plural: "Places", subject: "PRACTICE", facts: [] },
    ],
    "POST /api/files/f1/kind": { ...FILE, kind: "client", kindLabel: "Client", number: "C-0071" },
  });
  await ready();
  fireEvent.click(await screen.findByRole("button", { name: "Becomes another kind …" }));
  expect(screen.getByRole("button", { name: "Make it so" })).toHaveProperty("disabled", true);
  fireEvent.mouseDown(screen.getByRole("combobox", { name: "Becomes" }));
  fireEvent.click(await screen.findByTitle("Client"));
  expect(screen.queryByTitle("Place")).toBeNull();
  fireEvent.change(screen.getByLabelText("from"), { target: { value: "1 Dec 2026" } });
  fireEvent.blur(screen.getByLabelText("from"));
  fireEvent.click(screen.getByRole("button", { name: "Make it so" }));
  expect(await screen.findByText("Tamsin Korhola is Client C-0071 now.")).toBeTruthy();
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    version: 4,
    kind: "client",
    startsOn: "2026-12-01",
  });
});
