import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { type ComponentProps, useState } from "react";
import { afterEach, expect, test, vi } from "vitest";
import { serve, show } from "../../testing/screen";
import { ReaderTools } from "./ReaderTools";

afterEach(cleanup);

type Props = ComponentProps<typeof ReaderTools>;

const NOTHING: Props = {
  pages: 12,
  page: 3,
  onPage: () => {},
  zoom: "width",
  scale: 1,
  onZoom: () => {},
  strip: false,
  dark: false,
  onDark: () => {},
  words: "",
  onWords: () => {},
  at: 0,
  onStep: () => {},
};

function tools(more: Partial<Props>) {
  serve({});
  show(<ReaderTools {...NOTHING} {...more} />);
}

test("a page is gone to by its number, and it is drawn larger and smaller", () => {
  const [page, zoom] = [vi.fn(), vi.fn()];
  tools({ onPage: page, onZoom: zoom });
  fireEvent.change(screen.getByLabelText("Page"), { target: { value: "9" } });
  expect(page).toHaveBeenCalledWith(9);
  fireEvent.click(screen.getByLabelText("Larger"));
  fireEvent.click(screen.getByLabelText("Smaller"));
  const [larger, smaller] = zoom.mock.calls.map(([to]) => to);
  expect(larger).toBeGreaterThan(1);
  expect(smaller).toBeLessThan(1);
});

test("what has no pages is offered no tools for pages", () => {
  tools({ pages: 0 });
  expect(screen.queryByLabelText("Page")).toBeNull();
  expect(screen.queryByLabelText("Turn all pages")).toBeNull();
  screen.getByLabelText("Words in this paper");
});

/** Four places for whatever is typed, the second chosen. */
function Typed({ onStep, onSearched }: { onStep: Props["onStep"]; onSearched: (words: string) => void }) {
  const [words, setWords] = useState("");
  return (
    <ReaderTools
      {...NOTHING}
      words={words}
      count={words ? 4 : undefined}
      at={1}
      onStep={onStep}
      onWords={(next) => {
        onSearched(next);
        setWords(next);
      }}
    />
  );
}

test("words are searched once the typing rests, and Enter goes on from place to place", async () => {
  const [step, searched] = [vi.fn(), vi.fn()];
  serve({});
  show(<Typed onStep={step} onSearched={searched} />);
  const field = screen.getByLabelText("Words in this paper");
  fireEvent.change(field, { target: { value: "teta" } });
  fireEvent.change(field, { target: { value: "tetanus" } });
  await waitFor(() => expect(searched).toHaveBeenCalled());
  expect(searched.mock.calls).toEqual([["tetanus"]]);
  screen.getByText("2 of 4");
  fireEvent.keyDown(field, { key: "Enter", keyCode: 13 });
  fireEvent.keyUp(field, { key: "Enter", keyCode: 13 });
  fireEvent.keyDown(field, { key: "Enter", keyCode: 13, shiftKey: true });
  fireEvent.click(screen.getByLabelText("Next place"));
  expect(step.mock.calls).toEqual([[1], [-1], [1]]);
});

test("it is said when words stand nowhere and what recognition could not read", () => {
  tools({ words: "hay", count: 0, note: "3 pages hold no readable text" });
  screen.getByText("nowhere");
  screen.getByText(/3 pages hold no readable text/);
});
