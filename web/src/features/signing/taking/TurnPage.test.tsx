import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../../api/client";
import { PRACTICE, Refusal, serve, show } from "../../../testing/screen";
import { MyTurnPage } from "./MyTurnPage";
import { TurnDoor } from "./TurnDoor";

afterEach(cleanup);

const TURN: Shape<"TurnAnswer"> = {
  turnId: "t1",
  requestId: "r1",
  practice: "Oakhollin Riding & Therapy Yard",
  person: "Kenji Abelard",
  askedBy: "Ottilie Brandmoor",
  askedAt: "2026-11-24T09:00:00Z",
  message: "The second paragraph is new.",
  dueOn: "2026-12-03",
  state: "OPEN",
  task: "SIGN",
  role: "payer",
  name: "Ruth Penhallow",
  hindrance: null,
  done: false,
  papers: [
    {
      id: "d1",
      name: "Fees agreement",
      pages: 2,
      fields: [
        {
          position: 0,
          kind: "TEXT",
          page: 1,
          left: 0.1,
          top: 0.5,
          width: 0.3,
          height: 0.02,
          required: true,
          label: "Account number",
        },
        { position: 1, kind: "SIGNATURE", page: 2, left: 0.1, top: 0.8, width: 0.28, required: true },
      ],
      shownPages: [1],
      sealedCopy: false,
    },
  ],
  way: [
    { step: 0, task: "SIGN", role: "payer", outcome: "OPEN", mine: true },
    { step: 1, task: "SIGN", role: "yard", outcome: "OPEN", mine: false },
  ],
  mayPassOn: false,
  questions: [],
  secret: "PASSWORD",
  forName: null,
};

const SIGNED = {
  ...TURN,
  done: true,
  way: [{ ...TURN.way[0], outcome: "DONE" as const, doneAt: "2026-11-25T10:00:00Z" }, TURN.way[1]],
};

function open(more: object = {}) {
  const calls = serve({ "GET /api/my-signatures/t1": TURN, ...more });
  show(<MyTurnPage to="/signing" words="All that waits" />, "/signing/turns/t1", "/signing/turns/:id");
  return calls;
}

test("nobody signs before every page was seen; then field by field, and once more the password", async () => {
  const calls = open({ "POST /api/my-signatures/t1/sign": SIGNED });
  await screen.findByText("1 of 2 pages still to be seen");
  expect(screen.getByRole("button", { name: "Sign" })).toHaveProperty("disabled", true);
  fireEvent.load(screen.getByAltText("Fees agreement, page 2 of 2"));
  await screen.findByText("You have seen all 2 pages");
  fireEvent.click(screen.getByRole("button", { name: "Sign" }));
  expect(await screen.findByText("1 of 2")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Next" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Account number, page 1"), { target: { value: "AT61" } });
  fireEvent.click(screen.getByRole("button", { name: "Next" }));
  fireEvent.click(await screen.findByText("Type the name"));
  fireEvent.change(screen.getByLabelText("Your full name"), { target: { value: "Ruth Penhallow" } });
  expect(screen.getByRole("button", { name: "I have read it and sign" })).toHaveProperty("disabled", true);
  fireEvent.change(screen.getByLabelText("Your password, once more"), { target: { value: "secret" } });
  fireEvent.click(screen.getByRole("button", { name: "I have read it and sign" }));
  await screen.findByText(/Signed, 25 Nov 2026/);
  await screen.findByText("Others still sign. You get your sealed copy when everybody has.");
  expect(calls.find((c) => c.method === "POST")?.body).toEqual({
    signature: { typed: "Ruth Penhallow" },
    values: { 0: "AT61" },
    secret: "secret",
  });
});

test("a refusal is told and nothing that was written is lost", async () => {
  open({
    "GET /api/my-signatures/t1": {
      ...TURN,
      secret: "NONE",
      papers: [{ ...TURN.papers[0], fields: [], shownPages: [1, 2] }],
    },
    "POST /api/my-signatures/t1/sign": new Refusal(422, {
      detail: "Not all can be taken.",
      code: "invalid",
      problems: [{ field: "signature", message: "“R” is not the name of Ruth Penhallow." }],
    }),
  });
  fireEvent.click(await screen.findByRole("button", { name: "Sign" }));
  fireEvent.click(await screen.findByText("Type the name"));
  fireEvent.change(screen.getByLabelText("Your full name"), { target: { value: "R" } });
  fireEvent.click(screen.getByRole("button", { name: "I have read it and sign" }));
  await screen.findByText("“R” is not the name of Ruth Penhallow.");
  expect(screen.getByLabelText("Your full name")).toHaveProperty("value", "R");
});

test("somebody says why he does not sign", async () => {
  const calls = open({
    "POST /api/my-signatures/t1/decline": { ...TURN, state: "DECLINED", done: true, hindrance: "x" },
  });
  fireEvent.click(await screen.findByRole("button", { name: "I do not sign" }));
  fireEvent.change(screen.getByLabelText("Why do you not sign?"), { target: { value: "Too dear" } });
  fireEvent.click(screen.getByRole("button", { name: "Say no" }));
  await waitFor(() => expect(calls.find((c) => c.method === "POST")?.body).toEqual({ words: "Too dear" }));
});

test("a link tells nothing of the paper before the code is shown", async () => {
  let open = false;
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/sign/abc/door": () => ({ practice: PRACTICE.name, to: "r…@post.example", open }),
    "POST /api/sign/abc/code": {},
    "POST /api/sign/abc/enter": () => {
      open = true;
      return {};
    },
    "GET /api/sign/abc": TURN,
  });
  show(<TurnDoor />, "/sign/abc", "/sign/:token");
  await screen.findByText("r…@post.example");
  expect(screen.queryByText("Fees agreement")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Send me the code" }));
  fireEvent.change(await screen.findByLabelText("Code"), { target: { value: "123456" } });
  fireEvent.click(screen.getByRole("button", { name: "Go on" }));
  expect(await screen.findByRole("heading", { name: "Fees agreement" })).toBeTruthy();
  expect(calls.find((c) => c.path.endsWith("/enter"))?.body).toEqual({ code: "123456" });
});
