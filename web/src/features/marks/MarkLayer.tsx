import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Shape } from "../../api/client";
import type { Turn } from "../reading/placing";
import { KIND_WORDS, type Mark, type MarkShape, type NewMark, type PageBox } from "./markQueries";
import "./marks.css";
import { around, grown, moved, resized, seen, shapeOf, stepOnPage } from "./places";
import { Slip } from "./Slip";
import { type Selected, useSelecting } from "./useSelecting";

const WHOLE = 10_000;

/** Of a stamp that stands where words were selected or a place was dragged. */
const STAMP = { width: 2_600, height: 420 };

type MarkLayerProps = {
  page: number;
  turn: Turn;
  /** Those of this page. */
  marks: Mark[];
  chosen?: string;
  onChoose: (id: string | undefined) => void;
  words?: Shape<"MarkWords">;
  mayMake: boolean;
  /** A place that was asked for by key rather than dragged. */
  asked?: Selected;
  onAsked: () => void;
  onPut: (marks: NewMark[]) => void;
  onChange: (mark: Mark, shape: MarkShape) => void;
  onRemove: (mark: Mark) => void;
};

const percent = ({ left, top, width, height }: PageBox) => ({
  left: `${left / 100}%`,
  top: `${top / 100}%`,
  width: `${width / 100}%`,
  height: `${height / 100}%`,
});

/** What stands on a page, and what is put there: select words or drag over a place, then say what it becomes. */
export function MarkLayer(props: MarkLayerProps) {
  const { page, turn, marks, chosen, onChoose, words, mayMake, asked, onAsked, onPut, onChange, onRemove } =
    props;
  const layer = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<Selected>();
  const selected = asked ?? dragged;
  const close = () => {
    setDragged(undefined);
    onAsked();
    window.getSelection()?.removeAllRanges();
  };
  const put = (shape: MarkShape) => {
    onPut([{ page, shape }]);
    close();
  };
  const { box, strokes } = useSelecting(layer, turn, mayMake, setDragged, (lines) =>
    onPut([{ page, shape: shapeOf("PEN", { lines }) }]),
  );
  return (
    <div ref={layer} className="mark-layer">
      <Lines marks={marks} turn={turn} chosen={chosen} drawing={strokes} />
      {marks.map((mark) => (
        <OnPage
          key={mark.id}
          mark={mark}
          turn={turn}
          isChosen={mark.id === chosen}
          mayChange={mayMake && mark.mayChange}
          onChoose={() => onChoose(mark.id)}
          onChange={(shape) => onChange(mark, shape)}
          onRemove={() => onRemove(mark)}
        />
      ))}
      {box && <span className="select-box" style={percent(box)} />}
      {selected?.areas.map((area) => (
        <span key={`${area.left} ${area.top}`} className="select-box" style={percent(seen(area, turn))} />
      ))}
      {selected && (
        <div className="slip-place" style={besides(selected, turn)}>
          <Slip
            words={words}
            ofWords={selected.ofWords}
            onHighlight={() => put(shapeOf("HIGHLIGHT", { areas: selected.areas }))}
            onNote={(text) => put(shapeOf("NOTE", { areas: selected.areas.slice(0, 1), text }))}
            onStamp={(text) => put(shapeOf("STAMP", { areas: [stampAt(selected)], text }))}
            onArrow={
              selected.way &&
              (() => put(shapeOf("ARROW", { lines: [selected.way as MarkShape["lines"][number]] })))
            }
            onCover={(reason) =>
              put(
                shapeOf("COVER", {
                  areas: selected.ofWords ? selected.areas.map(grown) : selected.areas,
                  reason,
                }),
              )
            }
            onClose={close}
          />
        </div>
      )}
    </div>
  );
}

/** Beneath what was selected, or above it near the foot of the page. */
function besides(selected: Selected, turn: Turn) {
  const place = seen(around(shapeOf("COVER", { areas: selected.areas })), turn);
  const isLow = place.top + place.height > 7_500;
  return {
    left: `min(${place.left / 100}%, calc(100% - 330px))`,
    ...(isLow
      ? { bottom: `${(WHOLE - place.top) / 100}%` }
      : { top: `${(place.top + place.height) / 100}%` }),
  };
}

function stampAt({ areas }: Selected): PageBox {
  const { left, top, width, height } = around(shapeOf("STAMP", { areas }));
  const size = { width: Math.max(width, STAMP.width), height: Math.max(height, STAMP.height) };
  return { left: Math.min(left, WHOLE - size.width), top: Math.min(top, WHOLE - size.height), ...size };
}

type LinesProps = {
  marks: Mark[];
  turn: Turn;
  chosen?: string;
  drawing: { left: number; top: number }[][];
};

