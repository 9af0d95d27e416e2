import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { day } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { statuses } from "../../ui/statuses";
import { useAsOf, useKeepingAsOf, useMayChange } from "../asof/asOf";
import { ChaseModal } from "../chasing/ChaseModal";
import type { Cell } from "./BoardGrid";
import { slotOptions } from "./boardQueries";
import { isWanting, slotWords } from "./slotWords";
import { WaiveModal } from "./WaiveModal";

const WIDTH = 340;

/** What one cell of the board means: how the slot stands, why, what changes next, and what can be done. */
export function SlotCard({ cell, onClose }: { cell: Cell; onClose: () => void }) {
  const { query } = useAsOf();
  const slot = useQuery(slotOptions(cell.row.id, cell.column, query));
  const card = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(cell.place.bottom + 4);
  // biome-ignore lint/correctness/useExhaustiveDependencies: its height depends on what was loaded
  useLayoutEffect(() => {
    const height = card.current?.offsetHeight ?? 0;
    const below = cell.place.bottom + 4;
    setTop(below + height > window.innerHeight - 8 ? Math.max(56, cell.place.top - height - 4) : below);
  }, [cell, slot.data]);
  useEffect(() => {
    card.current?.focus();
    const onKey = (e: KeyboardEvent) => e.key === "Escape" && onClose();
    const onPointer = (e: PointerEvent) => {
      const target = e.target as Element;
      const inside =
        card.current?.contains(target) || target.closest(".ant-modal-wrap, .ant-picker-dropdown");
      if (!inside) {
        onClose();
      }
    };
    window.addEventListener("keydown", onKey);
    window.addEventListener("pointerdown", onPointer);
    return () => {
      window.removeEventListener("keydown", onKey);
      window.removeEventListener("pointerdown", onPointer);
    };
  }, [onClose]);
  const left = Math.max(84, Math.min(cell.place.left - 40, window.innerWidth - WIDTH - 12));
  return (
    <div
      ref={card}
      className="slot-card"
      role="dialog"
      aria-label={`${cell.column.label} of ${cell.row.name}`}
      tabIndex={-1}
      style={{ left, top, width: WIDTH }}
    >
      <h2>{cell.column.label}</h2>
      <div className="muted">
        {cell.row.name} · {cell.row.number}
      </div>
      <Loaded query={slot}>{(data) => <Contents cell={cell} slot={data} onClose={onClose} />}</Loaded>
    </div>
  );
}

function Contents({
  cell,
  slot,
  onClose,
}: {
  cell: Cell;
  slot: Parameters<typeof slotWords>[0];
  onClose: () => void;
}) {
  const { on } = useAsOf();
  const keep = useKeepingAsOf();
  const mayChange = useMayChange();
  const [dialog, setDialog] = useState<"chase" | "waive" | null>(null);
  const { word, colour } = statuses[slot.status];
  const words = slotWords(slot, on);
  const toReview = slot.papers.find((p) => p.state === "IN_REVIEW" && !p.counts);
  return (
    <>
      <p className="slot-card-status">
        <StatusGlyph status={slot.status} />
        <span>
          <strong style={{ color: colour }}>{word}</strong>
          {words.toLowerCase() !== word.toLowerCase() && words && ` · ${words}`}
        </span>
      </p>
      {slot.status === "not-applicable" ? (
        <p>This is not asked of {cell.row.name} on that day.</p>
      ) : (
        slot.reasons.map((reason) => <p key={reason}>{reason}</p>)
      )}
      {slot.nextChangeOn && (
        <p className="muted">
          Next change: {day(slot.nextChangeOn)}, {slot.nextStatus?.replaceAll("-", " ")}
        </p>
      )}
      <div className="slot-card-actions">
        {toReview && mayChange && (
          <Link to={`/files/${cell.row.id}?paper=${toReview.id}`}>
            <Button type="primary" size="small">
              Review it
            </Button>
          </Link>
        )}
        <Link to={keep(`/files/${cell.row.id}`)}>
          <Button size="small">Open file</Button>
        </Link>
        {mayChange && isWanting(slot) && (
          <>
            <Button size="small" onClick={() => setDialog("chase")}>
              Chase
            </Button>
            <Button size="small" onClick={() => setDialog("waive")}>
              Waive
            </Button>
          </>
        )}
      </div>
      <ChaseModal
        fileId={cell.row.id}
        open={dialog === "chase"}
        onClose={() => {
          setDialog(null);
          onClose();
        }}
      />
      <WaiveModal
        fileId={cell.row.id}
        slot={slot}
        open={dialog === "waive"}
        onClose={() => {
          setDialog(null);
          onClose();
        }}
      />
    </>
  );
}
