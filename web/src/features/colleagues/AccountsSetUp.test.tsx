import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { AccountsSetUp } from "./AccountsSetUp";
import type { StaffAccount } from "./accountQueries";
import { WhoSees } from "./WhoSees";

afterEach(cleanup);

const ZURI: StaffAccount = {
  id: "z1",
  version: 3,
  email: "zuri@oakhollin.example",
  name: "Zuri Mbeya-Holt",
  role: "COLLEAGUE",
  scope: {
    reach: "TEAM",
    team: "Therapy",
    leads: [],
    seesSensitive: true,
    seesSections: [],
    seesTypes: [],
    mayChange: true,
    marking: "MAKES",
  },
  post: { title: "lead therapist" },
  state: "ACTIVE",
  lastVisit: "2026-11-24T09:00:00Z",
};
const GONE: StaffAccount = {
  ...ZURI,
  id: "g1",
  name: "Ada Former",
  email: "ada@oakhollin.example",
  scope: {
    reach: "EVERYBODY",
    leads: [],
    seesSensitive: false,
    seesSections: [],
    seesTypes: [],
    mayChange: false,
    marking: "SEES",
  },
  post: {},
  state: "ENDED",
};

function setUp(address = "/set-up/accounts", more: object = {}) {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/set-up/accounts": [GONE, ZURI],
    "GET /api/set-up/teams": [{ name: "Therapy", size: "TEAM" }],
    "GET /api/set-up/sections": [{ code: "health", label: "Health", sensitive: true, types: 3 }],
    "GET /api/set-up/document-types": [],
    "GET /api/desks": ["Front desk"],
    "POST /api/set-up/accounts": { id: "n1" },
    "PUT /api/set-up/accounts/z1": ZURI,
    "PUT /api/set-up/accounts/z1/pause": {},
    "POST /api/accounts/z1/close": {},
    ...more,
  });
  show(<AccountsSetUp />, address, "/set-up/accounts/:code?");
  return calls;
}

const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

test("who works here stands with what they may see, those who left at the end", async () => {
  setUp();
  const rows = await waitFor(() => {
    const found = screen.getAllByRole("row").slice(1);
    expect(found).toHaveLength(2);
    return found;
  });
  expect(within(rows[0] as HTMLElement).getByText("team Therapy · sensitive papers")).toBeTruthy();
  expect(within(rows[0] as HTMLElement).getByText("active")).toBeTruthy();
  expect(
    within(rows[1] as HTMLElement).getByText("everybody · no sensitive papers · looks only"),
  ).toBeTruthy();
  type("Find a person with an account", "therapy");
  expect(screen.queryByText("Ada Former")).toBeNull();
});

async function choose(label: string, option: string) {
  fireEvent.mouseDown(screen.getByLabelText(label));
  fireEvent.click(
    await screen.findByText(option, {
      selector: ".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-content",
    }),
  );
}

test("somebody is invited; a refusal stands at its field and what was typed stays", async () => {
  let refuses = true;
  const calls = setUp("/set-up/accounts/new", {
    "POST /api/set-up/accounts": () =>
      refuses
        ? new Refusal(409, {
            detail: "There is already an account with the address.",
            code: "account-exists",
          })
        : { id: "n1" },
  });
  await screen.findByText("Send the invitation");
  type("Name", "Marlo Quennell");
  type("Email address", "marlo@oakhollin.example");
  await choose("Sees the files of", "their team");
  type("In the team", "Therapy");
  await choose("Works at the desk", "Front desk");
  await choose("Deputy", "Zuri Mbeya-Holt");
  type("Deputy until", "31 January 2027");
  fireEvent.blur(screen.getByLabelText("Deputy until"));
  fireEvent.click(screen.getByRole("button", { name: "Send the invitation" }));
  await screen.findByText(/already an account/);
  expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("Marlo Quennell");
  refuses = false;
  fireEvent.click(screen.getByRole("button", { name: "Send the invitation" }));
  await screen.findByText("Marlo Quennell gets a mail with a link.");
  expect(calls.filter((c) => c.method === "POST")[1]?.body).toMatchObject({
    name: "Marlo Quennell",
    email: "marlo@oakhollin.example",
    role: "COLLEAGUE",
    scope: {
      reach: "TEAM",
      team: "Therapy",
      leads: [],
      seesSensitive: false,
      seesSections: [],
      seesTypes: [],
      mayChange: true,
      marking: "MAKES",
    },
    post: { desk: "Front desk", deputy: "z1", deputyUntil: "2027-01-31" },
  });
});

test("rights are changed for the version that was seen, and an administrator sees everybody", async () => {
  const calls = setUp("/set-up/accounts/z1");
  fireEvent.click(await screen.findByLabelText("Administrator"));
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await screen.findByText("Saved. It holds at once.");
  expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({
    version: 3,
    details: { role: "ADMINISTRATOR", scope: { reach: "EVERYBODY", mayChange: true } },
  });
});

test("an account is paused at once and ended only after a question", async () => {
  const calls = setUp("/set-up/accounts/z1");
  fireEvent.click(await screen.findByText("Pause"));
  await screen.findByText("Zuri Mbeya-Holt is signed out and cannot sign in.");
  expect(calls.find((c) => c.path.endsWith("/pause"))?.body).toEqual({ paused: true });
  fireEvent.click(screen.getByText("End the account…"));
  expect(calls.some((c) => c.path.endsWith("/close"))).toBe(false);
  fireEvent.click(await screen.findByText("End it"));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/accounts/z1/close")).toBe(true));
});

test("who may see a file stands with the reason", async () => {
  serve({
    "GET /api/files/f1/who-sees": [
      {
        accountId: "z1",
        name: "Zuri Mbeya-Holt",
        title: "lead therapist",
        why: "team Therapy",
        isGuest: false,
        seesSensitive: true,
        mayChange: true,
      },
      {
        accountId: "r1",
        name: "Ruth Penhallow",
        why: "guest, guardian: what is shared",
        isGuest: true,
        seesSensitive: false,
        mayChange: true,
      },
    ],
  });
  show(<WhoSees fileId="f1" />);
  await screen.findByText("team Therapy");
  screen.getByText("guest, guardian: what is shared");
  screen.getByText("adds papers");
});
