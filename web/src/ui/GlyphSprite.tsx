import { glyphShapes } from "./StatusGlyph";
import { type Status, statuses } from "./statuses";

/** Every status glyph once, for places that show thousands of them. */
export function GlyphSprite() {
  return (
    <svg className="glyph-sprite" aria-hidden="true" focusable="false">
      <title>Status signs</title>
      {(Object.keys(statuses) as Status[]).map((status) => (
        <symbol key={status} id={`sign-${status}`} viewBox="0 0 14 14">
          {glyphShapes(statuses[status].colour)[status]}
        </symbol>
      ))}
    </svg>
  );
}
