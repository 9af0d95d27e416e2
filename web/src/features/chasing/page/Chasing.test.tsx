import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../../testing/screen";
import { PlanPage } from "../plans/PlanPage";
import { WordsModal } from "../plans/WordsModal";
import { ToldPage } from "../ToldPage";
import { ChasingPage } from "./ChasingPage";

afterEach(cleanup);

const ME = { id: "me", name: "Ottilie Brandmoor", role: "ADMINISTRATOR", mayChange: true } as const;
const TURN = {
  planId: "p1",
  step: "s1",
  number: 0,
  fileId: "f1",
  checklist: "employees",
  requirement: "first-aid",
  anchor: "2027-01-04",
  recipient: "person",
};
const TELLING = {
  turn: TURN,
  plan: "Staff papers",
  fileId: "f1",
  person: "Tamsin Korhola",
  label: "First aid certificate",
  stands: "expiring",
  until: "2027-01-04",
  why: "30 days before its last day, 4 January 2027, by the plan “Staff papers”",
  planned: "2026-12-05",
};
const AHEAD = {
  today: "2026-12-01",
  ranToday: true,
  more: false,
  days: [
    {
      day: "2026-12-05",
      quiet: false,
      mails: [
        {
          recipient: "Tamsin Korhola",
          address: "tamsin@post.example",
          tellings: [TELLING],
          hidden: 0,
        },
        {
          recipient: "Ruth Penhallow",
          address: "ruth@post.example",
          tellings: [
            { ...TELLING, person: "Edie Penhallow", label: "Consent", turn: { ...TURN, fileId: "f2" } },
          ],
          hidden: 2,
        },
      ],
      tasks: [],
      leftOut: [
        { telling: TELLING, recipient: "Noor Vahdani", reason: "HELD" as const, words: "Held by hand" },
        {
          telling: { ...TELLING, person: "Callum Rethwisch", turn: { ...TURN, fileId: "f4" } },
          recipient: "Callum Rethwisch",
          reason: "UNREACHABLE" as const,
          words: "Mails to callum@post.example came back",
        },
      ],
    },
  ],
};

const LETTER = {
  address: "tamsin@post.example",
  subject: "First aid certificate",
  text: "Dear Tamsin,\n\nplease.",
};

test("what goes out is shown by day with its mail and reason, and held, released and sent", async () => {
  let tries = 0;
  const calls = serve({
    "GET /api/session": ME,
    "GET /api/planned-notices?days=28": AHEAD,
    "GET /api/planned-notices/letter?address=tamsin%40post.example&day=2026-12-05": LETTER,
    "GET /api/planned-notices/letter?address=ruth%40post.example&day=2026-12-05": new Refusal(403, {
      detail: "This mail tells of papers that your account may not know of.",
    }),
    "POST /api/planned-notices/hold": {},
    "POST /api/planned-notices/release": {},
    "POST /api/planned-notices/send": () => {
      tries += 1;
      return tries === 1
        ? new Refusal(409, {
            detail: "tamsin@post.example was written to today already.",
            code: "chased-today",
          })
        : {};
    },
  });
  show(<ChasingPage />);
  await screen.findByText("Dear Tamsin,", { exact: false });
  screen.getByText(TELLING.why);
  screen.getByText("and 2 more that you may not see");
  screen.getByText(/Mails to callum@post.example came back/);
  fireEvent.keyDown(document.body, { key: "h" });
  await waitFor(() =>
    expect(calls.find((c) => c.path.endsWith("/hold"))?.body).toEqual({ turns: [TURN], again: false }),
  );
  fireEvent.click(screen.getByRole("button", { name: "Release" }));
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/release"))).toBe(true));
  fireEvent.keyDown(document.body, { key: "s" });
  fireEvent.click(await screen.findByRole("button", { name: "Send all the same" }));
  await waitFor(() =>
    expect(calls.filter((c) => c.path.endsWith("/send")).map((c) => c.body)).toEqual([
      { turns: [TURN], again: false },
      { turns: [TURN], again: true },
    ]),
  );
  fireEvent.keyDown(document.body, { key: "j" });
  await screen.findByText("This mail tells of papers that your account may not know of.");
});

test("a plan is put together as sentences, shows what would go out, and is saved", async () => {
  const calls = serve({
    "GET /api/session": ME,
    "GET /api/practice": { today: "2026-12-01" },
    "GET /api/notice-plans": [],
    "GET /api/notice-words": [{ id: "w1", changes: 0, name: "Usual", texts: {}, usedBy: [] }],
    "GET /api/colleagues": [],
    "GET /api/set-up/checklists": [],
    "GET /api/kinds": [],
    "GET /api/document-types": [],
    "POST /api/notice-plans/ahead?days=28": AHEAD,
    "POST /api/notice-plans/preview?file=f1": { letter: LETTER, places: ["team"] },
    "POST /api/notice-plans": { id: "p1" },
  });
  show(<PlanPage />);
  fireEvent.change(await screen.findByLabelText("Name"), { target: { value: "Staff papers" } });
  fireEvent.change(screen.getByLabelText("Days of step 1"), { target: { value: "45" } });
  fireEvent.click(screen.getByRole("button", { name: "Remove step 3" }));
  fireEvent.click(screen.getByRole("button", { name: "Repeat step 2" }));
  await screen.findByText("2 mails within 28 days, 2 of them on 5 Dec 2026.");
  await screen.findByText("Not known: team. Nothing goes out without.");
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(calls.some((c) => c.method === "POST" && c.path === "/api/notice-plans")).toBe(true),
  );
  const saved = calls.find((c) => c.method === "POST" && c.path === "/api/notice-plans")?.body;
  expect(saved).toMatchObject({
    name: "Staff papers",
    beginsOn: "2026-12-01",
    steps: [
      { occasion: "LAPSE", days: -45, times: 1, who: { kind: "PERSON" }, words: "w1" },
      { occasion: "LAPSE", days: -7, every: 7, times: 3 },
    ],
  });
});

test("a place is put into the words where the cursor stands, and what is wrong is told", async () => {
  const calls = serve({
    "GET /api/notice-words/places": ["what is open", "given name"],
    "POST /api/notice-words": new Refusal(422, { detail: "There are words of this name already." }),
  });
  show(<WordsModal onClose={() => {}} />);
  fireEvent.change(await screen.findByLabelText("Name"), { target: { value: "Usual" } });
  const text = screen.getByLabelText<HTMLTextAreaElement>("Text");
  fireEvent.change(text, { target: { value: "Please: {what is open}" } });
  text.setSelectionRange(0, 0);
  fireEvent.click(await screen.findByRole("button", { name: "given name" }));
  expect(screen.getByLabelText<HTMLTextAreaElement>("Text").value).toBe("{given name}Please: {what is open}");
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await screen.findByText("There are words of this name already.");
  expect(calls.find((c) => c.method === "POST")?.body).toMatchObject({ name: "Usual", changes: 0 });
});

test("the page behind the link says how to send papers, and ends what is no duty", async () => {
  const calls = serve({
    "POST /api/told//visit": { practice: "Oakhollin", colour: "#24533a", papers: 1, mayUnsubscribe: true },
    "POST /api/told//unsubscribe": {},
  });
  show(<ToldPage />);
  await screen.findByText("We wait for a paper from you");
  fireEvent.click(screen.getByRole("button", { name: "Send me no more of these" }));
  await screen.findByText("You get no more of these mails.");
  expect(calls.filter((c) => c.method === "POST")).toHaveLength(2);
});
