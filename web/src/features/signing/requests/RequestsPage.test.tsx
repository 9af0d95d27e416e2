import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, PRACTICE, serve, show } from "../../../testing/screen";
import { RequestsPage } from "./RequestsPage";

afterEach(cleanup);

const ROW = {
  id: "r1",
  state: "OPEN",
  atDesk: false,
  fileId: "f1",
  person: "Tamsin Korhola",
  papers: [{ id: "d1", name: "Contract, Korhola T", type: "Contract", sealed: true }],
  way: [
    {
      id: "t1",
      step: 0,
      task: "SIGN",
      role: "employee",
      name: "Tamsin Korhola",
      colleague: false,
      email: "tamsin@post.example",
      now: true,
      outcome: "OPEN",
      toldAt: "2026-11-20T09:00:00Z",
      reminders: 1,
      scanPages: 0,
      remindedAt: "2026-11-24T09:00:00Z",
      nextReminder: "2026-11-29",
    },
  ],
  askedBy: "Ottilie Brandmoor",
  askedAt: "2026-11-20T09:00:00Z",
  since: "2026-11-20T09:00:00Z",
  endsAtDue: false,
  overdue: false,
  sealing: false,
  hasQuestion: true,
} as const;

const ONE = {
  row: ROW,
  message: "Please read page two.",
  questions: [
    {
      id: "q1",
      turnId: "t1",
      askedBy: "Tamsin Korhola",
      askedAt: "2026-11-21T09:00:00Z",
      question: "Which hours?",
    },
  ],
  mayPassOn: false,
  mayRun: true,
} as const;

function open(address: string, more: object = {}) {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/session": OTTILIE,
    "GET /api/my-signatures": [],
    "GET /api/signature-requests": [ROW],
    "GET /api/signature-requests/r1": ONE,
    ...more,
  });
  show(<RequestsPage />, address);
  return calls;
}

test("the whole way of a signer is told in words, and his question is answered", async () => {
  const calls = open("/signing?show=all&request=r1", {
    "POST /api/signature-requests/r1/questions/q1/answer": {},
  });
  await screen.findByText(
    /not opened · reminded once, last 24 Nov 2026.* · next reminder in 4 days, 29 Nov 2026/,
  );
  fireEvent.change(screen.getByLabelText("Your answer"), { target: { value: "Mornings" } });
  fireEvent.click(screen.getByRole("button", { name: "Answer" }));
  await waitFor(() => expect(calls.find((c) => c.method === "POST")?.body).toEqual({ words: "Mornings" }));
});

test("a request is withdrawn only after it was asked, with a reason", async () => {
  const calls = open("/signing?show=all&request=r1", { "POST /api/signature-requests/r1/withdraw": {} });
  fireEvent.click(await screen.findByRole("button", { name: "Withdraw" }));
  fireEvent.change(await screen.findByPlaceholderText("why, may stay empty"), {
    target: { value: "Other hours" },
  });
  expect(calls.some((c) => c.method === "POST")).toBe(false);
  fireEvent.click(screen.getAllByRole("button", { name: "Withdraw" }).at(-1) as HTMLElement);
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST")).toMatchObject({
      path: "/api/signature-requests/r1/withdraw",
      body: { reason: "Other hours" },
    }),
  );
});

test("what a filter hides is not chosen any more", async () => {
  open("/signing?show=all");
  fireEvent.click((await screen.findAllByRole("checkbox")).at(-1) as HTMLElement);
  await screen.findByText("1 chosen");
  const find = screen.getByLabelText("Find by person, paper or signer");
  fireEvent.change(find, { target: { value: "nobody of this name" } });
  await waitFor(() => expect(screen.queryByText("1 chosen")).toBeNull());
  fireEvent.change(find, { target: { value: "" } });
  await screen.findByText("1 chosen");
});

test("of several that wait for me each is looked through before one signature is given for all", async () => {
  const mine = (id: string, person: string) => ({
    turnId: id,
    requestId: `r-${id}`,
    task: "SIGN",
    person,
    papers: ["Contract"],
    askedBy: "Ottilie Brandmoor",
    since: "2026-11-20T09:00:00Z",
    now: true,
  });
  const turn = (id: string) => ({
    turnId: id,
    secret: "NONE",
    papers: [{ id: `d-${id}`, name: "Contract", pages: 1, fields: [], shownPages: [], sealedCopy: false }],
  });
  const calls = open("/signing", {
    "GET /api/my-signatures": [mine("a", "Ada Small"), mine("b", "Ben Small")],
    "GET /api/my-signatures/a": turn("a"),
    "GET /api/my-signatures/b": turn("b"),
    "POST /api/my-signatures/sign": { signed: 1, notSigned: [] },
  });
  fireEvent.click(await screen.findByRole("checkbox", { name: "all" }));
  fireEvent.click(screen.getByRole("button", { name: "Look through and sign 2" }));
  const page = await screen.findByAltText("Contract, page 1 of 1");
  expect(screen.getByRole("button", { name: "1 of 1 pages still to be seen" })).toHaveProperty(
    "disabled",
    true,
  );
  fireEvent.load(page);
  fireEvent.click(await screen.findByRole("button", { name: "Seen, next" }));
  fireEvent.click(await screen.findByRole("button", { name: "Leave this one out" }));
  fireEvent.click(await screen.findByText("Type the name"));
  fireEvent.change(screen.getByLabelText("Your full name"), { target: { value: "Bram Ostervelt" } });
  fireEvent.click(screen.getByRole("button", { name: "I have read them and sign 1" }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/my-signatures/sign")?.body).toEqual({
      turns: ["a"],
      signature: { typed: "Bram Ostervelt" },
      secret: null,
    }),
  );
});

test("what came back signed with a pen counts once it was looked at", async () => {
  const back = {
    ...ROW.way[0],
    now: false,
    outcome: "TO_CONFIRM",
    scanPages: 1,
    scanWords: "Page 2 did not come back.",
  };
  const calls = open("/signing?show=all&request=r1", {
    "GET /api/signature-requests/r1": { ...ONE, row: { ...ROW, way: [back] } },
    "POST /api/signature-requests/r1/turns/t1/look": {},
  });
  fireEvent.click(await screen.findByRole("button", { name: "Look at it" }));
  await screen.findByText("Page 2 did not come back.");
  fireEvent.click(screen.getByRole("button", { name: "It is signed" }));
  await waitFor(() => expect(calls.find((c) => c.method === "POST")?.body).toEqual({ signed: true }));
});
