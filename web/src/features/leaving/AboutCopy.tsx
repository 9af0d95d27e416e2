import type { Draft } from "./copyQueries";

/** What a copy that is looked at holds, and what was taken out. */
export function AboutCopy({ copy, several }: { copy: Draft; several: boolean }) {
  return (
    <div className="copy-about">
      <strong>
        Copy {copy.number}
        {several && ` of “${copy.paper}”`}
      </strong>
      <div>
        {copy.covered > 0
          ? `${copy.covered} ${copy.covered === 1 ? "place is" : "places are"} covered. Nothing beneath is in the copy: it was read again and checked. A seal stays with the original.`
          : copy.isOriginal
            ? "They get the paper itself, byte for byte, with its seal if it has one."
            : "Nothing is covered. A seal stays with the original."}
      </div>
      {copy.moved > 0 && (
        <div className="clay">
          {copy.moved === 1 ? "1 cover was" : `${copy.moved} covers were`} carried over from an earlier
          version. Check on the pages that nothing is left open.
        </div>
      )}
    </div>
  );
}
