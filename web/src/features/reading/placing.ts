/** How a page is turned clockwise: 0, 90, 180 or 270 degrees. */
export type Turn = 0 | 90 | 180 | 270;

/** Width and height in points. */
export type Size = { width: number; height: number };

export const A4: Size = { width: 595, height: 842 };

/** Points are so many pixels at full size. */
const PIXELS = 96 / 72;

export type Zoom = "width" | "page" | number;

export const STEPS = [0.4, 0.5, 0.6, 0.75, 0.9, 1, 1.25, 1.5, 2, 3];

export function turned(size: Size, turn: number): Size {
  return turn % 180 === 0 ? size : { width: size.height, height: size.width };
}

export function asTurn(degrees: number): Turn {
  return ((((Math.round(degrees / 90) * 90) % 360) + 360) % 360) as Turn;
}

/** The scale of a page in a desk of some pixels: to its width, wholly to be seen, or as chosen. */
export function scaleOf(zoom: Zoom, page: Size, desk: Size): number {
  if (typeof zoom === "number") {
    return zoom;
  }
  const byWidth = Math.max(0.1, desk.width / (page.width * PIXELS));
  const byHeight = Math.max(0.1, desk.height / (page.height * PIXELS));
  return zoom === "width" ? byWidth : Math.min(byWidth, byHeight);
}

export function pixels(size: Size, scale: number): Size {
  return { width: size.width * PIXELS * scale, height: size.height * PIXELS * scale };
}

/** The next step of zoom up or down from a scale. */
export function stepFrom(scale: number, direction: 1 | -1): number {
  const next =
    direction === 1
      ? STEPS.find((s) => s > scale + 0.01)
      : [...STEPS].reverse().find((s) => s < scale - 0.01);
  return next ?? scale;
}

/** Left, top, width and height in ten-thousandths of a page. */
export type Box = readonly number[];

/** Where a box of an upright page stands once the page is turned clockwise. */
export function turnedBox([left = 0, top = 0, width = 0, height = 0]: Box, turn: Turn): Box {
  switch (turn) {
    case 90:
      return [10_000 - top - height, left, height, width];
    case 180:
      return [10_000 - left - width, 10_000 - top - height, width, height];
    case 270:
      return [top, 10_000 - left - width, height, width];
    default:
      return [left, top, width, height];
  }
}
