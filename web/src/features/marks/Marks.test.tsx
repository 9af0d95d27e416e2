import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { OTTILIE, serve, show } from "../../testing/screen";
import { CoverWordsModal } from "./CoverWordsModal";
import { MarkLayer } from "./MarkLayer";
import { MarkMargin } from "./MarkMargin";
import { MarksSection } from "./MarksSection";
import type { Mark } from "./markQueries";

afterEach(cleanup);

const AREA = { left: 1_000, top: 2_000, width: 3_000, height: 300 };

function mark(id: string, part: Partial<Mark["shape"]>, more: Partial<Mark> = {}): Mark {
  return {
    id,
    documentId: "d1",
    changes: 0,
    page: 1,
    by: "Ottilie Brandmoor",
    at: "2026-11-25T10:00:00Z",
    mayChange: true,
    shape: { kind: "NOTE", areas: [AREA], lines: [], ...part },
    ...more,
  };
}

function layer(marks: Mark[], more: Partial<Parameters<typeof MarkLayer>[0]> = {}) {
  const told = { onPut: vi.fn(), onChange: vi.fn(), onRemove: vi.fn(), onChoose: vi.fn(), onAsked: vi.fn() };
  show(
    <div className="sheet" data-testid="sheet">
      <MarkLayer
        page={1}
        turn={0}
        marks={marks}
        words={{ stamps: ["Received 4 May 2026, OB"], reasons: ["third person"] }}
        mayMake
        {...told}
        {...more}
      />
    </div>,
  );
  const sheet = screen.getByTestId("sheet");
  sheet.getBoundingClientRect = () =>
    ({ left: 0, top: 0, right: 500, bottom: 700, width: 500, height: 700 }) as DOMRect;
  return { ...told, sheet };
}

function drag(sheet: HTMLElement, from: [number, number], to: [number, number]) {
  const at = ([clientX, clientY]: [number, number]) => ({
    clientX,
    clientY,
    button: 0,
    pointerType: "mouse",
  });
  fireEvent.pointerDown(sheet, at(from));
  fireEvent.pointerMove(sheet, at(to));
  fireEvent.pointerUp(sheet, at(to));
}

test("a place that was dragged is asked what it becomes, and is covered with its reason", () => {
  const { onPut, sheet } = layer([]);
  drag(sheet, [50, 70], [150, 140]);
  const slip = within(screen.getByRole("dialog", { name: "Selected place" }));
  fireEvent.click(slip.getByRole("button", { name: "Cover" }));
  fireEvent.click(slip.getByRole("button", { name: "third person" }));
  expect(onPut).toHaveBeenCalledWith([
    {
      page: 1,
      shape: {
        kind: "COVER",
        areas: [{ left: 1_000, top: 1_000, width: 2_000, height: 1_000 }],
        lines: [],
        reason: "third person",
      },
    },
  ]);
  expect(screen.queryByRole("dialog")).toBeNull();
});

test("on a turned page it is kept as the file has the page, and an arrow goes the way it was dragged", () => {
  const { onPut, sheet } = layer([], { turn: 180 });
  drag(sheet, [50, 70], [150, 140]);
  fireEvent.click(screen.getByRole("button", { name: "Arrow" }));
  const [from, to] = onPut.mock.lastCall?.[0]?.[0]?.shape.lines[0] ?? [];
  expect(from.left).toBeGreaterThan(to.left);
  expect(from.top).toBeGreaterThan(to.top);
});

test("a click, a short drag and a drag by somebody who may not ask nothing", () => {
  const { sheet } = layer([]);
  drag(sheet, [50, 70], [52, 71]);
  expect(screen.queryByRole("dialog")).toBeNull();
  cleanup();
  const other = layer([], { mayMake: false });
  drag(other.sheet, [50, 70], [150, 140]);
  expect(screen.queryByRole("dialog")).toBeNull();
});

test("Escape leaves the place as it was", () => {
  const { onPut, sheet } = layer([]);
  drag(sheet, [50, 70], [150, 140]);
  fireEvent.click(screen.getByRole("button", { name: "Note" }));
  fireEvent.keyDown(screen.getByLabelText("Note"), { key: "Escape" });
  expect(screen.queryByRole("dialog")).toBeNull();
  expect(onPut).not.toHaveBeenCalled();
});

test("a mark is moved by arrow keys, resized with Shift, removed with Delete, and only by who may", () => {
  const cover = mark("m1", { kind: "COVER", reason: "third person" });
  const { onChange, onRemove } = layer([cover, mark("m2", { text: "Theirs" }, { mayChange: false })]);
  const place = screen.getByRole("button", { name: /^Cover: third person/ });
  fireEvent.keyDown(place, { key: "ArrowRight" });
  expect(onChange.mock.calls[0]?.[1].areas[0]).toEqual({ ...AREA, left: 1_080 });
  fireEvent.keyDown(place, { key: "ArrowDown", shiftKey: true });
  expect(onChange.mock.calls[1]?.[1].areas[0]).toEqual({ ...AREA, height: 360 });
  fireEvent.keyDown(place, { key: "Delete" });
  expect(onRemove).toHaveBeenCalledWith(cover);
  const theirs = screen.getByRole("button", { name: "Note: Theirs" });
  fireEvent.keyDown(theirs, { key: "Delete" });
  fireEvent.keyDown(theirs, { key: "ArrowRight" });
  expect(onRemove).toHaveBeenCalledTimes(1);
  expect(onChange).toHaveBeenCalledTimes(2);
});

