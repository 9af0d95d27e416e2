import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { EDIE } from "../../testing/papers";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { AskModal } from "./AskModal";
import { InviteForm } from "./InviteForm";
import { SharedView } from "./SharedView";

afterEach(cleanup);

const RUTH = {
  accountId: "r",
  name: "Ruth Penhallow",
  email: "ruth@post.example",
  relation: "guardian",
  rights: { inFile: ["ADD" as const, "REMOVE" as const], inSections: [] },
  hasPassword: true,
};
const NEWCOMER = { ...RUTH, accountId: "n", name: "Harrow Mutual", relation: "insurer", hasPassword: false };
const SHARED = {
  guests: [RUTH, NEWCOMER],
  shares: [
    {
      documentId: "d1",
      documentName: "Guardian consent",
      accountId: "r",
      guestName: "Ruth Penhallow",
      sharedBy: "Ottilie Brandmoor",
      sharedAt: "2026-11-20T08:00:00Z",
    },
  ],
  asks: [],
};

function serveShared(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/shared": SHARED,
    "GET /api/files/f1/notices": [],
    "GET /api/document-types": [],
    "GET /api/files/f1/messages": [],
    "GET /api/files/f1/relations": [
      { id: "x", name: "Dr. Wolfreth", words: "physician", email: "wolfreth@post.example", reverse: false },
      { id: "y", name: "Kenji Abelard", words: "sibling", email: "kenji@post.example", reverse: true },
    ],
    ...more,
  });
}

test("who has come in is told, the others get their link again", async () => {
  const calls = serveShared({ "POST /api/files/f1/guests/n/invitation": {} });
  show(<SharedView file={EDIE} />);
  await screen.findByText("has come in");
  const again = await screen.findAllByRole("button", { name: "Send the link again" });
  expect(again).toHaveLength(1);
  fireEvent.click(again[0] as HTMLElement);
  await screen.findByText("A fresh link is on its way.");
  expect(calls.some((c) => c.path.endsWith("/guests/n/invitation"))).toBe(true);
});

test("a paper is no longer shared at once, and why it could not be ended is told", async () => {
  const calls = serveShared({
    "DELETE /api/documents/d1/shares/r": new Refusal(409, { detail: "It is not shared any more." }),
  });
  show(<SharedView file={EDIE} />);
  fireEvent.click(await screen.findByRole("button", { name: "Stop sharing" }));
  await screen.findByText("It is not shared any more.");
  await waitFor(() =>
    expect(calls.filter((c) => c.path === "/api/files/f1/shared").length).toBeGreaterThan(1),
  );
});

test("an ask names whom it is for and is withdrawn", async () => {
  const ask = {
    id: "a1",
    guestName: "Ruth Penhallow",
    label: "Insurance card",
    why: "lapsed on 3 November 2026",
    askedBy: "Ottilie Brandmoor",
    askedAt: "2026-11-20T08:00:00Z",
  };
  const calls = serveShared({
    "GET /api/files/f1/shared": { ...SHARED, asks: [ask] },
    "POST /api/files/f1/asks/a1/withdraw": {},
  });
  show(<SharedView file={EDIE} />);
  await screen.findByText(/from Ruth Penhallow, asked by Ottilie Brandmoor/);
  fireEvent.click(await screen.findByRole("button", { name: "Withdraw" }));
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/asks/a1/withdraw"))).toBe(true));
});

test("an administrator ends what a guest may see, once he has said so twice", async () => {
  const calls = serveShared({ "DELETE /api/files/f1/guests/r": {} });
  show(<SharedView file={EDIE} />);
  fireEvent.click((await screen.findAllByRole("button", { name: "End access" }))[0] as HTMLElement);
  expect(calls.some((c) => c.path.endsWith("/guests/r"))).toBe(false);
  await screen.findByText(/At once they no longer see/);
  const all = screen.getAllByRole("button", { name: "End access" });
  fireEvent.click(all[all.length - 1] as HTMLElement);
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/guests/r"))).toBe(true));
});

test("an ask goes to the guest who is chosen, and to the only one without choosing", async () => {
  const calls = serveShared({
    "GET /api/files/f1/shared": { ...SHARED, guests: [RUTH] },
    "POST /api/files/f1/asks": {},
  });
  const slot = { checklist: "patients", requirement: "insurance-card", label: "Insurance card" };
  const closed = vi.fn();
  show(<AskModal fileId="f1" slot={slot as never} open onClose={closed} />);
  await screen.findByText("Ruth Penhallow, guardian");
  fireEvent.click(screen.getByRole("button", { name: "Ask" }));
  await waitFor(() => expect(closed).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/files/f1/asks")?.body).toMatchObject({ accountId: "r" });
});

test("who may only look sees who sees what, and changes nothing", async () => {
  serveShared({ "GET /api/session": { ...OTTILIE, mayChange: false } });
  show(<SharedView file={EDIE} />);
  await screen.findByText("Guardian consent");
  for (const name of ["Stop sharing", "Invite a guest", "Send the link again"]) {
    expect(screen.queryByRole("button", { name })).toBeNull();
  }
});

test("a related person is invited with his address", async () => {
  const calls = serveShared({ "POST /api/guests": { accountId: "w" } });
  const invited = vi.fn();
  show(<InviteForm files={[EDIE]} okText="Invite" onInvited={invited} />);
  fireEvent.click(await screen.findByRole("button", { name: "Dr. Wolfreth, physician" }));
  expect(screen.queryByRole("button", { name: "Kenji Abelard, sibling" })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Invite" }));
  await waitFor(() => expect(invited).toHaveBeenCalledWith("w", "Dr. Wolfreth"));
  expect(calls.find((c) => c.path === "/api/guests")?.body).toEqual({
    name: "Dr. Wolfreth",
    email: "wolfreth@post.example",
    relation: "other",
    files: ["f1"],
    rights: { inFile: ["ADD" as const, "REMOVE" as const], inSections: [] },
  });
});

test("a guest is written to with a paper, and what he wrote counts as seen", async () => {
  const calls = serveShared({
    "GET /api/files/f1/messages": [
      {
        fileId: "f1",
        personName: "Edie Penhallow",
        guestId: "r",
        guestName: "Ruth Penhallow",
        messages: [
          {
            id: "m1",
            fromGuest: true,
            by: "Ruth Penhallow",
            words: "May she ride?",
            papers: [],
            at: "2026-11-24T09:00:00Z",
            read: false,
          },
        ],
      },
    ],
    "POST /api/files/f1/messages/read": {},
    "POST /api/files/f1/messages": {},
    "GET /api/files/f1/ledger": { sections: [], otherPapers: [{ id: "d1", name: "Session plan" }] },
  });
  show(<SharedView file={EDIE} />);
  await screen.findByText("May she ride?");
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/messages/read"))).toBe(true));
  fireEvent.change(screen.getByLabelText("Write to Ruth Penhallow"), { target: { value: "Yes." } });
  fireEvent.mouseDown(await screen.findByLabelText("Papers shown with it"));
  fireEvent.click(await screen.findByText("Session plan", { selector: ".ant-select-item-option-content" }));
  fireEvent.click(screen.getByRole("button", { name: "Send" }));
  await waitFor(() =>
    expect(calls.find((c) => c.method === "POST" && c.path === "/api/files/f1/messages")?.body).toEqual({
      accountId: "r",
      words: "Yes.",
      papers: ["d1"],
    }),
  );
});
