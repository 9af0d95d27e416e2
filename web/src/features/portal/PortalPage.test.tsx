import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Shape } from "../../api/client";
import { PRACTICE, Refusal, serve, show } from "../../testing/screen";
import { PortalPage } from "./PortalPage";

afterEach(cleanup);

const PORTAL: Shape<"PortalAnswer"> = {
  practice: PRACTICE.name,
  colour: "#3b4f63",
  guest: "Ruth Penhallow",
  previousVisit: "2026-11-12T08:00:00Z",
  people: [{ fileId: "f1", name: "Edie Penhallow", relation: "guardian", mayAdd: true }],
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
      personName: "Edie Penhallow",
      documentDate: "2025-10-22",
      pages: 1,
      sharedAt: "2025-10-22T08:00:00Z",
      fresh: false,
    },
  ],
  sent: [{ id: "s1", fileName: "IMG_2041.jpg", receivedAt: "2026-11-24T08:00:00Z", state: "RECEIVED" }],
};

test("what is asked comes first, with its reason and a way to send it", async () => {
  serve({ "GET /api/practice": PRACTICE, "GET /api/portal": PORTAL });
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
  serve({ "GET /api/practice": { ...PRACTICE, uploadLimit: 1_048_576 }, "GET /api/portal": PORTAL });
  show(<PortalPage />);
  await screen.findByText(/at most 1 MB/);
  const large = new File([new Uint8Array(1_200_000)], "huge.pdf", { type: "application/pdf" });
  fireEvent.change(screen.getByLabelText("Choose a file: Insurance card"), { target: { files: [large] } });
  await screen.findByText(/“huge.pdf” has 1.1 MB; at most 1 MB are taken/);
});

test("what nobody filed yet can be taken back; a refusal is told", async () => {
  const calls = serve({
    "GET /api/practice": PRACTICE,
    "GET /api/portal": PORTAL,
    "DELETE /api/portal/papers/s1": new Refusal(409, { detail: "This paper is filed already." }),
  });
  show(<PortalPage />);
  fireEvent.click(await screen.findByRole("button", { name: "Take back" }));
  await screen.findByText("This paper is filed already.");
  await waitFor(() => expect(calls.filter((c) => c.path === "/api/portal").length).toBeGreaterThan(1));
});

test("a guest of whom nothing is asked is told so", async () => {
  serve({ "GET /api/practice": PRACTICE, "GET /api/portal": { ...PORTAL, asks: [], shared: [], sent: [] } });
  show(<PortalPage />);
  await screen.findByText("We need nothing from you now");
  expect(screen.getByText(/You get a mail when something is/)).toBeTruthy();
});
