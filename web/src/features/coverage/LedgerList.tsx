import { useState } from "react";
import { useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { useAsOf } from "../../ui/asOf";
import { Legend } from "../../ui/Legend";
import { isOpen } from "../../ui/statuses";
import "./coverage.css";
import { SlotLine } from "./SlotLine";

type LedgerListProps = { file: Shape<"FileAnswer">; ledger: Shape<"LedgerAnswer"> };
type Narrowing = "all" | "open";

/** Sections with their slots and the papers that fill them, then the papers that fill none. */
export function LedgerList({ file, ledger }: LedgerListProps) {
  const [narrowing, setNarrowing] = useState<Narrowing>("all");
  const { on: today } = useAsOf();
  const open = ledger.sections.flatMap((s) => s.slots).filter((s) => isOpen(s.status)).length;
  const sections = ledger.sections
    .map((s) => ({ ...s, slots: s.slots.filter((slot) => narrowing === "all" || isOpen(slot.status)) }))
    .filter((s) => s.slots.length > 0);
  return (
    <section className="ledger" aria-label="Ledger">
      <div className="ledger-filter">
        <button type="button" aria-pressed={narrowing === "all"} onClick={() => setNarrowing("all")}>
          All
        </button>
        <button type="button" aria-pressed={narrowing === "open"} onClick={() => setNarrowing("open")}>
          Open {open}
        </button>
        <span className="end">
          <Legend />
        </span>
      </div>
      {sections.map((section) => (
        <div key={section.code}>
          <div className="ledger-section">
            <h3>{section.label}</h3>
            <span className="muted tabular">
              {section.met} of {section.of}
            </span>
          </div>
          {section.slots.map((slot) => (
            <SlotLine key={slot.checklist + slot.requirement} file={file} slot={slot} today={today} />
          ))}
        </div>
      ))}
      {narrowing === "all" && ledger.otherPapers.length > 0 && (
        <>
          <div className="ledger-section">
            <h3>Other papers</h3>
            <span className="muted tabular">{ledger.otherPapers.length}</span>
          </div>
          <div className="slot">
            {ledger.otherPapers.map((paper) => (
              <PaperLine key={paper.id} paper={paper} />
            ))}
          </div>
        </>
      )}
    </section>
  );
}

/** One paper in the ledger; choosing it opens it in Read. */
export function PaperLine({ paper }: { paper: Shape<"LedgerPaper"> }) {
  const [search, setSearch] = useSearchParams();
  const choose = () =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      params.set("paper", paper.id);
      params.set("view", "read");
      return params;
    });
  const voided = paper.state === "voided";
  return (
    <button
      type="button"
      className={voided ? "slot-paper voided" : "slot-paper"}
      aria-current={search.get("paper") === paper.id}
      onClick={choose}
    >
      <span className="ellipsis">{paper.name}</span>
      <span className="muted">
        {paper.state === "counts" || paper.state === "filed"
          ? paper.versions > 1
            ? `v${paper.versions}`
            : ""
          : paper.state}
      </span>
    </button>
  );
}
