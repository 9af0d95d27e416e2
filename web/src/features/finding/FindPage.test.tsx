import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import { Refusal, serve, show } from "../../testing/screen";
import { FindPage } from "./FindPage";

afterEach(cleanup);

const COUNTS = {
  papers: 2,
  people: 1,
  kinds: [],
  sections: [],
  types: [{ value: "letter", label: "Letter", papers: 2 }],
  states: [],
  years: [],
  sources: [],
  filedBy: [],
  teams: [],
};
const PAPER = {
  id: "a",
  fileId: "f",
  person: "Tamsin Korhola",
  number: "E-0147",
  kindLabel: "Employee",
  sectionLabel: "Other",
  typeLabels: ["Letter"],
  name: "Letter a",
  documentDate: "2026-11-20",
  receivedOn: "2026-11-21",
  storedAt: "2026-11-21T08:00:00Z",
  state: "FILED",
  source: "by mail",
  filedBy: "Ottilie Brandmoor",
  pages: 3,
  size: 10,
  isRead: true,
  pagesWithoutText: 3,
  isCut: false,
} as const;
const COMMON = {
  "GET /api/preferences": {},
  "GET /api/saved-searches": [],
  "GET /api/session": { mayChange: true },
  "GET /api/kinds": [],
  "GET /api/document-types": [],
  "POST /api/find/counts": COUNTS,
  "POST /api/find/around": [
    { documentId: "a", page: 2, places: 4, before: "the", text: "horses", after: "are" },
  ],
};

test("typed words are asked for once typing pauses, and a value narrows further", async () => {
  const calls = serve({
    ...COMMON,
    "POST /api/find?sort=-dated&offset=0&limit=50": { papers: [PAPER], more: false, leftOut: ["the"] },
  });
  show(<FindPage />);
  await screen.findByText("What do you remember of it?");
  expect(calls.some((c) => c.path.startsWith("/api/find?"))).toBe(false);
  fireEvent.change(screen.getByLabelText("Words on the paper"), { target: { value: "the horse" } });
  await screen.findByText("2 papers of 1 person");
  expect((await screen.findByText("horses")).tagName).toBe("MARK");
  screen.getByText(/3 pages hold no readable text/);
  screen.getByText(/“the” stands in nearly every paper/);
  fireEvent.click(screen.getByRole("checkbox", { name: /Letter 2/ }));
  await waitFor(() =>
    expect(calls.filter((c) => c.path.startsWith("/api/find?")).at(-1)?.body).toEqual({
      words: "the horse",
      types: ["letter"],
    }),
  );
  const link = screen.getByRole("link", { name: "Letter a" });
  expect(link.getAttribute("href")).toBe("/files/f?view=read&paper=a&found=1&words=the+horse");
});

test("what cannot be searched for is said in the server's words", async () => {
  serve({
    ...COMMON,
    "POST /api/find?sort=-dated&offset=0&limit=50": new Refusal(422, {
      detail: "“the” alone finds nothing.",
    }),
  });
  show(<FindPage />);
  fireEvent.change(await screen.findByLabelText("Words on the paper"), { target: { value: "the" } });
  await screen.findByText("“the” alone finds nothing.");
});
