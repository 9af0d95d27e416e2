import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Shape } from "../../api/client";
import { PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { sendResumably } from "../uploads/sendResumably";
import { PortalPage } from "./PortalPage";

vi.mock("../uploads/sendResumably", { spy: true });

afterEach(cleanup);

const PORTAL: Shape<"PortalAnswer"> = {
  practice: PRACTICE.name,
  colour: "#3b4f63",
  guest: "Ruth Penhallow",
  previousVisit: "2026-11-12T08:00:00Z",
  people: [{ fileId: "f1", name: "Edie Penhallow", relation: "guardian", mayAdd: true, mayTakeBack: true }],
  asks: [
    {
      id: "q1",
      fileId: "f1",
      personName: "Edie Penhallow",
      label: "Insurance card",
      why: "lapsed on 31 October 2026",
      words: "Front and back, please.",
      sent: false,
    },
    {
      id: "q2",
      fileId: "f1",
      personName: "Edie Penhallow",
      label: "Referral letter",
      why: "missing",
      sent: true,
    },
  ],
  shared: [
    {
      documentId: "d1",
      name: "n",
      typeLabel: "Session plan",
      fileId: "f1",
      sectionLabel: "Agreements",
      personName: "Edie Penhallow",
      documentDate: "2026-11-20",
      pages: 2,
      sharedAt: "2026-11-20T08:00:00Z",
      fresh: true,
    },
    {
      documentId: "d2",
      name: "n",
      typeLabel: "Guardian consent",
      fileId: "f1",
      sectionLabel: "Agreements",
      personName: "Edie Penhallow",
      documentDate: "2025-10-22",
      pages: 1,
      sharedAt: "2025-10-22T08:00:00Z",
      fresh: false,
    },
  ],
  sent: [
    {
      id: "s1",
      fileId: "f1",
      fileName: "IMG_2041.jpg",
      receivedAt: "2026-11-24T08:00:00Z",
      state: "RECEIVED",
    },
  ],
};

test("what is asked comes first, with its reason and a way to send it", async () => {
  serve({ "GET /api/practice": PRACTICE, "GET /api/portal/messages": [], "GET /api/portal": PORTAL });
  show(<PortalPage />);
  await screen.findByText("We need one thing from you");
  expect(screen.getByText(/lapsed on 31 October 2026\. Front and back, please\./)).toBeTruthy();
  expect(screen.getByLabelText("Photograph: Insurance card").getAttribute("capture")).toBe("environment");
  expect(screen.getByText(/Referral letter: received/)).toBeTruthy();
  const headings = screen.getAllByRole("heading", { level: 2 }).map((h) => h.textContent);
  expect(headings[0]).toContain("We need");
  expect(headings[1]).toContain("New since");
  expect(headings[2]).toBe("All that is shared with you · 2");
});

test("a paper that is too large is refused before it is sent", async () => {
  serve({
    "GET /api/practice": { ...PRACTICE, uploadLimit: 1_048_576 },
    "GET /api/portal/messages": [],
    "GET /api/portal": PORTAL,
  });
  show(<PortalPage />);
  await screen.findByText(/at most 1 MB/);
  const large = new File([new Uint8Array(1_200_000)], "huge.pdf", { type: "application/pdf" });
  fireEvent.change(screen.getByLabelText("Choose a file: Insurance card"), { target: { files: [large] } });
  await screen.findByText(/“huge.pdf” has 1.1 MB; at most 1 MB are taken/);
});

test("what nobody filed yet can be taken back; a refusal is told", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal/messages": [],
    "GET /api/portal": PORTAL,
    "DELETE /api/portal/papers/s1": new Refusal(409, { detail: "This paper is filed already." }),
  });
  show(<PortalPage />);
  fireEvent.click(await screen.findByRole("button", { name: "Take back" }));
  await screen.findByText("This paper is filed already.");
  await waitFor(() => expect(calls.filter((c) => c.path === "/api/portal").length).toBeGreaterThan(1));
});

test("a guest of whom nothing is asked is told so", async () => {
  serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal/messages": [],
    "GET /api/portal": { ...PORTAL, asks: [], shared: [], sent: [] },
  });
  show(<PortalPage />);
  await screen.findByText("We need nothing from you now");
  expect(screen.getByText(/You get a mail when something is/)).toBeTruthy();
});

const photo = (name: string) => new File([new Uint8Array(10)], name, { type: "image/jpeg" });