test("the margin tells all marks in their order, finds them by their words and leads to their place", () => {
  const onGoTo = vi.fn();
  const onChange = vi.fn();
  const many = Array.from({ length: 7 }, (_, i) =>
    mark(`m${i}`, { text: `Note number ${i}` }, { page: i + 1 }),
  );
  show(
    <MarkMargin
      marks={[...many, mark("c1", { kind: "COVER", reason: "health" }, { page: 9, carriedFrom: 1 })]}
      page={1}
      mayMake
      onGoTo={onGoTo}
      onChange={onChange}
      onRemove={() => {}}
      onAsk={() => {}}
      onCoverWords={() => {}}
    />,
  );
  expect(screen.getByText("Page 9")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /Still right/ }));
  expect(onChange.mock.calls[0]?.[0].id).toBe("c1");
  fireEvent.change(screen.getByLabelText("Find marks"), { target: { value: "number 4" } });
  expect(screen.getAllByText(/Note number/)).toHaveLength(1);
  fireEvent.click(screen.getByText("Note number 4"));
  expect(onGoTo).toHaveBeenCalledWith(many[4]);
  fireEvent.change(screen.getByLabelText("Find marks"), { target: { value: "nothing such" } });
  expect(screen.getByText("No marks match.")).toBeTruthy();
});

test("marks of all papers of a file are found by their words and lead to their place", async () => {
  serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/marks": [
      { mark: mark("m1", { text: "Ask the yard" }), paper: "Letter", documentDate: "2026-01-11" },
      {
        mark: mark("m2", { kind: "COVER", reason: "health" }, { documentId: "d2", page: 4 }),
        paper: "Report",
        documentDate: "2026-01-12",
      },
    ],
  });
  show(<MarksSection fileId="f1" />);
  expect(await screen.findByText("Ask the yard", { exact: false })).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Find marks"), { target: { value: "report health" } });
  expect(screen.queryByText("Ask the yard", { exact: false })).toBeNull();
  expect(screen.getByRole("link").getAttribute("href")).toBe("/files/f1?view=read&paper=d2&mark=m2");
  expect(screen.getByText(/Report, page 4/)).toBeTruthy();
});

test("words are shown where they stand, and those that are left are not covered", async () => {
  const onClose = vi.fn();
  const calls = serve({
    "GET /api/session": OTTILIE,
    "GET /api/files/f1/words-to-cover": ["Tamsin Korhola"],
    "GET /api/marks/words": { stamps: [], reasons: ["third person"] },
    "POST /api/covers/look": [
      {
        documentId: "d1",
        paper: "Letter",
        version: 2,
        isRead: true,
        unread: [3],
        places: [
          { page: 1, words: "Tamsin Korhola,", areas: [AREA], likely: false, isCovered: false },
          { page: 1, words: "Tamsin K0rhola", areas: [AREA], likely: true, isCovered: false },
          { page: 2, words: "Tamsin Korhola", areas: [AREA], likely: false, isCovered: true },
          { page: 2, words: "Tamsin Korhola", areas: [], likely: false, isCovered: false },
        ],
      },
    ],
    "POST /api/covers": { places: 1 },
  });
  show(<CoverWordsModal fileId="f1" scopes={[{ label: "This paper", papers: ["d1"] }]} onClose={onClose} />);
  expect(screen.getByRole("button", { name: "Cover" })).toHaveProperty("disabled", true);
  fireEvent.click(screen.getByLabelText("birth dates"));
  expect(await screen.findByText(/page 3 has no readable text/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText(/a near match/));
  fireEvent.click(screen.getByRole("button", { name: "Cover 1 place" }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(calls.find((c) => c.path === "/api/covers")?.body).toEqual({
    papers: [{ documentId: "d1", version: 2, places: [{ page: 1, areas: [AREA] }] }],
  });
});

test("what other programs marked in the PDF stands apart, and leads to its place", () => {
  const onGoToOther = vi.fn();
  const other = {
    id: "2 12R",
    page: 2,
    kind: "Note",
    text: "Ask for the original.",
    author: "Hester Quillam",
    on: "2026-05-04",
    top: 1_000,
  };
  show(
    <MarkMargin
      marks={[]}
      others={[other]}
      onGoToOther={onGoToOther}
      page={1}
      mayMake={false}
      onGoTo={vi.fn()}
      onChange={vi.fn()}
      onRemove={vi.fn()}
      onAsk={vi.fn()}
      onCoverWords={vi.fn()}
    />,
  );
  expect(screen.getByText("Nothing is marked by us yet.")).toBeTruthy();
  const apart = within(screen.getByRole("region", { name: "On the paper itself" }));
  expect(apart.getByText("page 2, Hester Quillam, 4 May 2026")).toBeTruthy();
  fireEvent.click(apart.getByRole("button", { name: /Ask for the original/ }));
  expect(onGoToOther).toHaveBeenCalledWith(other);
});
