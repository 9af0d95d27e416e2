import { type Turn, turnedBox } from "../reading/placing";
import type { MarkShape, PageBox } from "./markQueries";

const WHOLE = 10_000;

type Rect = { left: number; top: number; right: number; bottom: number };

const asBox = ([left = 0, top = 0, width = 0, height = 0]: readonly number[]): PageBox => ({
  left,
  top,
  width,
  height,
});

/** Where a box of the page as the file has it is seen on a page turned clockwise. */
export function seen({ left, top, width, height }: PageBox, turn: Turn): PageBox {
  return asBox(turnedBox([left, top, width, height], turn));
}

/** The box on the page as the file has it of one that is seen on a turned page. */
export function unturned({ left, top, width, height }: PageBox, turn: Turn): PageBox {
  return asBox(turnedBox([left, top, width, height], ((360 - turn) % 360) as Turn));
}

/** A part of the screen as a part of a sheet; what reaches over its edge is left out. Undefined for nothing. */
export function onSheet(part: Rect, sheet: Rect): PageBox | undefined {
  const across = (x: number) =>
    Math.round((Math.min(1, Math.max(0, (x - sheet.left) / (sheet.right - sheet.left))) || 0) * WHOLE);
  const down = (y: number) =>
    Math.round((Math.min(1, Math.max(0, (y - sheet.top) / (sheet.bottom - sheet.top))) || 0) * WHOLE);
  const [left, top] = [across(part.left), down(part.top)];
  const [width, height] = [across(part.right) - left, down(part.bottom) - top];
  return width > 0 && height > 0 ? { left, top, width, height } : undefined;
}

/** Boxes of words that stand in one line become one. */
export function asLines(boxes: PageBox[]): PageBox[] {
  const lines: PageBox[] = [];
  for (const box of boxes) {
    const line = lines.find(
      (l) => Math.abs(l.top + l.height / 2 - (box.top + box.height / 2)) < Math.min(l.height, box.height) / 2,
    );
    if (line) {
      const right = Math.max(line.left + line.width, box.left + box.width);
      const bottom = Math.max(line.top + line.height, box.top + box.height);
      line.left = Math.min(line.left, box.left);
      line.top = Math.min(line.top, box.top);
      line.width = right - line.left;
      line.height = bottom - line.top;
    } else {
      lines.push({ ...box });
    }
  }
  return lines;
}

/** A little larger, so that no part of a letter looks out beneath or beside it. */
export function grown({ left, top, width, height }: PageBox): PageBox {
  const [x, y] = [Math.round(height * 0.15), Math.round(height * 0.25)];
  const box = { left: Math.max(0, left - x), top: Math.max(0, top - y) };
  return {
    ...box,
    width: Math.min(WHOLE, left + width + x) - box.left,
    height: Math.min(WHOLE, top + height + y) - box.top,
  };
}

/** The box around all that a mark takes up. */
export function around({ areas, lines }: MarkShape): PageBox {
  const rects = [
    ...areas.map((a) => [a.left, a.top, a.left + a.width, a.top + a.height] as const),
    ...lines.flat().map((p) => [p.left, p.top, p.left, p.top] as const),
  ];
  const left = Math.min(...rects.map((r) => r[0]));
  const top = Math.min(...rects.map((r) => r[1]));
  return {
    left,
    top,
    width: Math.max(...rects.map((r) => r[2])) - left,
    height: Math.max(...rects.map((r) => r[3])) - top,
  };
}

/** The same mark moved, as far as the page goes. */
export function moved(shape: MarkShape, right: number, down: number): MarkShape {
  const place = around(shape);
  const x = Math.round(Math.min(Math.max(right, -place.left), WHOLE - place.left - place.width));
  const y = Math.round(Math.min(Math.max(down, -place.top), WHOLE - place.top - place.height));
  return {
    ...shape,
    areas: shape.areas.map((a) => ({ ...a, left: a.left + x, top: a.top + y })),
    lines: shape.lines.map((l) => l.map((p) => ({ left: p.left + x, top: p.top + y }))),
  };
}

/** The same mark, of one area, larger or smaller at its lower right corner. */
export function resized(shape: MarkShape, wider: number, taller: number): MarkShape {
  return {
    ...shape,
    areas: shape.areas.map((a) => ({
      ...a,
      width: Math.round(Math.min(Math.max(60, a.width + wider), WHOLE - a.left)),
      height: Math.round(Math.min(Math.max(60, a.height + taller), WHOLE - a.top)),
    })),
  };
}

/** How far a step over the seen page goes on the page as the file has it. */
export function stepOnPage(right: number, down: number, turn: Turn): [number, number] {
  switch (turn) {
    case 90:
      return [down, -right];
    case 180:
      return [-right, -down];
    case 270:
      return [-down, right];
    default:
      return [right, down];
  }
}

/** A shape with nothing in it but what is given. */
export function shapeOf(kind: MarkShape["kind"], part: Partial<MarkShape>): MarkShape {
  return { kind, areas: [], lines: [], ...part };
}
