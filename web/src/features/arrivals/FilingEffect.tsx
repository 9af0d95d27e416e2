import type { Shape } from "../../api/client";
import { day } from "../../ui/days";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { statuses } from "../../ui/statuses";

/** The name a paper will get, and what it does to the slots of the file: before and after. */
export function FilingEffect({ preview }: { preview: Shape<"FilingPreview"> }) {
  return (
    <>
      <div className="muted">Name</div>
      <div className="named">{preview.name}</div>
      <div className="effect">
        {preview.slots.length === 0 && (
          <span className="muted">It fills no slot of this file; it goes to the other papers.</span>
        )}
        {preview.slots.map((slot) => (
          <div key={slot.label}>
            <span className="muted">Fills the slot</span> <strong>{slot.label}</strong>
            <div className="effect-row">
              <Standing standing={slot.before} /> → <Standing standing={slot.after} />
            </div>
            {slot.accepted && (
              <div className="effect-row">
                <span className="muted">once accepted →</span> <Standing standing={slot.accepted} />
              </div>
            )}
          </div>
        ))}
      </div>
    </>
  );
}

function Standing({ standing }: { standing: Shape<"SlotStanding"> }) {
  const { status, coveredThrough, renewal } = standing;
  const over = status === "lapsed" || status === "in-grace";
  return (
    <span>
      <StatusGlyph status={status} /> {statuses[status].word.toLowerCase()}
      {coveredThrough && (over ? `, held to ${day(coveredThrough)}` : ` to ${day(coveredThrough)}`)}
      {renewal !== "none" && `, newer one ${renewal.replaceAll("-", " ")}`}
    </span>
  );
}
