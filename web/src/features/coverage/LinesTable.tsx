import type { Shape } from "../../api/client";
import { day } from "../../ui/days";
import { statuses } from "../../ui/statuses";

/** The drawing in words: for screen readers, and on paper below it. */
export function LinesTable({ lines }: { lines: Shape<"LinesAnswer"> }) {
  return (
    <table className="lines-table">
      <caption>
        Slots from {day(lines.from)} to {day(lines.to)}
      </caption>
      <thead>
        <tr>
          <th scope="col">Slot</th>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Status</th>
        </tr>
      </thead>
      <tbody>
        {lines.sections
          .flatMap((s) => s.lines)
          .flatMap((line) =>
            line.stretches
              .filter((s) => s.status !== "not-applicable")
              .map((s, i) => (
                <tr key={line.checklist + line.requirement + s.from}>
                  {i === 0 ? <th scope="row">{line.label}</th> : <td />}
                  <td>{day(s.from)}</td>
                  <td>{s.to === lines.to ? "…" : day(s.to)}</td>
                  <td>{statuses[s.status].word}</td>
                </tr>
              )),
          )}
      </tbody>
    </table>
  );
}
