import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { EDIE } from "../../testing/papers";
import { OTTILIE, PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { addDays } from "../../ui/days";
import { CopiesSection } from "./CopiesSection";
import { CopyOutModal } from "./CopyOutModal";

afterEach(cleanup);

const DRAFT = {
  id: "c1",
  number: 17,
  documentId: "d1",
  paper: "Letter",
  pages: 1,
  covered: 2,
  moved: 1,
  stillReadable: ["“Quillfeather”, page 2"],
  isOriginal: false,
};

const READERS = [{ kind: "AROUND", name: "Hallam Insurance", is: "insurer" }] as const;

const open = (onClose = () => {}) =>
  show(<CopyOutModal fileId="f1" papers={[{ id: "d1", name: "Letter" }]} onClose={onClose} />);

function answerWho(name: string) {
  fireEvent.change(
    screen.getByLabelText(/^(Their name|Who is it for\?)$/, { selector: "input[role=combobox]" }),
    { target: { value: name } },
  );
  fireEvent.click(screen.getByRole("button", { name: "Show what they will see" }));
}

test("a copy is made for somebody, looked at, and given once what can still be read is agreed to", async () => {
  HTMLAnchorElement.prototype.click = vi.fn();
  const onClose = vi.fn();
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/readers": READERS,
    "POST /api/copies-out": [DRAFT],
    "POST /api/copies-out/give": {},
  });
  open(onClose);
  expect(screen.getByRole("button", { name: "Show what they will see" })).toHaveProperty("disabled", true);
  await screen.findByText("what is covered, left open");
  answerWho("Hallam Insurance");
  const download = await screen.findByRole("button", {
    name: "Download for Hallam Insurance, 2 places covered",
  });
  expect(calls.find((c) => c.path === "/api/copies-out")?.body).toEqual({
    documents: ["d1"],
    reader: { kind: "AROUND", name: "Hallam Insurance" },
    marks: false,
    open: false,
    foot: true,
  });
  expect(screen.getByText(/1 cover was carried over/)).toBeTruthy();
  expect(download).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByLabelText("Leave them readable there"));
  fireEvent.click(download);
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/copies-out/give")?.body).toEqual({
    copies: ["c1"],
    way: "DOWNLOAD",
    evenIfReadable: true,
  });
});

test("another wish makes another copy, and who may not open covers is not asked about it", async () => {
  const calls = serve({
    "GET /api/session": { ...OTTILIE, marking: "MAKES" },
    "GET /api/files/f1/readers": READERS,
    "POST /api/copies-out": [DRAFT],
  });
  open();
  await screen.findByText(/our highlights/);
  expect(screen.queryByText("what is covered, left open")).toBeNull();
  answerWho("A vet");
  await screen.findByText(/Copy 17/);
  fireEvent.click(screen.getByLabelText(/our highlights/));
  expect(screen.queryByText(/Copy 17/)).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Show what they will see" }));
  await screen.findByText(/Copy 17/);
  expect(calls.filter((c) => c.path === "/api/copies-out")).toHaveLength(2);
});

test("a copy is shared in the portal with a guest, who may be invited first", async () => {
  const onClose = vi.fn();
  const WREN = { kind: "AROUND", name: "Wren Abelard", is: "guardian", email: "wren@post.example" } as const;
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/readers": [...READERS, { ...WREN, accountId: "w" }],
    "GET /api/files/f1/shared": {
      guests: [],
      asks: [],
      shares: [
        {
          documentId: "d1",
          documentName: "Letter",
          accountId: "w",
          guestName: "Wren Abelard",
          sharedBy: "Ottilie Brandmoor",
          sharedAt: "2026-11-20T08:00:00Z",
        },
      ],
    },
    "GET /api/files/f1/relations": [],
    "POST /api/copies-out": [{ ...DRAFT, covered: 0, stillReadable: [] }],
    "POST /api/copies-out/share": {},
  });
  show(
    <CopyOutModal
      fileId="f1"
      file={EDIE}
      papers={[{ id: "d1", name: "Letter" }]}
      wanted="PORTAL"
      onClose={onClose}
    />,
  );
  await screen.findByText("what is covered, left open");
  answerWho("Hallam Insurance");
  expect(await screen.findByText("Hallam Insurance is not a guest of this file yet.")).toBeTruthy();
  expect(await screen.findByRole("button", { name: "Share with Hallam Insurance" })).toHaveProperty(
    "disabled",
    true,
  );
  fireEvent.click(screen.getByRole("button", { name: "Invite a guest" }));
  expect(await screen.findByLabelText("Mail address of the guest")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Choose an existing guest" }));
  answerWho("Wren Abelard");
  expect(await screen.findByText(/sees it already. Shared again/)).toBeTruthy();
  fireEvent.click(await screen.findByRole("button", { name: "Share with Wren Abelard" }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/copies-out/share")?.body).toEqual({
    copies: ["c1"],
    accountId: "w",
    evenIfReadable: false,
  });
});

