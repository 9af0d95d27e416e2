import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeAll, expect, test, vi } from "vitest";
import type { Shape } from "../../api/client";
import { PenBox } from "./PenBox";

type Strokes = Shape<"Point">[][];

beforeAll(() => {
  SVGElement.prototype.getBoundingClientRect = () =>
    ({ left: 100, top: 50, width: 300, height: 100 }) as DOMRect;
  SVGElement.prototype.setPointerCapture = () => {};
});
afterEach(cleanup);

function Holder({ seen }: { seen: (strokes: Strokes) => void }) {
  const [strokes, setStrokes] = useState<Strokes>([]);
  return (
    <PenBox
      strokes={strokes}
      onChange={(next) => {
        seen(next);
        setStrokes(next);
      }}
    />
  );
}

test("strokes are kept as parts of the box, however large it is drawn", () => {
  const seen = vi.fn();
  render(<Holder seen={seen} />);
  const box = screen.getByRole("img", { name: /sign here/i });
  fireEvent.pointerDown(box, { clientX: 100, clientY: 50, pointerId: 1 });
  fireEvent.pointerMove(box, { clientX: 250, clientY: 100, pointerId: 1 });
  fireEvent.pointerUp(box, { pointerId: 1 });
  expect(seen).toHaveBeenLastCalledWith([
    [
      { x: 0, y: 0 },
      { x: 0.5, y: 0.5 },
    ],
  ]);
});

test("a pen that leaves the box stays at its edge, and moving without pressing draws nothing", () => {
  const seen = vi.fn();
  render(<Holder seen={seen} />);
  const box = screen.getByRole("img", { name: /sign here/i });
  fireEvent.pointerMove(box, { clientX: 200, clientY: 80, pointerId: 1 });
  expect(seen).not.toHaveBeenCalled();
  fireEvent.pointerDown(box, { clientX: 900, clientY: 0, pointerId: 1 });
  expect(seen).toHaveBeenLastCalledWith([[{ x: 1, y: 0 }]]);
});
