import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Shape } from "../../api/client";
import { addDays, day, daysBetween } from "../../ui/days";
import { type Status, statuses } from "../../ui/statuses";

type Lines = Shape<"LinesAnswer">;
type Line = Shape<"Line">;

const LABEL = 190;
const ROW = 30;
const HEAD = 60;
const SECTION = 26;
const BAR = 14;

/** How each status is drawn: filled where covered, hatched where it is not. */
const FILLS: Record<Status, string> = {
  "on-file": "var(--line-covered)",
  expiring: "var(--ochre)",
  "in-grace": "var(--line-grace)",
  lapsed: "url(#hatch-clay)",
  missing: "url(#hatch-clay)",
  "sent-back": "url(#hatch-clay)",
  "in-review": "var(--line-review)",
  "awaiting-signature": "var(--line-signature)",
  "not-yet-due": "none",
  waived: "var(--line-waived)",
  "not-applicable": "none",
};

type LinesDrawingProps = { lines: Lines; asOf: string; onAsk: (day: string) => void };

/** The slots as bars over time, with today and the day asked about. A table beside it says the same in words. */
export function LinesDrawing({ lines, asOf, onAsk }: LinesDrawingProps) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(760);
  // where the line is on its way to, until the page asks about that day
  const [dragged, setDragged] = useState<string | null>(null);
  const isDragging = useRef(false);
  useEffect(() => setDragged((before) => (before === asOf && !isDragging.current ? null : before)), [asOf]);
  useEffect(() => {
    const element = box.current;
    if (!element || typeof ResizeObserver === "undefined") {
      return;
    }
    const observer = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(420, entry.contentRect.width)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const days = daysBetween(lines.from, lines.to) + 1;
  const scale = (width - LABEL - 12) / days;
  const x = (iso: string) => LABEL + Math.max(0, Math.min(days, daysBetween(lines.from, iso))) * scale;
  const dayAt = (left: number) => {
    const into = Math.round((left - LABEL) / scale);
    return addDays(lines.from, Math.max(0, Math.min(days - 1, into)));
  };
  const rows = placed(lines);
  const height = HEAD + rows.reduce((sum, r) => sum + r.height, 0) + 8;
  const asked = dragged ?? asOf;
  const drag = (e: PointerEvent<SVGElement>) => {
    const left = box.current?.getBoundingClientRect().left ?? 0;
    setDragged(dayAt(e.clientX - left));
  };
  const key = (e: KeyboardEvent) => {
    const steps: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      PageDown: -30,
      PageUp: 30,
    };
    const step = steps[e.key];
    if (step !== undefined) {
      e.preventDefault();
      setDragged(addDays(asked, step));
      onAsk(addDays(asked, step));
    } else if (e.key === "Home") {
      setDragged(null);
      onAsk(lines.today);
    }
  };
  return (
    <div ref={box} className="lines-drawing">
      <svg width={width} height={height} role="presentation">
        <defs>
          <pattern
            id="hatch-clay"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="7" height="7" fill="var(--clay-pale)" />
            <rect width="3" height="7" fill="var(--clay-hatch)" />
          </pattern>
        </defs>
        <Scale lines={lines} x={x} height={height} />
        {rows.map((row) =>
          "section" in row ? (
            <text key={row.section} x={4} y={row.top + 18} className="lines-section">
              {row.section}
            </text>
          ) : (
            <Bar
              key={row.line.checklist + row.line.requirement}
              line={row.line}
              top={row.top}
              x={x}
              width={width}
              first={lines.from}
              last={lines.to}
            />
          ),
        )}
        <Marker
          at={x(lines.today)}
          height={height}
          words={`today, ${day(lines.today)}`}
          colour="var(--ink)"
          low
        />
        <g
          className="lines-handle"
          role="slider"
          tabIndex={0}
          aria-label="Day asked about"
          aria-valuemin={0}
          aria-valuemax={days - 1}
          aria-valuenow={daysBetween(lines.from, asked)}
          aria-valuetext={day(asked)}
          onKeyDown={key}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            isDragging.current = true;
            drag(e);
          }}
          onPointerMove={(e) => isDragging.current && drag(e)}
          onPointerUp={() => {
            isDragging.current = false;
            if (dragged) {
              onAsk(dragged);
            }
          }}
        >
          {asked === lines.today ? (
            <rect x={x(asked) - 9} y={0} width={18} height={height} fill="transparent" />
          ) : (
            <>
              <rect x={x(asked) - 9} y={0} width={18} height={height} fill="transparent" />
              <Marker
                at={x(asked)}
                height={height}
                words={`as of ${day(asked)}`}
                colour="var(--clay)"
                dashed
              />
            </>
          )}
        </g>
      </svg>
    </div>
  );
}

type PlacedRow = { top: number; height: number } & ({ section: string } | { line: Line });

function placed(lines: Lines): PlacedRow[] {
  const rows: PlacedRow[] = [];
  let top = HEAD;
  for (const section of lines.sections) {
    rows.push({ section: section.label, top, height: SECTION });
    top += SECTION;
    for (const line of section.lines) {
      rows.push({ line, top, height: ROW });
      top += ROW;
    }
  }
  return rows;
}

