import { useState } from "react";
import { type Piece, without } from "./pieces";

/** What is about to be sent, page by page: turned, trimmed, divided into papers, taken out. */
export function PieceTray({ pieces, onChange }: { pieces: Piece[]; onChange: (pieces: Piece[]) => void }) {
  const [trims, setTrims] = useState<string>();
  const change = (key: string, part: Partial<Piece>) =>
    onChange(pieces.map((p) => (p.key === key ? { ...p, ...part } : p)));
  return (
    <ol className="pieces">
      {pieces.map((piece, i) => (
        <li key={piece.key} className={piece.begins || i === 0 ? "begins" : undefined}>
          <Preview piece={piece} />
          <div className="piece-acts">
            <span className="piece-name">{piece.file.name}</span>
            {piece.url && (
              <>
                <button
                  type="button"
                  aria-label={`Turn ${piece.file.name}`}
                  onClick={() => change(piece.key, { turn: (piece.turn + 90) % 360 })}
                >
                  Turn
                </button>
                <button
                  type="button"
                  aria-expanded={trims === piece.key}
                  aria-label={`Trim ${piece.file.name}`}
                  onClick={() => setTrims(trims === piece.key ? undefined : piece.key)}
                >
                  Trim
                </button>
              </>
            )}
            <button
              type="button"
              aria-label={`Leave out ${piece.file.name}`}
              onClick={() => onChange(without(pieces, piece.key))}
            >
              Leave out
            </button>
            {i > 0 && (
              <label>
                <input
                  type="checkbox"
                  checked={piece.begins}
                  onChange={(e) => change(piece.key, { begins: e.target.checked })}
                />{" "}
                a new paper
              </label>
            )}
          </div>
          {trims === piece.key && (
            <fieldset className="trim">
              <legend>Cut away of {piece.file.name}</legend>
              {(["top", "bottom", "left", "right"] as const).map((side) => (
                <label key={side}>
                  {side}
                  <input
                    type="range"
                    min={0}
                    max={45}
                    value={piece.trim[side]}
                    onChange={(e) =>
                      change(piece.key, { trim: { ...piece.trim, [side]: Number(e.target.value) } })
                    }
                  />
                </label>
              ))}
            </fieldset>
          )}
        </li>
      ))}
    </ol>
  );
}

function Preview({ piece }: { piece: Piece }) {
  if (!piece.url) {
    return (
      <span className="piece-picture piece-none">{piece.file.name.split(".").pop()?.toUpperCase()}</span>
    );
  }
  const { top, right, bottom, left } = piece.trim;
  return (
    <span className="piece-picture">
      <span style={{ clipPath: `inset(${top}% ${right}% ${bottom}% ${left}%)` }}>
        <img src={piece.url} alt="" style={{ transform: `rotate(${piece.turn}deg)` }} />
      </span>
    </span>
  );
}
