import type { ReactNode } from "react";
import { type Status, statuses } from "./statuses";

const SHEET = "M2.5 1h6l3.5 3.5V13h-9.5z";
const TORN = "M2.5 1h6l3.5 3.5V11l-1.6 2-1.6-1.8-1.6 1.8-1.6-1.8L4.1 13l-1.6-2z";

/** The folded sheet whose shape tells the status; its accessible name is the status in words. */
export function StatusGlyph({ status, size = 14, label }: { status: Status; size?: number; label?: string }) {
  const { word, colour } = statuses[status];
  const name = label ? `${label}: ${word.toLowerCase()}` : word;
  return (
    <svg className="glyph" width={size} height={size} viewBox="0 0 14 14" role="img" aria-label={name}>
      <title>{name}</title>
      {glyphShapes(colour)[status]}
    </svg>
  );
}

/** The drawing of each status, 14 by 14. */
export function glyphShapes(colour: string): Record<Status, ReactNode> {
  const line = { fill: "none", stroke: colour, strokeWidth: 1.2 };
  return {
    "on-file": <path d={SHEET} fill={colour} />,
    expiring: (
      <>
        <path d={SHEET} {...line} />
        <path d="M2.5 7H12v6H2.5z" fill={colour} />
      </>
    ),
    "in-grace": (
      <>
        <path d="M2.5 1h6l3.5 3.5V10H2.5z" fill={colour} />
        <path d="M2.5 12.6H12" {...line} strokeDasharray="1.6 1.4" />
      </>
    ),
    lapsed: <path d={TORN} fill={colour} />,
    missing: <path d={SHEET} {...line} strokeDasharray="2 1.4" />,
    "not-yet-due": (
      <path d={SHEET} {...line} strokeDasharray="0.4 1.9" strokeLinecap="round" strokeWidth={1.5} />
    ),
    "in-review": (
      <>
        <path d={SHEET} {...line} />
        <circle cx={7.2} cy={8} r={1.9} fill={colour} />
      </>
    ),
    "awaiting-signature": (
      <>
        <path d={SHEET} {...line} />
        <path
          d="M4 10.2c1.4-3.4 2.2-3.4 2.3-1.6.1 1.6 1 1.2 1.6-.2.5-1 .9-.6 1 .2.1.6.6.8 1.4.6"
          {...line}
          strokeWidth={1.1}
        />
      </>
    ),
    "sent-back": (
      <>
        <path d={SHEET} {...line} />
        <path d="M9.8 10.4c.4-2.6-1.2-3.6-4.6-3.4M7 5.2 5 7l2 1.8" {...line} strokeWidth={1.1} />
      </>
    ),
    waived: (
      <>
        <path d={SHEET} {...line} />
        <path d="M4.6 8h5.2" {...line} strokeWidth={1.4} />
      </>
    ),
    "not-applicable": <path d="M4 7h6" {...line} />,
  };
}
