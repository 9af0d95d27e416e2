import { useState } from "react";
import type { Shape } from "../../../api/client";
import { PenBox } from "../PenBox";

export type Given = Shape<"GivenMark">;

const KEPT = "denfold.signature";

/** What was kept on this device from last time; undefined when nothing was. */
function kept(): Given | undefined {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? "null") ?? undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a drawn signature on this device for the next paper, or forgets it. */
export function keep(given: Given | undefined) {
  try {
    if (given?.strokes) {
      localStorage.setItem(KEPT, JSON.stringify(given));
    } else {
      localStorage.removeItem(KEPT);
    }
  } catch {
    // without storage it is drawn anew next time
  }
}

type SignatureMarkProps = {
  given: Given | undefined;
  onChange: (given: Given | undefined) => void;
  keeps: boolean;
  onKeeps: (keeps: boolean) => void;
  /** A device that many use: nothing is kept on it, and nothing that was kept is offered. */
  shared?: boolean;
};

/** A signature drawn, typed, or taken from last time. */
export function SignatureMark({ given, onChange, keeps, onKeeps, shared = false }: SignatureMarkProps) {
  const [way, setWay] = useState<"pen" | "typed">("pen");
  const [last] = useState(() => (shared ? undefined : kept()));
  const choose = (next: "pen" | "typed") => {
    setWay(next);
    onChange(undefined);
  };
  return (
    <div className="turn-mark">
      <fieldset className="turn-ways" aria-label="How to sign">
        <button type="button" aria-pressed={way === "pen"} onClick={() => choose("pen")}>
          Draw it
        </button>
        <button type="button" aria-pressed={way === "typed"} onClick={() => choose("typed")}>
          Type the name
        </button>
        {last && (
          <button
            type="button"
            onClick={() => {
              setWay("pen");
              onChange(last);
            }}
          >
            As last time
          </button>
        )}
      </fieldset>
      {way === "pen" ? (
        <>
          <PenBox
            strokes={given?.strokes ?? []}
            onChange={(strokes) => onChange(strokes.length > 0 ? { strokes } : undefined)}
          />
          <div className="turn-line">
            {!shared && (
              <label>
                <input type="checkbox" checked={keeps} onChange={(e) => onKeeps(e.target.checked)} /> keep it
                on this device
              </label>
            )}
            <button type="button" disabled={!given} onClick={() => onChange(undefined)}>
              Clear
            </button>
          </div>
        </>
      ) : (
        <input
          className="turn-typed"
          aria-label="Your full name"
          placeholder="your full name"
          maxLength={120}
          value={given?.typed ?? ""}
          onChange={(e) => onChange(e.target.value ? { typed: e.target.value } : undefined)}
        />
      )}
    </div>
  );
}
