import { useVirtualizer } from "@tanstack/react-virtual";
import { Button } from "antd";
import { type KeyboardEvent, memo, useCallback, useEffect, useRef, useState } from "react";
import { wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { GlyphSprite } from "../../ui/GlyphSprite";
import { QuietEmpty } from "../../ui/Quiet";
import { openWords, type Verdict } from "../../ui/standing";
import { type Status, statuses } from "../../ui/statuses";
import type { BoardRow, BoardView, Column } from "./boardQueries";
import { useBoardRows } from "./useBoardRows";

const ROW = 28;
const HEAD = 118;
const PERSON = 360;
const NARROW = 40;
const WIDE = 69;

export type Cell = { row: BoardRow; column: Column; place: DOMRect };

type BoardGridProps = {
  view: BoardView;
  total: number;
  chosen: Map<string, BoardRow>;
  onChoose: (row: BoardRow) => void;
  onSort: (sort: string) => void;
  onOpenCell: (cell: Cell) => void;
  onOpenFile: (row: BoardRow) => void;
};

/**
 * People by requirements, rows and columns drawn only where they are seen. One cell is the current one: arrows move
 * it, Enter opens its card, Space chooses its row.
 */
export function BoardGrid({ view, total, chosen, onChoose, onSort, onOpenCell, onOpenFile }: BoardGridProps) {
  const pane = useRef<HTMLDivElement>(null);
  const [current, setCurrent] = useState({ row: 0, column: 0 });
  const rows = useVirtualizer({
    count: total,
    getScrollElement: () => pane.current,
    estimateSize: () => ROW,
    overscan: 12,
    paddingStart: HEAD,
    scrollPaddingStart: HEAD,
  });
  const shown = rows.getVirtualItems();
  const board = useBoardRows(view, shown[0]?.index ?? 0, shown[shown.length - 1]?.index ?? 0);
  const width = board.columns.length > 13 ? NARROW : WIDE;
  const columns = useVirtualizer({
    horizontal: true,
    count: board.columns.length,
    getScrollElement: () => pane.current,
    estimateSize: () => width,
    overscan: 6,
    paddingStart: PERSON,
    scrollPaddingStart: PERSON,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: sizes are measured anew when their width changes
  useEffect(() => columns.measure(), [width]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another view begins at its first row
  useEffect(() => {
    setCurrent({ row: 0, column: 0 });
    pane.current?.scrollTo({ top: 0 });
  }, [JSON.stringify(view)]);
  const openCell = useCallback(
    (row: BoardRow, column: Column, place: DOMRect) => onOpenCell({ row, column, place }),
    [onOpenCell],
  );
  const move = (down: number, right: number) => {
    const row = Math.max(0, Math.min(total - 1, current.row + down));
    const column = Math.max(0, Math.min(board.columns.length - 1, current.column + right));
    setCurrent({ row, column });
    rows.scrollToIndex(row);
    columns.scrollToIndex(column);
  };
  const page = Math.max(1, Math.floor(((pane.current?.clientHeight ?? 400) - HEAD) / ROW) - 1);
  const steps = new Map([
    ["ArrowDown", [1, 0]],
    ["ArrowUp", [-1, 0]],
    ["ArrowRight", [0, 1]],
    ["ArrowLeft", [0, -1]],
    ["PageDown", [page, 0]],
    ["PageUp", [-page, 0]],
    ["Home", [0, -board.columns.length]],
    ["End", [0, board.columns.length]],
  ]);
  const onKey = (e: KeyboardEvent) => {
    const row = board.row(current.row);
    const column = board.columns[current.column];
    const step = steps.get(e.key);
    if (step) {
      e.preventDefault();
      move(step[0] ?? 0, step[1] ?? 0);
    } else if (e.key === " " && row) {
      e.preventDefault();
      onChoose(row);
    } else if (e.key === "Enter" && row && column && e.target === pane.current) {
      e.preventDefault();
      const cell = document.getElementById(`cell-${current.row}-${current.column}`);
      openCell(row, column, (cell ?? (e.target as Element)).getBoundingClientRect());
    }
  };
  if (board.error) {
    return (
      <QuietEmpty title="This cannot be shown">
        <p>{wordsOf(board.error)}</p>
        {view.sort !== "name" && <Button onClick={() => onSort("name")}>Sort by name</Button>}
      </QuietEmpty>
    );
  }
  const shownColumns = columns.getVirtualItems();
  return (
    <>
      <GlyphSprite />
      {/* biome-ignore lint/a11y/useSemanticElements: a table cannot be drawn in part */}
      <div
        ref={pane}
        className="board"
        role="grid"
        tabIndex={0}
        aria-label="Coverage"
        aria-rowcount={total + 1}
        aria-colcount={board.columns.length + 1}
        aria-activedescendant={`cell-${current.row}-${current.column}`}
        aria-multiselectable="true"
        onKeyDown={onKey}
      >
        <div
          className="board-space"
          style={{ height: rows.getTotalSize(), width: columns.getTotalSize() + 60 }}
        >
          {/* biome-ignore lint/a11y/useFocusableInteractive: the grid itself holds the focus */}
          {/* biome-ignore lint/a11y/useSemanticElements: see above */}
          <div className="board-head" role="row" aria-rowindex={1} style={{ height: HEAD }}>
            <Corner view={view} onSort={onSort} />
            {shownColumns.map((c) => {
              const column = board.columns[c.index];
              return (
                column && (
                  // biome-ignore lint/a11y/useSemanticElements: see above
                  // biome-ignore lint/a11y/useFocusableInteractive: see above
                  <div
                    key={c.key}
                    className="board-column"
                    role="columnheader"
                    aria-colindex={c.index + 2}
                    style={{ left: c.start, width: c.size }}
                  >
                    <span title={`${column.checklistLabel}: ${column.label}`}>
                      {column.label}
                      {!column.blocking && <em> advisory</em>}
                    </span>
                  </div>
                )
              );
            })}
          </div>
          {shown.map((r) => (
            <Row
              key={r.index}
              index={r.index}
              top={r.start}
              row={board.row(r.index)}
              columns={board.columns}
              letters={board.letters}
              first={shownColumns[0]?.index ?? 0}
              last={shownColumns[shownColumns.length - 1]?.index ?? -1}
              width={width}
              current={current.row === r.index ? current.column : -1}
              isChosen={chosen.has(board.row(r.index)?.id ?? "")}
              onChoose={onChoose}
              onOpenCell={openCell}
              onOpenFile={onOpenFile}
              onCurrent={setCurrent}
            />
          ))}
        </div>
      </div>
    </>
  );
}

function Corner({ view, onSort }: { view: BoardView; onSort: (sort: string) => void }) {
  const button = (sort: string, words: string) => (
    <button
      type="button"
      className="board-sort"
      onClick={() => onSort(sort)}
      aria-pressed={view.sort === sort}
    >
      {words} {view.sort === sort ? (view.turned ? "↓" : "↑") : ""}
    </button>
  );
  return (
    // biome-ignore lint/a11y/useSemanticElements: see the grid
    // biome-ignore lint/a11y/useFocusableInteractive: its buttons take the focus
    <div className="board-corner" role="columnheader" aria-colindex={1} style={{ width: PERSON }}>
      <span className="board-name">{button("name", "Person")}</span>
      <span>{button("clear", "Clear through")}</span>
    </div>
  );
}

type RowProps = {
  index: number;
  top: number;
  row: BoardRow | undefined;
  columns: Column[];
  letters: Record<string, Status>;
  first: number;
  last: number;
  width: number;
  current: number;
  isChosen: boolean;
  onChoose: (row: BoardRow) => void;
  onOpenCell: (row: BoardRow, column: Column, place: DOMRect) => void;
  onOpenFile: (row: BoardRow) => void;
  onCurrent: (at: { row: number; column: number }) => void;
};

const Row = memo(function Row(props: RowProps) {
  const { row, index, columns, letters, first, last, width, current } = props;
  const cells = [];
  for (let i = first; row && i <= last; i++) {
    const column = columns[i];
    const status = letters[row.cells[i] ?? "."] ?? "not-applicable";
    if (column) {
      cells.push(
        // biome-ignore lint/a11y/useSemanticElements: see the grid
        // biome-ignore lint/a11y/useFocusableInteractive: see the grid
        // biome-ignore lint/a11y/useKeyWithClickEvents: keys are taken by the grid
        <div
          key={i}
          id={`cell-${index}-${i}`}
          role="gridcell"
          aria-colindex={i + 2}
          aria-label={`${column.label}: ${statuses[status].word.toLowerCase()}`}
          title={`${column.label}: ${statuses[status].word.toLowerCase()}`}
          className={`board-cell at-${status}${current === i ? " current" : ""}`}
          style={{ left: PERSON + i * width, width }}
          onClick={(e) => {
            props.onCurrent({ row: index, column: i });
            props.onOpenCell(row, column, e.currentTarget.getBoundingClientRect());
          }}
        >
          <svg width="14" height="14" aria-hidden="true">
            <use href={`#sign-${status}`} />
          </svg>
        </div>,
      );
    }
  }
  return (
    // biome-ignore lint/a11y/useSemanticElements: see the grid
    // biome-ignore lint/a11y/useFocusableInteractive: see the grid
    <div
      className={props.isChosen ? "board-row chosen" : "board-row"}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={props.isChosen}
      style={{ transform: `translateY(${props.top}px)`, height: ROW }}
    >
      {/* biome-ignore lint/a11y/useSemanticElements: see the grid */}
      {/* biome-ignore lint/a11y/useFocusableInteractive: see the grid */}
      <div className="board-person" role="rowheader" aria-colindex={1} style={{ width: PERSON }}>
        {row && (
          <>
            <input
              type="checkbox"
              tabIndex={-1}
              checked={props.isChosen}
              aria-label={`Choose ${row.name}`}
              onChange={() => props.onChoose(row)}
            />
            <button type="button" tabIndex={-1} className="board-name" onClick={() => props.onOpenFile(row)}>
              <strong>{row.name}</strong> <span className="muted">{row.number}</span>
            </button>
            <span className={row.clear ? "tabular" : "clay"} title={row.clear ? undefined : openWords(row)}>
              {row.clear ? (row.clearThrough ? day(row.clearThrough) : "no end") : notClear(row)}
            </span>
          </>
        )}
      </div>
      {cells}
    </div>
  );
});

/** Where all that is open is in sight, the cells say the rest. */
function notClear(row: Verdict): string {
  return row.openSlots === 0 ? `not clear, ${row.hiddenOpen} hidden` : "not clear";
}