test("what is printed or zipped is asked about too, and may stay with us", async () => {
  const opened = vi.spyOn(window, "open").mockReturnValue(null);
  serve({ "GET /api/session": OTTILIE, "GET /api/files/f1/readers": READERS });
  show(
    <CopyOutModal fileId="f1" papers={[{ id: "d1", name: "Letter" }]} wanted="PRINT" onClose={() => {}} />,
  );
  expect(screen.queryByLabelText("Their name")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Print for us" }));
  expect(opened).toHaveBeenCalledWith("/api/print?documents=d1", "_blank", "noopener");
  fireEvent.click(screen.getByRole("radio", { name: "for somebody else" }));
  expect(await screen.findByLabelText("Their name")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Print for us" })).toBeNull();
});

test("why a copy cannot be made is said, and nothing is given", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/readers": READERS,
    "POST /api/copies-out": new Refusal(409, { detail: "No copy can be made of it: it is locked." }),
  });
  open();
  answerWho("A vet");
  expect(await screen.findByText("No copy can be made of it: it is locked.")).toBeTruthy();
});

test("a copy goes by mail: as a link that ends, with the words that were written", async () => {
  const onClose = vi.fn();
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/readers": [{ ...READERS[0], email: "post@hallam.example" }],
    "POST /api/copies-out": [{ ...DRAFT, stillReadable: [] }],
    "POST /api/copies-out/mail": { id: "m1" },
  });
  open(onClose);
  await screen.findByText("what is covered, left open");
  answerWho("Hallam Insurance");
  fireEvent.click(await screen.findByRole("button", { name: "By mail …" }));
  expect(screen.getByLabelText("Mail address")).toHaveProperty("value", "post@hallam.example");
  fireEvent.change(screen.getByLabelText("Words"), { target: { value: "Dear all" } });
  fireEvent.click(screen.getByRole("button", { name: "Send to Hallam Insurance, 2 places covered" }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  const body = calls.find((c) => c.path === "/api/copies-out/mail")?.body;
  expect(body).toEqual({
    copies: ["c1"],
    to: "post@hallam.example",
    subject: `Papers from ${PRACTICE.name}`,
    words: "Dear all",
    endsOn: addDays(PRACTICE.today, 14),
    evenIfReadable: false,
  });
});

test("why a mail is not sent is said, and what was written stays", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/practice": PRACTICE,
    "GET /api/files/f1/readers": READERS,
    "POST /api/copies-out": [{ ...DRAFT, stillReadable: [] }],
    "POST /api/copies-out/mail": new Refusal(409, { detail: "“Letter” is sensitive." }),
  });
  open();
  await screen.findByText("what is covered, left open");
  answerWho("A vet");
  fireEvent.click(await screen.findByRole("button", { name: "By mail …" }));
  fireEvent.change(screen.getByLabelText("Mail address"), { target: { value: "vet@post.example" } });
  fireEvent.click(screen.getByLabelText("attached"));
  fireEvent.click(screen.getByRole("button", { name: /^Send to A vet/ }));
  expect(await screen.findByText("“Letter” is sensitive.")).toBeTruthy();
  expect(screen.getByLabelText("Mail address")).toHaveProperty("value", "vet@post.example");
});

const MAILED = {
  id: "c1",
  number: 17,
  documentId: "d1",
  paper: "Letter",
  reader: "Hallam Insurance",
  readerKind: "AROUND",
  way: "MAIL",
  covers: "nothing covered",
  reasons: [],
  marks: false,
  version: 1,
  pages: 1,
  sha256: "ab",
  by: "Ottilie Brandmoor",
  at: "2026-11-25T10:00:00Z",
} as const;

const LINK = {
  id: "m1",
  copies: [17],
  to: "post@hallam.example",
  attached: false,
  endsOn: "2026-12-09",
  isOver: false,
  deliveredAt: "2026-11-25T10:00:05Z",
};

test("a mail tells whether it was delivered and opened, and its link can be ended", async () => {
  let mail: Record<string, unknown> = LINK;
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/copies": [MAILED],
    "GET /api/files/f1/copy-mails": () => [mail],
    "POST /api/copy-mails/m1/end": () => {
      mail = { ...LINK, isOver: true, firstOpenedAt: "2026-11-26T10:00:00Z" };
      return {};
    },
  });
  show(<CopiesSection fileId="f1" />);
  expect(
    await screen.findByText(/handed to the mail server · link until 9 Dec 2026 · not opened yet/),
  ).toBeTruthy();
  fireEvent.click(await screen.findByRole("button", { name: "End the link" }));
  expect(await screen.findByText(/the link has ended · opened 26 Nov/)).toBeTruthy();
  expect(calls.some((c) => c.path === "/api/copy-mails/m1/end")).toBe(true);
  mail = {
    ...LINK,
    attached: true,
    endsOn: undefined,
    deliveredAt: undefined,
    failure: "came back: no such user",
  };
  cleanup();
  show(<CopiesSection fileId="f1" />);
  expect(await screen.findByText(/not delivered: came back: no such user/)).toBeTruthy();
});

test("who has which copy is listed with what was covered", async () => {
  serve({
    "GET /api/files/f1/copies": [
      {
        id: "c1",
        number: 17,
        documentId: "d1",
        paper: "Letter",
        reader: "Hallam Insurance",
        readerKind: "AROUND",
        way: "DOWNLOAD",
        covers: "2 places covered",
        reasons: ["third person"],
        marks: true,
        version: 1,
        pages: 1,
        sha256: "ab",
        by: "Ottilie Brandmoor",
        at: "2026-11-25T10:00:00Z",
      },
    ],
  });
  show(<CopiesSection fileId="f1" />);
  const row = (await screen.findByText("Hallam Insurance")).closest("li");
  expect(row?.textContent).toContain("2 places covered, with marks");
  expect(row?.textContent).toContain("downloaded 25 Nov 2026, Ottilie Brandmoor");
  expect(screen.getByText("Copy 17").getAttribute("href")).toBe("/api/copies-out/c1/content");
});