function Lines({ marks, turn, chosen, drawing }: LinesProps) {
  const way = (points: { left: number; top: number }[]) =>
    points
      .map((p) => seen({ ...p, width: 0, height: 0 }, turn))
      .map((p) => `${p.left},${p.top}`)
      .join(" ");
  const drawn = marks.filter((m) => m.shape.kind === "PEN" || m.shape.kind === "ARROW");
  if (drawn.length === 0 && drawing.length === 0) {
    return null;
  }
  return (
    <svg className="mark-lines" viewBox={`0 0 ${WHOLE} ${WHOLE}`} preserveAspectRatio="none" aria-hidden>
      {drawn.flatMap((mark) =>
        mark.shape.lines.map((line, i) => (
          <polyline
            // biome-ignore lint/suspicious/noArrayIndexKey: lines of one drawing do not change their order
            key={`${mark.id} ${i}`}
            points={way(line)}
            className={`${mark.shape.kind.toLowerCase()}${mark.id === chosen ? " chosen" : ""}`}
          />
        )),
      )}
      {drawing.map((line, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines are only added
        <polyline key={i} points={way(line)} className="pen" />
      ))}
    </svg>
  );
}

type OnPageProps = {
  mark: Mark;
  turn: Turn;
  isChosen: boolean;
  mayChange: boolean;
  onChoose: () => void;
  onChange: (shape: MarkShape) => void;
  onRemove: () => void;
};

/** One mark: chosen by a click, moved by dragging or by arrow keys, resized at its corner or with Shift. */
function OnPage({ mark, turn, isChosen, mayChange, onChoose, onChange, onRemove }: OnPageProps) {
  const [grip, setGrip] = useState<{ x: number; y: number; sizes: boolean }>();
  const [by, setBy] = useState<[number, number]>([0, 0]);
  const kind = mark.shape.kind;
  const shape = grip ? changed(mark.shape, by, grip.sizes) : mark.shape;
  const place = around(shape);
  const areas = shape.areas.length > 0 ? shape.areas : [place];
  const label = [KIND_WORDS[kind], shape.text ?? shape.reason].filter(Boolean).join(": ");
  const drag = (e: PointerEvent<HTMLElement>) => {
    const sheet = e.currentTarget.closest(".sheet")?.getBoundingClientRect();
    if (grip && sheet) {
      setBy(
        stepOnPage(
          ((e.clientX - grip.x) / sheet.width) * WHOLE,
          ((e.clientY - grip.y) / sheet.height) * WHOLE,
          turn,
        ),
      );
    }
  };
  const hold = (e: PointerEvent<HTMLElement>, sizes: boolean) => {
    e.stopPropagation();
    onChoose();
    if (mayChange && e.button === 0) {
      e.currentTarget.setPointerCapture?.(e.pointerId);
      setBy([0, 0]);
      setGrip({ x: e.clientX, y: e.clientY, sizes });
    }
  };
  const letGo = () => {
    if (grip && (Math.abs(by[0]) > 20 || Math.abs(by[1]) > 20)) {
      onChange(changed(mark.shape, by, grip.sizes));
    }
    setGrip(undefined);
  };
  const key = (e: KeyboardEvent) => {
    const steps: Record<string, [number, number]> = {
      ArrowLeft: [-80, 0],
      ArrowRight: [80, 0],
      ArrowUp: [0, -60],
      ArrowDown: [0, 60],
    };
    const step = steps[e.key];
    if (step && mayChange) {
      e.preventDefault();
      e.stopPropagation();
      const sizes = e.shiftKey && shape.areas.length === 1;
      onChange(changed(mark.shape, stepOnPage(...step, turn), sizes));
    } else if ((e.key === "Delete" || e.key === "Backspace") && mayChange) {
      onRemove();
    }
  };
  return (
    <>
      {areas.map((area, i) => (
        // biome-ignore lint/a11y/useSemanticElements: a place on the page, moved by pointer and arrow keys
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: areas of one mark do not change their order
          key={i}
          role="button"
          tabIndex={i === 0 ? 0 : -1}
          aria-label={
            mayChange ? `${label}; moved with the arrow keys, resized with Shift, removed with Delete` : label
          }
          className={`page-mark ${kind.toLowerCase()}${isChosen ? " chosen" : ""}${mayChange ? " own" : ""}`}
          title={shape.text ?? (kind === "COVER" ? (shape.reason ?? "covered") : undefined)}
          style={percent(seen(area, turn))}
          onPointerDown={(e) => hold(e, false)}
          onPointerMove={drag}
          onPointerUp={letGo}
          onFocus={onChoose}
          onKeyDown={key}
        >
          {kind === "STAMP" && <span>{shape.text}</span>}
          {isChosen && mayChange && shape.areas.length === 1 && turn === 0 && kind !== "NOTE" && (
            <span
              className="resize"
              aria-hidden
              onPointerDown={(e) => hold(e, true)}
              onPointerMove={drag}
              onPointerUp={letGo}
            />
          )}
        </div>
      ))}
    </>
  );
}

function changed(shape: MarkShape, [right, down]: [number, number], sizes: boolean): MarkShape {
  return sizes ? resized(shape, right, down) : moved(shape, right, down);
}
