import { useQuery } from "@tanstack/react-query";
import { Button, Segmented, Select } from "antd";
import { useState } from "react";
import type { Shape } from "../../api/client";
import { addDays, day } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { useAsOf } from "../asof/asOf";
import { ledgerOptions } from "../people/fileQueries";
import { linesOptions } from "./boardQueries";
import { LinesDrawing } from "./LinesDrawing";
import "./lines.css";
import { openWords } from "../../ui/standing";
import { LinesTable } from "./LinesTable";

/** How much is shown before and after today, in days. */
const SPANS = {
  "1 year": [240, 125],
  "2 years": [480, 250],
  "5 years": [1200, 625],
  "10 years": [2400, 1250],
} as const;
type Span = keyof typeof SPANS;

type LinesViewProps = { file: Shape<"FileAnswer">; ledger?: Shape<"LedgerAnswer"> };

/** Each slot of a file over time. The line of the day asked about can be dragged. */
export function LinesView({ file, ledger }: LinesViewProps) {
  const [span, setSpan] = useState<Span>("2 years");
  const { query, today, on, ask } = useAsOf();
  const [before, after] = SPANS[span];
  const from = today ? addDays(today, -before) : "";
  const to = today ? addDays(today, after) : "";
  const lines = useQuery({ ...linesOptions(file.id, from, to, query), enabled: today !== "" });
  return (
    <div className="lines">
      <div className="lines-bar">
        <Segmented
          size="small"
          aria-label="Known"
          value={query.known ?? "now"}
          disabled={!query.asOf || query.asOf > today}
          onChange={(known) => ask(query.asOf ?? null, known === "then" ? "then" : "now")}
          options={[
            { value: "then", label: "as known then" },
            { value: "now", label: "as known now" },
          ]}
        />
        <Select
          size="small"
          aria-label="Time shown"
          value={span}
          onChange={setSpan}
          options={Object.keys(SPANS).map((value) => ({ value, label: value }))}
        />
        <span className="grow" />
        <Button size="small" onClick={() => window.print()}>
          Print for an inspector
        </Button>
      </div>
      <Loaded query={lines}>
        {(data) =>
          data.sections.length === 0 ? (
            <QuietEmpty title="Nothing is asked of this file">
              <p>No checklist concerns it in the time shown.</p>
            </QuietEmpty>
          ) : (
            <>
              <PrintHead file={file} ledger={ledger} on={on} known={query.known} />
              <LinesDrawing lines={data} asOf={on} onAsk={(asked) => ask(asked)} />
              <LinesTable lines={data} />
              <Answer file={file} ledger={ledger} />
            </>
          )
        }
      </Loaded>
    </div>
  );
}

function PrintHead({ file, ledger, on, known }: LinesViewProps & { on: string; known: string | undefined }) {
  return (
    <div className="print-only" aria-hidden>
      <h1>{file.name}</h1>
      <p>
        {file.number} · {file.kindLabel}
        {file.birthDate && ` · born ${day(file.birthDate)}`} · as of {day(on)}
        {known === "then" && ", as known then"} · {ledger?.clear ? "clear" : "not clear"}
      </p>
    </div>
  );
}

/** Says in a sentence whether the file was clear on the day asked about, by both knowledges. */
function Answer({ file, ledger }: LinesViewProps) {
  const { query, isToday, today, ask } = useAsOf();
  const other = query.known === "now" ? "then" : "now";
  const counter = useQuery({
    ...ledgerOptions(file.id, { asOf: query.asOf ?? today, known: other }),
    enabled: !isToday,
  });
  if (!ledger) {
    return null;
  }
  if (isToday) {
    return (
      <p className="lines-answer">
        <strong>Is this file clear today?</strong> {words(ledger)} Drag the line of today to ask about another
        day, or move it with the arrow keys.
      </p>
    );
  }
  const asked = query.asOf ?? today;
  const ahead = asked > today;
  return (
    <p className="lines-answer past">
      <strong>
        {ahead ? "Will" : "Was"} this file {ahead ? "be clear" : "clear"} on {day(asked)}?
      </strong>{" "}
      {ahead ? "If nothing new comes in: " : `As known ${query.known ?? "then"}: `}
      {words(ledger)}{" "}
      {!ahead && counter.data && (
        <>
          As known {other}: {words(counter.data)}{" "}
        </>
      )}
      <button type="button" className="linklike" onClick={() => ask(null)}>
        Back to today
      </button>
    </p>
  );
}

function words(ledger: Shape<"LedgerAnswer">): string {
  if (ledger.clear) {
    return ledger.clearThrough ? `yes, through ${day(ledger.clearThrough)}.` : "yes, without end.";
  }
  const open = ledger.sections
    .flatMap((s) => s.slots)
    .filter(
      (s) =>
        s.blocking &&
        ["lapsed", "missing", "sent-back", "in-review", "awaiting-signature"].includes(s.status),
    );
  const named = open.slice(0, 4).map((s) => `${s.label} ${s.status.replaceAll("-", " ")}`);
  const unnamed = open.length - named.length + ledger.hiddenOpen;
  if (named.length === 0) {
    return `no, ${openWords(ledger)}.`;
  }
  const more = unnamed > 0 ? ` and ${unnamed} more` : "";
  return `no, ${named.join(", ")}${more}.`;
}