test("five photos go as two papers; those that arrived are not sent again when a later one is refused", async () => {
  let refuses = true;
  let uploads = 0;
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal/messages": [],
    "GET /api/portal": PORTAL,
    "POST /api/portal/papers": (call: { body: unknown }) =>
      refuses && !(call.body as { more?: string[] }).more?.includes("u2")
        ? new Refusal(422, { detail: "The last one is no picture." })
        : { id: "a1" },
  });
  vi.mocked(sendResumably).mockImplementation((_file, take) => {
    const id = `u${++uploads}`;
    return { taken: take(id, () => undefined), stop: () => undefined, goOn: () => undefined } as never;
  });
  show(<PortalPage />);
  fireEvent.change(await screen.findByLabelText("Choose a file: Insurance card"), {
    target: { files: ["1.jpg", "2.jpg", "3.jpg", "4.jpg", "5.jpg"].map(photo) },
  });
  await screen.findByText("Send 5 photos as one paper");
  fireEvent.click(screen.getAllByLabelText("a new paper")[2] as HTMLElement);
  fireEvent.click(screen.getByText("Send 5 photos as 2 papers"));
  await screen.findByText("The last one is no picture.");
  await screen.findByText("Send 2 photos as one paper");
  refuses = false;
  fireEvent.click(screen.getByText("Send 2 photos as one paper"));
  await screen.findByText("Thank you, it has arrived.");
  const sent = calls.filter((c) => c.path === "/api/portal/papers").map((c) => c.body);
  expect(sent[0]).toEqual({ upload: "u1", more: ["u2", "u3"], fileId: "f1", askId: "q1" });
  expect(sent.at(-1)).toEqual({ upload: "u6", more: ["u7"], fileId: "f1", askId: "q1" });
});

test("400 photos at once are told, and the first are there", async () => {
  serve({ "GET /api/practice": PRACTICE, "GET /api/portal/messages": [], "GET /api/portal": PORTAL });
  show(<PortalPage />);
  fireEvent.change(await screen.findByLabelText("Choose a file: Insurance card"), {
    target: { files: Array.from({ length: 400 }, (_, i) => photo(`${i}.jpg`)) },
  });
  await screen.findByText(/At most 60 at once: 400 were chosen, the first 60 are here/);
  expect(screen.getAllByText("Leave out")).toHaveLength(60);
});

test("who comes for two people sees one of them alone, finds words, and puts news away", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal/messages": [],
    "GET /api/portal": {
      ...PORTAL,
      people: [
        ...PORTAL.people,
        { fileId: "f2", name: "Kenji Abelard", relation: "guardian", mayAdd: false, mayTakeBack: false },
      ],
      shared: [
        ...PORTAL.shared,
        {
          ...PORTAL.shared[1],
          documentId: "d3",
          fileId: "f2",
          typeLabel: "Enrolment",
          personName: "Kenji Abelard",
        },
        {
          ...PORTAL.shared[1],
          documentId: "d4",
          fileId: "f2",
          typeLabel: "Assessment",
          personName: "Kenji Abelard",
        },
      ] as never,
    },
    "GET /api/portal/found?text=trot": ["d4"],
    "POST /api/portal/documents/d1/put-away": {},
  });
  show(<PortalPage />);
  fireEvent.click(await screen.findByLabelText("Put Session plan away"));
  await waitFor(() => expect(calls.some((c) => c.path.endsWith("/put-away"))).toBe(true));
  fireEvent.change(screen.getByLabelText("Find in what is shared with you"), { target: { value: "trot" } });
  await waitFor(() => expect(screen.queryByText("Enrolment")).toBeNull());
  screen.getByText("Assessment");
  fireEvent.click(screen.getByRole("button", { name: "Kenji Abelard" }));
  screen.getByText("We need nothing from you now");
  expect(screen.queryByText("Send us something else")).toBeNull();
});

test("a message is sent about one person, and what the practice wrote counts as seen", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal": PORTAL,
    "GET /api/portal/messages": [
      {
        fileId: "f1",
        personName: "Edie Penhallow",
        guestId: "r1",
        guestName: "Ruth Penhallow",
        messages: [
          {
            id: "m1",
            fromGuest: false,
            by: "Zuri",
            words: "Please bring boots.",
            papers: [{ name: "Session plan" }],
            at: "2026-11-24T09:00:00Z",
            read: false,
          },
        ],
      },
    ],
    "POST /api/portal/messages/read": {},
    "POST /api/portal/messages": {},
  });
  show(<PortalPage />);
  await screen.findByText("Please bring boots.");
  await waitFor(() => expect(calls.some((c) => c.path === "/api/portal/messages/read")).toBe(true));
  const field = screen.getByLabelText<HTMLTextAreaElement>("Write to us about Edie Penhallow");
  fireEvent.change(field, { target: { value: "We will." } });
  fireEvent.click(screen.getByLabelText("IMG_2041.jpg"));
  fireEvent.click(screen.getByText("Send the message"));
  await waitFor(() => expect(field.value).toBe(""));
  expect(calls.find((c) => c.method === "POST" && c.path === "/api/portal/messages")?.body).toEqual({
    fileId: "f1",
    words: "We will.",
    sent: ["s1"],
  });
});
