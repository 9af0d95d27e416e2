import { DownOutlined, RightOutlined } from "@ant-design/icons";
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { useAsOf } from "../../ui/asOf";
import { useKept } from "../../ui/kept";
import { Legend } from "../../ui/Legend";
import { isOpen } from "../../ui/statuses";
import { draggedPaper, useReadAddress } from "../documents/readAddress";
import "./coverage.css";
import { SlotLine } from "./SlotLine";

type LedgerListProps = { file: Shape<"FileAnswer">; ledger: Shape<"LedgerAnswer"> };
type Narrowing = "all" | "open";

/** Sections with their slots and the papers that fill them, then the papers that fill none. */
export function LedgerList({ file, ledger }: LedgerListProps) {
  const [narrowing, setNarrowing] = useState<Narrowing>("all");
  const [folded, setFolded] = useKept<string[]>("folded-sections", []);
  const { on: today } = useAsOf();
  const open = ledger.sections.flatMap((s) => s.slots).filter((s) => isOpen(s.status)).length;
  const sections = ledger.sections
    .map((s) => ({ ...s, slots: s.slots.filter((slot) => narrowing === "all" || isOpen(slot.status)) }))
    .filter((s) => s.slots.length > 0);
  const allFolded = sections.length > 0 && sections.every((s) => folded.includes(s.code));
  return (
    <section className="ledger" aria-label="Ledger">
      <div className="ledger-filter">
        <button type="button" aria-pressed={narrowing === "all"} onClick={() => setNarrowing("all")}>
          All
        </button>
        <button type="button" aria-pressed={narrowing === "open"} onClick={() => setNarrowing("open")}>
          Open {open}
        </button>
        <button type="button" onClick={() => setFolded(allFolded ? [] : sections.map((s) => s.code))}>
          {allFolded ? "Unfold all" : "Fold all"}
        </button>
        <span className="end">
          <Legend />
        </span>
      </div>
      {sections.map((section) => (
        <div key={section.code}>
          <div className="ledger-section">
            <Fold
              label={section.label}
              isFolded={folded.includes(section.code)}
              onFold={(fold) =>
                setFolded(fold ? [...folded, section.code] : folded.filter((code) => code !== section.code))
              }
            />
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

/** More papers beside each other are hardly readable on any screen. */
const MOST_BY_KEY = 4;

/** One paper in the ledger; choosing it opens it in Read. */
export function PaperLine({ paper }: { paper: Shape<"LedgerPaper"> }) {
  const [, setSearch] = useSearchParams();
  const address = useReadAddress();
  const shown = address.panes.map((p) => p.id);
  const choose = () =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      params.set("paper", paper.id);
      params.delete("beside");
      params.set("view", "read");
      return params;
    });
  const voided = paper.state === "voided";
  return (
    <button
      type="button"
      className={voided ? "slot-paper voided" : "slot-paper"}
      aria-current={shown.includes(paper.id)}
      draggable
      title="Drag it next to the open paper, or press B to lay it beside"
      onDragStart={(e) => e.dataTransfer.setData(draggedPaper, paper.id)}
      onKeyDown={(e) => e.key.toLowerCase() === "b" && address.open({ id: paper.id }, MOST_BY_KEY)}
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