function Scale({ lines, x, height }: { lines: Lines; x: (iso: string) => number; height: number }) {
  const years: string[] = [];
  for (let year = Number(lines.from.slice(0, 4)) + 1; year <= Number(lines.to.slice(0, 4)); year++) {
    years.push(`${year}-01-01`);
  }
  return (
    <>
      {years.map((iso) => (
        <g key={iso}>
          <line x1={x(iso)} x2={x(iso)} y1={42} y2={height} stroke="var(--rule)" />
          <text x={x(iso) + 4} y={54} className="lines-year">
            {iso.slice(0, 4)}
          </text>
        </g>
      ))}
    </>
  );
}

function Bar({
  line,
  top,
  x,
  width,
  first,
  last,
}: {
  line: Line;
  first: string;
  last: string;
  top: number;
  x: (iso: string) => number;
  width: number;
}) {
  const y = top + (ROW - BAR) / 2;
  return (
    <g>
      <line x1={LABEL} x2={width} y1={top + ROW} y2={top + ROW} stroke="var(--rule-soft)" />
      <svg x={4} y={top + 8} width="14" height="14" viewBox="0 0 14 14">
        <title>{statuses[line.status].word}</title>
        <circle cx="6" cy="7" r="4.5" fill={statuses[line.status].colour} />
      </svg>
      <text x={22} y={top + 19} className="lines-label">
        {line.label.length > 25 ? `${line.label.slice(0, 24)}…` : line.label}
      </text>
      {line.stretches.map((s, i) => {
        const left = x(s.from);
        const right = x(addDays(s.to, 1));
        const words = `${line.label}: ${statuses[s.status].word.toLowerCase()} from ${day(s.from)} to ${day(s.to)}`;
        if (s.status === "not-applicable") {
          return null;
        }
        return (
          <g key={s.from}>
            <rect
              x={left}
              y={s.status === "not-yet-due" ? y + BAR / 2 - 1 : y}
              width={Math.max(1.5, right - left)}
              height={s.status === "not-yet-due" ? 2 : BAR}
              fill={s.status === "not-yet-due" ? "var(--slate)" : FILLS[s.status]}
              rx={2}
            >
              <title>{words}</title>
            </rect>
            <BarWords status={s.status} end={heldTo(line, i, last)} left={left} right={right} y={y + 11} />
          </g>
        );
      })}
      {line.papers
        .filter((p) => p.documentDate >= first && p.documentDate <= last)
        .map((p) => (
          <line
            key={p.id}
            x1={x(p.documentDate)}
            x2={x(p.documentDate)}
            y1={y - 4}
            y2={y + BAR + 4}
            stroke={p.enteredInErrorOn ? "var(--sand)" : "var(--juniper)"}
            strokeDasharray={p.enteredInErrorOn ? "2 2" : undefined}
            strokeWidth={1.5}
          >
            <title>{p.name}</title>
          </line>
        ))}
    </g>
  );
}

/** Until when a stretch holds, its days of warning included; null when it goes on beyond what is shown. */
function heldTo(line: Line, place: number, last: string): string | null {
  const next = line.stretches[place + 1];
  const end = next?.status === "expiring" ? next.to : line.stretches[place]?.to;
  return end === undefined || end === last ? null : end;
}

/** What stands in a bar, where there is room: until when it holds, or what is the matter. */
function BarWords({
  status,
  end,
  left,
  right,
  y,
}: {
  status: Status;
  end: string | null;
  left: number;
  right: number;
  y: number;
}) {
  const ends: Status[] = ["on-file", "waived"];
  if (ends.includes(status) && end === null) {
    return null;
  }
  const words = ends.includes(status)
    ? status === "waived"
      ? `waived to ${day(end ?? "")}`
      : `to ${day(end ?? "")}`
    : statuses[status].word.toLowerCase();
  const room = right - left;
  if (status === "expiring" || status === "not-yet-due" || room < words.length * 6.4 + 10) {
    return null;
  }
  const dark = ["lapsed", "missing", "sent-back"].includes(status);
  return (
    <text
      x={dark ? left + 5 : right - 5}
      y={y}
      textAnchor={dark ? "start" : "end"}
      className={dark ? "lines-in clay" : "lines-in"}
    >
      {words}
    </text>
  );
}

function Marker({
  at,
  height,
  words,
  colour,
  dashed = false,
  low = false,
}: {
  at: number;
  height: number;
  words: string;
  colour: string;
  dashed?: boolean;
  low?: boolean;
}) {
  const wide = words.length * 6.6 + 14;
  return (
    <g>
      <line
        x1={at}
        x2={at}
        y1={18}
        y2={height}
        stroke={colour}
        strokeWidth={2}
        strokeDasharray={dashed ? "5 4" : undefined}
      />
      <rect x={at - wide / 2} y={low ? 20 : 0} width={wide} height={18} rx={4} fill={colour} />
      <text x={at} y={low ? 33 : 13} textAnchor="middle" className="lines-flag">
        {words}
      </text>
    </g>
  );
}
