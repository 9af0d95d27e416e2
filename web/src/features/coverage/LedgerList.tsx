import { DownOutlined, RightOutlined } from "@ant-design/icons";
import { useState } from "react";
import type { Shape } from "../../api/client";
import { useKept } from "../../ui/kept";
import { Legend } from "../../ui/Legend";
import { isOpen } from "../../ui/statuses";
import { useAsOf, useMayChange } from "../asof/asOf";
import { ChosenBar } from "../documents/changing/ChosenBar";
import { Wastebasket } from "../documents/changing/Wastebasket";
import "./coverage.css";
import { useNarrowedPapers } from "../wholefile/wholeFileQueries";
import { LedgerTable } from "./LedgerTable";
import { ChosenPapers, PaperLine } from "./PaperLine";
import { SectionMark } from "./SectionMark";
import { SlotLine } from "./SlotLine";

type LedgerListProps = { file: Shape<"FileAnswer">; ledger: Shape<"LedgerAnswer"> };
type Narrowing = "all" | "open";

/** Sections with their slots and the papers that fill them, then the papers that fill none; or all papers as a table. */
export function LedgerList({ file, ledger }: LedgerListProps) {
  const [narrowing, setNarrowing] = useState<Narrowing>("all");
  const [folded, setFolded] = useKept<string[]>("folded-sections", []);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [isTable, setIsTable] = useKept("ledger-is-table", false);
  const mayChange = useMayChange();
  const { on: today } = useAsOf();
  const found = useNarrowedPapers(file.id);
  const open = ledger.sections.flatMap((s) => s.slots).filter((s) => isOpen(s.status)).length;
  const sections = ledger.sections
    .map((s) => ({
      ...s,
      slots: s.slots
        .filter((slot) => narrowing === "all" || isOpen(slot.status))
        .map((slot) => (found ? { ...slot, papers: slot.papers.filter((p) => found.has(p.id)) } : slot))
        // what is still wanted stays in sight while one searches
        .filter((slot) => !found || slot.papers.length > 0 || isOpen(slot.status)),
    }))
    .filter((s) => s.slots.length > 0);
  const others = ledger.otherPapers.filter((p) => !found || found.has(p.id));
  const listed = isTable ? [] : sections;
  const show = (next: Narrowing, asTable: boolean) => {
    setNarrowing(next);
    if (asTable !== isTable) {
      setIsTable(asTable);
    }
  };
  const allFolded = sections.length > 0 && sections.every((s) => folded.includes(s.code));
  const all = [
    ...ledger.sections.flatMap((x) => x.slots.flatMap((slot) => slot.papers)),
    ...ledger.otherPapers,
  ];
  const papers = [...new Map(all.map((p) => [p.id, p])).values()].filter((p) => chosen.has(p.id));
  const choose = (ids: string[], isChosen: boolean) => {
    const next = new Set(chosen);
    for (const id of ids) {
      isChosen ? next.add(id) : next.delete(id);
    }
    setChosen(next);
  };
  return (
    <ChosenPapers value={{ chosen, choose }}>
      <section className="ledger" aria-label="Ledger">
        {papers.length > 0 && (
          <ChosenBar papers={papers} mayChange={mayChange} file={file} onClear={() => setChosen(new Set())} />
        )}
        <div className="ledger-filter">
          <button
            type="button"
            aria-pressed={!isTable && narrowing === "all"}
            onClick={() => show("all", false)}
          >
            All
          </button>
          <button
            type="button"
            aria-pressed={!isTable && narrowing === "open"}
            onClick={() => show("open", false)}
          >
            Open {open}
          </button>
          <button type="button" aria-pressed={isTable} onClick={() => show("all", true)}>
            Table
          </button>
          {!isTable && (
            <button type="button" onClick={() => setFolded(allFolded ? [] : sections.map((s) => s.code))}>
              {allFolded ? "Unfold all" : "Fold all"}
            </button>
          )}
          <span className="end">
            <Legend />
          </span>
        </div>
        {found && (
          <p className="ledger-narrowed muted" role="status">
            Only papers with the searched words, and slots that are still open.
          </p>
        )}
        {isTable && <LedgerTable fileId={file.id} />}
        {listed.map((section) => (
          <div key={section.code}>
            <div className="ledger-section">
              <Fold
                label={section.label}
                isFolded={folded.includes(section.code)}
                onFold={(fold) =>
                  setFolded(fold ? [...folded, section.code] : folded.filter((code) => code !== section.code))
                }
              />
              <SectionMark file={file} section={section} />
              <span className="muted tabular">
                {section.met} of {section.of}
              </span>
            </div>
            {!folded.includes(section.code) &&
              section.slots.map((slot) => (
                <SlotLine key={slot.checklist + slot.requirement} file={file} slot={slot} today={today} />
              ))}
          </div>
        ))}
        {!isTable && narrowing === "all" && others.length > 0 && (
          <>
            <div className="ledger-section">
              <h3>Other papers</h3>
              <span className="muted tabular">{others.length}</span>
            </div>
            <div className="slot">
              {others.map((paper) => (
                <PaperLine key={paper.id} paper={paper} />
              ))}
            </div>
          </>
        )}
        <Wastebasket fileId={file.id} mayChange={mayChange} />
      </section>
    </ChosenPapers>
  );
}

function Fold({
  label,
  isFolded,
  onFold,
}: {
  label: string;
  isFolded: boolean;
  onFold: (fold: boolean) => void;
}) {
  return (
    <h3>
      <button type="button" className="fold" aria-expanded={!isFolded} onClick={() => onFold(!isFolded)}>
        {isFolded ? <RightOutlined /> : <DownOutlined />} {label}
      </button>
    </h3>
  );
}
