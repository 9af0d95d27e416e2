import { useRef } from "react";
import type { Shape } from "../../api/client";

type Stroke = Shape<"Point">[];
type PenBoxProps = { strokes: Stroke[]; onChange: (strokes: Stroke[]) => void };

/** A box to sign in with pen, finger or mouse; points are parts of its width and height. */
export function PenBox({ strokes, onChange }: PenBoxProps) {
  const drawing = useRef(false);
  const at = (e: React.PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const within = (part: number) => Math.min(1, Math.max(0, Number(part.toFixed(4))));
    return { x: within((e.clientX - box.left) / box.width), y: within((e.clientY - box.top) / box.height) };
  };
  const extend = (e: React.PointerEvent<SVGSVGElement>) => {
    const last = strokes[strokes.length - 1];
    if (drawing.current && last) {
      onChange([...strokes.slice(0, -1), [...last, at(e)]]);
    }
  };
  return (
    <svg
      className="pen-box"
      viewBox="0 0 300 100"
      role="img"
      aria-label="Sign here with pen, finger or mouse"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        drawing.current = true;
        onChange([...strokes, [at(e)]]);
      }}
      onPointerMove={extend}
      onPointerUp={() => {
        drawing.current = false;
      }}
    >
      <title>Sign here with pen, finger or mouse</title>
      <path d="M15 82H285" stroke="var(--rule)" strokeWidth="1" />
      {strokes.length === 0 && (
        <text x="150" y="74" textAnchor="middle" fontSize="13" fill="var(--muted)">
          sign here with pen, finger or mouse
        </text>
      )}
      {strokes.map((stroke, i) => (
        <polyline
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes are only ever added at the end
          key={i}
          points={stroke.map((p) => `${p.x * 300},${p.y * 100}`).join(" ")}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.2"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}
