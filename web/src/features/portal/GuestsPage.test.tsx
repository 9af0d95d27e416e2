import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { OTTILIE, Refusal, serve, show } from "../../testing/screen";
import { AsGuestSees } from "./AsGuestSees";
import { GuestsPage } from "./GuestsPage";

afterEach(cleanup);

const RUTH = {
  accountId: "r1",
  name: "Ruth Penhallow",
  email: "ruth@post.example",
  hasPassword: true,
  closed: false,
  lastVisit: "2026-11-24T09:00:00Z",
  files: [
    {
      fileId: "f1",
      name: "Edie Penhallow",
      number: "P-0101",
      relation: "guardian",
      rights: { inFile: ["ADD" as const], inSections: [{ section: "health", deeds: ["SEE" as const] }] },
      ended: false,
    },
  ],
};

function serveGuests(more: object = {}) {
  return serve({
    "GET /api/session": OTTILIE,
    "GET /api/guests": [RUTH],
    "GET /api/document-types": [
      { code: "x", section: "health", sectionLabel: "Health" },
      { code: "y", section: "letters", sectionLabel: "Letters" },
    ],
    ...more,
  });
}

test("what a guest may stands in words, is changed for one section, and a past day is refused at its field", async () => {
  let refuses = true;
  const calls = serveGuests({
    "PUT /api/files/f1/guests/r1": () =>
      refuses
        ? new Refusal(422, {
            detail: "No.",
            problems: [{ field: "until", message: "Choose a day that is not past." }],
          })
        : {},
  });
  show(<GuestsPage />);
  await screen.findByText("may add · Health: see");
  fireEvent.click(screen.getByText("Change"));
  const dialog = await screen.findByRole("dialog");
  fireEvent.click(within(within(dialog).getByLabelText("In health")).getByLabelText("sign"));
  fireEvent.click(within(dialog).getByRole("button", { name: "Save" }));
  await screen.findByText("Choose a day that is not past.");
  refuses = false;
  fireEvent.click(within(dialog).getByRole("button", { name: "Save" }));
  await screen.findByText("Saved. It holds at once.");
  expect(calls.filter((c) => c.method === "PUT").at(-1)?.body).toEqual({
    relation: "guardian",
    rights: { inFile: ["ADD"], inSections: [{ section: "health", deeds: ["SEE", "SIGN"] }] },
  });
});

test("what a guest did is told, and access ends after a question", async () => {
  const calls = serveGuests({
    "GET /api/guests/r1/trail": [
      { seq: 4, at: "2026-11-24T09:00:00Z", who: "Ruth", action: "looked", sentence: "looked at “Plan”" },
    ],
    "DELETE /api/files/f1/guests/r1": {},
  });
  show(<GuestsPage />);
  fireEvent.click(await screen.findByText("What they did"));
  await screen.findByText("looked at “Plan”");
  fireEvent.click(screen.getByText("End…"));
  expect(calls.some((c) => c.method === "DELETE")).toBe(false);
  fireEvent.click(await screen.findByText("End access"));
  await waitFor(() => expect(calls.some((c) => c.path === "/api/files/f1/guests/r1")).toBe(true));
});

test("the portal is looked at as the guest sees it, without anything to send or open", async () => {
  serve({
    "GET /api/guests/r1/portal": {
      practice: "Oakhollin",
      colour: "#3b4f63",
      guest: "Ruth Penhallow",
      people: [
        { fileId: "f1", name: "Edie Penhallow", relation: "guardian", mayAdd: true, mayTakeBack: true },
      ],
      asks: [
        {
          id: "q1",
          fileId: "f1",
          personName: "Edie Penhallow",
          label: "Insurance card",
          why: "missing",
          sent: false,
        },
      ],
      shared: [],
      sent: [
        {
          id: "s1",
          fileName: "IMG.jpg",
          personName: "Edie Penhallow",
          receivedAt: "2026-11-24T09:00:00Z",
          state: "SENT_BACK",
          reason: "unreadable",
        },
      ],
    },
  });
  show(<AsGuestSees />, "/guests/r1", "/guests/:id");
  await screen.findByText("Insurance card");
  screen.getByText(/sent back: unreadable/);
  for (const act of ["Take a photo", "Take back", "Send us something else", "Sign out"]) {
    expect(screen.queryByText(act)).toBeNull();
  }
});
