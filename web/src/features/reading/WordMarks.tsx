import { asTurn, type Turn, turnedBox } from "./placing";
import type { PageWords } from "./readingQueries";

type WordMarksProps = {
  words?: PageWords;
  turn: Turn;
  /** Number of the chosen place on this page, from 0. */
  chosen?: number;
  /** What the marks tell: words that were searched for, that are no more, or that were not there before. */
  kind?: "found" | "gone" | "new";
};

/** Marks over words of a page. */
export function WordMarks({ words, turn, chosen, kind = "found" }: WordMarksProps) {
  // places are told for the page as recognition set it upright
  const since = asTurn(turn - (words?.turn ?? 0));
  return (
    <div className={`word-marks ${kind}`} aria-hidden>
      {words?.places.flatMap((place, i) =>
        place.boxes.map((box) => {
          const [left = 0, top = 0, width = 0, height = 0] = turnedBox(box, since);
          return (
            <span
              key={`${place.first} ${left} ${top}`}
              className={i === chosen ? "chosen" : undefined}
              style={{
                left: `${left / 100}%`,
                top: `${top / 100}%`,
                width: `${width / 100}%`,
                height: `${height / 100}%`,
              }}
            />
          );
        }),
      )}
    </div>
  );
}
