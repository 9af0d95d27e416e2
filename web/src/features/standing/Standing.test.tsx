import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { PaperStanding } from "./PaperStanding";
import { SendModal } from "./SendModal";
import { UnderWayPage } from "./UnderWayPage";

afterEach(cleanup);

const PAPER = { id: "d1", fileId: "f1", name: "Livery agreement", versions: [{}, {}] };

test("beside a paper stands who has it, who lacks it, and the second person's check", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/readers": [],
    "GET /api/documents/d1/standing": {
      stage: "SENT",
      waitsFor: "RECEIVER",
      names: ["Hallam Insurance", "guardian"],
      since: "2026-11-20",
      sent: 2,
      wantsCheck: true,
      mayCheck: true,
      receivers: [
        { label: "client", name: "Kofi Adjare", given: "2026-11-21", opened: true },
        { label: "insurer", name: "Hallam Insurance", given: "2026-11-22", opened: false },
        { label: "guardian", opened: false },
      ],
    },
    "POST /api/documents/check": {},
  });
  show(<PaperStanding paper={PAPER} />);
  expect(await screen.findByText("Sent to 2 of 3")).toBeTruthy();
  const list = within(screen.getByRole("list", { name: "Who must have it" }));
  expect(list.getByText("has it since 21 Nov 2026")).toBeTruthy();
  expect(list.getByText("sent 22 Nov 2026, not opened yet")).toBeTruthy();
  expect(list.getByText("No guardian is known")).toBeTruthy();
  expect(await list.findAllByRole("button")).toHaveLength(1);
  fireEvent.click(screen.getByRole("button", { name: "Checked" }));
  await waitFor(() =>
    expect(calls.find((c) => c.path === "/api/documents/check")?.body).toEqual({
      documents: [{ id: "d1", version: 2 }],
    }),
  );
});

test("a paper that nobody must have says nothing of it", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/documents/d1/standing": {
      stage: "FILED",
      names: [],
      since: "2026-11-20",
      sent: 0,
      wantsCheck: false,
      mayCheck: false,
      receivers: [],
    },
  });
  show(<PaperStanding paper={PAPER} />);
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/standing"))).toBe(true));
  expect(screen.queryByRole("region", { name: "How it stands" })).toBeNull();
});

const SENDINGS = [
  {
    fileId: "f1",
    person: "Kofi Adjare",
    label: "client",
    name: "Kofi Adjare",
    address: "kofi@post.example",
    who: "PERSON" as const,
    papers: [{ id: "d1", name: "Livery agreement" }],
  },
  {
    fileId: "f2",
    person: "Sanna Lindqvist",
    label: "client",
    name: "Sanna Lindqvist",
    address: "sanna@post.example",
    who: "PERSON" as const,
    papers: [{ id: "d2", name: "Livery agreement, other" }],
  },
  {
    fileId: "f2",
    person: "Sanna Lindqvist",
    label: "insurer",
    who: "RELATION" as const,
    papers: [{ id: "d2", name: "Livery agreement, other" }],
  },
];

const draft = (id: string, stillReadable: string[] = []) => ({
  id: `c-${id}`,
  number: 7,
  documentId: id,
  paper: id,
  pages: 1,
  covered: 1,
  moved: 0,
  stillReadable,
  isOriginal: false,
});

test("many are sent at once, each by a mail of their own, and what cannot go is said beside it", async () => {
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "POST /api/under-way/to-send": SENDINGS,
    "POST /api/copies-out": (call) =>
      JSON.stringify(call.body).includes("d2") ? [draft("d2", ["“Korhola”, page 2"])] : [draft("d1")],
    "POST /api/copies-out/mail": { id: "m1" },
  });
  const onClose = vi.fn();
  show(<SendModal documents={["d1", "d2"]} onClose={onClose} />);
  expect(await screen.findByText("No insurer is known")).toBeTruthy();
  fireEvent.click(await screen.findByRole("button", { name: "Send 2 mails" }));
  expect(await screen.findByText(/words that are covered can be read elsewhere/)).toBeTruthy();
  expect(screen.getByText("On its way, 1 place covered.")).toBeTruthy();
  const mailed = calls.filter((c) => c.path === "/api/copies-out/mail");
  expect(mailed).toHaveLength(1);
  expect(mailed[0]?.body).toMatchObject({ to: "kofi@post.example", copies: ["c-d1"], endsOn: "2026-12-09" });
  fireEvent.click(screen.getByRole("button", { name: "Done" }));
  expect(onClose).toHaveBeenCalledWith(true);
});

test("papers under way are told by whom they wait for, and several are checked at once", async () => {
  const row = (id: string, mayCheck: boolean) => ({
    documentId: id,
    fileId: "f1",
    version: 1,
    paper: `Safeguarding ${id}`,
    typeLabel: "Safeguarding",
    person: "Tamsin Korhola",
    stage: "COMPLETE" as const,
    waitsFor: "US" as const,
    names: [],
    since: "2026-11-20",
    sent: 0,
    receivers: 0,
    checked: false,
    wantsCheck: true,
    mayCheck,
  });
  let refuses = true;
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/document-types": [],
    "GET /api/under-way?queue=CHECK": {
      counts: { us: 3, signer: 0, others: 1, receiver: 2, check: 2 },
      papers: [row("s1", true), row("s2", false)],
    },
    "POST /api/documents/check": () =>
      refuses ? new Refusal(409, { code: "newer-version", detail: "A newer version came in." }) : {},
  });
  show(<UnderWayPage />, "/under-way?queue=CHECK");
  expect(await screen.findByText("To check · 2")).toBeTruthy();
  const [, first, second] = await screen.findAllByRole("checkbox");
  fireEvent.click(second as HTMLElement);
  expect(await screen.findByText(/somebody else checks those/)).toBeTruthy();
  expect(screen.getByRole("button", { name: "Checked" })).toHaveProperty("disabled", true);
  fireEvent.click(second as HTMLElement);
  fireEvent.click(first as HTMLElement);
  fireEvent.click(screen.getByRole("button", { name: "Checked" }));
  expect(await screen.findByText("A newer version came in.")).toBeTruthy();
  expect(screen.getByText("1 chosen")).toBeTruthy();
  refuses = false;
  fireEvent.click(await screen.findByRole("button", { name: "Checked" }));
  expect(await screen.findByText("Checked.")).toBeTruthy();
  expect(calls.at(-1)?.path).toContain("/api/under-way");
});
