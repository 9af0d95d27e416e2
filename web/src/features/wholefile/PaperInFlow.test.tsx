import { cleanup, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { serve, show } from "../../testing/screen";
import { PaperInFlow } from "./PaperInFlow";
import type { PaperInFile } from "./wholeFileQueries";

// without an observer all papers are near
beforeEach(() => vi.stubGlobal("IntersectionObserver", undefined));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const SCAN = {
  id: "d1",
  name: "Letter",
  version: 2,
  mediaType: "application/pdf",
  pages: 2,
  turned: 0,
} as PaperInFile;

/** One place, in the upper left corner of an upright page that was scanned lying on its side. */
const WORDS = [
  { page: 2, turn: 90, places: [{ text: "hay", first: 0, last: 0, boxes: [[1000, 2000, 500, 100]] }] },
];

function mark() {
  return document.querySelector<HTMLElement>(".word-marks span")?.style;
}

test("marks stand on the page as recognition set it upright", async () => {
  serve({});
  show(<PaperInFlow paper={SCAN} words={WORDS} chosen={{ page: 2, place: 0 }} />);
  const second = await screen.findByAltText("Letter, page 2 of 2");
  expect(second.getAttribute("src")).toContain("/versions/2/pages/2?width=900&upright=true");
  expect([mark()?.left, mark()?.top]).toEqual(["10%", "20%"]);
  expect(document.querySelectorAll(".word-marks .chosen")).toHaveLength(1);
});

test("marks turn along when a reader turned the paper", async () => {
  serve({});
  show(<PaperInFlow paper={{ ...SCAN, turned: 180 }} words={WORDS} />);
  await screen.findByAltText("Letter, page 2 of 2");
  expect([mark()?.left, mark()?.top]).toEqual(["85%", "79%"]);
});

test("what has no pages shows its words with the places marked", async () => {
  serve({
    "GET /api/documents/d1/versions/2/text": { isRead: true, pages: [{ page: 1, text: "hay and straw" }] },
  });
  const places = [{ text: "straw", first: 2, last: 2, boxes: [] }];
  show(
    <PaperInFlow
      paper={{ ...SCAN, mediaType: "text/plain", pages: 0 }}
      words={[{ page: 1, turn: 0, places }]}
    />,
  );
  const found = await screen.findByText("straw");
  expect(found.tagName).toBe("MARK");
});

test("what has neither leads to where it is played or looked at", async () => {
  serve({ "GET /api/documents/d1/versions/2/text": { isRead: true, pages: [] } });
  show(<PaperInFlow paper={{ ...SCAN, mediaType: "audio/vnd.wave", pages: 0 }} />);
  const link = await screen.findByRole("link", { name: "Open this paper by itself" });
  expect(link.getAttribute("href")).toContain("view=read&paper=d1");
});
