import { type RefObject, useEffect, useRef, useState } from "react";
import type { Turn } from "../reading/placing";
import type { PageBox } from "./markQueries";
import { asLines, onSheet, unturned } from "./places";

/** What was selected on a page, as the file has the page. */
export type Selected = {
  areas: PageBox[];
  ofWords: boolean;
  /** From where to where it was dragged, in parts of the page; undefined for words. */
  way?: [{ left: number; top: number }, { left: number; top: number }];
};

/** A drag shorter than so many pixels is a click. */
const LEAST = 6;

/** A pen that was lifted for so long has finished its drawing. */
const PAUSE = 1_200;

type Point = { left: number; top: number };

/**
 * Watches the sheet around an element: words that are selected, a box that is dragged where no words are, lines that are
 * drawn with a pen.
 */
export function useSelecting(
  layer: RefObject<HTMLElement | null>,
  turn: Turn,
  on: boolean,
  onSelected: (selected: Selected | undefined) => void,
  onDrawn: (lines: Point[][]) => void,
) {
  const [box, setBox] = useState<PageBox>();
  const [strokes, setStrokes] = useState<Point[][]>([]);
  const told = useRef({ onSelected, onDrawn });
  told.current = { onSelected, onDrawn };
  useEffect(() => {
    const sheet = layer.current?.parentElement;
    if (!sheet || !on) {
      return;
    }
    let from: { x: number; y: number } | undefined;
    let lines: Point[][] = [];
    let pause: ReturnType<typeof setTimeout> | undefined;
    const at = (e: { clientX: number; clientY: number }): Point => {
      const place = onSheet(
        { left: e.clientX, top: e.clientY, right: e.clientX + 2, bottom: e.clientY + 2 },
        sheet.getBoundingClientRect(),
      );
      const own = unturned(place ?? { left: 0, top: 0, width: 1, height: 1 }, turn);
      return { left: own.left, top: own.top };
    };
    const dragged = (e: PointerEvent) =>
      from &&
      onSheet(
        {
          left: Math.min(from.x, e.clientX),
          top: Math.min(from.y, e.clientY),
          right: Math.max(from.x, e.clientX),
          bottom: Math.max(from.y, e.clientY),
        },
        sheet.getBoundingClientRect(),
      );
    const down = (e: PointerEvent) => {
      const target = e.target as Element;
      if (e.button !== 0 || e.pointerType === "touch" || target.closest(".slip, .page-mark")) {
        return;
      }
      told.current.onSelected(undefined);
      if (e.pointerType === "pen") {
        e.preventDefault();
        clearTimeout(pause);
        sheet.setPointerCapture?.(e.pointerId);
        lines = [...lines, [at(e)]];
        setStrokes(lines);
      } else if (!target.closest(".textLayer span")) {
        // a drag that begins beside the words selects none of them
        e.preventDefault();
        window.getSelection()?.removeAllRanges();
        sheet.setPointerCapture?.(e.pointerId);
        from = { x: e.clientX, y: e.clientY };
      }
    };
    const move = (e: PointerEvent) => {
      if (e.pointerType === "pen" && lines.length > 0 && e.buttons > 0) {
        lines = [...lines.slice(0, -1), [...(lines[lines.length - 1] ?? []), at(e)]];
        setStrokes(lines);
      } else if (from) {
        setBox(dragged(e));
      }
    };
    const up = (e: PointerEvent) => {
      if (e.pointerType === "pen" && lines.length > 0) {
        pause = setTimeout(() => {
          const drawn = lines.filter((line) => line.length > 1);
          lines = [];
          setStrokes([]);
          if (drawn.length > 0) {
            told.current.onDrawn(drawn);
          }
        }, PAUSE);
        return;
      }
      if (from) {
        const part = dragged(e);
        const isDrag = Math.abs(e.clientX - from.x) >= LEAST || Math.abs(e.clientY - from.y) >= LEAST;
        const begin = at({ clientX: from.x, clientY: from.y });
        from = undefined;
        setBox(undefined);
        if (part && isDrag) {
          told.current.onSelected({ areas: [unturned(part, turn)], ofWords: false, way: [begin, at(e)] });
        }
        return;
      }
      const areas = selectedWords(sheet).map((a) => unturned(a, turn));
      if (areas.length > 0) {
        told.current.onSelected({ areas, ofWords: true });
      }
    };
    sheet.addEventListener("pointerdown", down);
    sheet.addEventListener("pointermove", move);
    sheet.addEventListener("pointerup", up);
    return () => {
      clearTimeout(pause);
      sheet.removeEventListener("pointerdown", down);
      sheet.removeEventListener("pointermove", move);
      sheet.removeEventListener("pointerup", up);
    };
  }, [layer, turn, on]);
  return { box, strokes };
}

/** Where the words that are selected within a sheet are seen, line by line. */
function selectedWords(sheet: HTMLElement): PageBox[] {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) {
    return [];
  }
  const range = selection.getRangeAt(0);
  if (!sheet.contains(range.startContainer) || range.toString().trim() === "") {
    return [];
  }
  const around = sheet.getBoundingClientRect();
  const boxes = [...range.getClientRects()]
    .map((rect) => onSheet(rect, around))
    .filter((b): b is PageBox => b !== undefined && b.height < 1_500);
  return asLines(boxes).slice(0, 200);
}
