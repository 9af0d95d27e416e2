import { useQuery } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useCallback, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { Legend } from "../../ui/Legend";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { type Status, statuses } from "../../ui/statuses";
import { Where } from "../../ui/Where";
import { useAsOf, useKeepingAsOf } from "../asof/asOf";
import { kindsOptions } from "../people/fileQueries";
import { BoardGrid, type Cell } from "./BoardGrid";
import {
  type BoardRow,
  type BoardView,
  boardPageOptions,
  boardViewOf,
  countsOptions,
  forecastOptions,
  teamsOptions,
} from "./boardQueries";
import "./board.css";
import { ChosenBar } from "./ChosenBar";
import { ForecastBars } from "./ForecastBars";
import { SlotCard } from "./SlotCard";

const OPEN: Status[] = ["lapsed", "missing", "sent-back", "in-review", "awaiting-signature"];

/** People by requirements. */
export function CoveragePage() {
  const kinds = useQuery(kindsOptions);
  return <Loaded query={kinds}>{(all) => <Coverage kinds={all} />}</Loaded>;
}

function Coverage({ kinds }: { kinds: { code: string; plural: string }[] }) {
  const [search, setSearch] = useSearchParams();
  const view = boardViewOf(search, kinds[0]?.code, "clear");
  const counts = useQuery(countsOptions(view));
  const [chosen, setChosen] = useState<Map<string, BoardRow>>(new Map());
  const [cell, setCell] = useState<Cell | null>(null);
  const navigate = useNavigate();
  const keep = useKeepingAsOf();
  const set = (changes: Record<string, string>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(changes)) {
          value ? next.set(name, value) : next.delete(name);
        }
        return next;
      },
      { replace: true },
    );
  const choose = useCallback(
    (row: BoardRow) =>
      setChosen((before) => {
        const next = new Map(before);
        next.delete(row.id) || next.set(row.id, row);
        return next;
      }),
    [],
  );
  const sort = (by: string) => set({ sort: by, turned: view.sort === by && !view.turned ? "true" : "" });
  return (
    <div className="coverage-page">
      <Where>
        <strong>Coverage</strong>
        <span className="muted"> · {kinds.find((k) => k.code === view.kind)?.plural ?? "everyone"}</span>
      </Where>
      <Bar view={view} kinds={kinds} onSet={set} />
      <Strip view={view} />
      <Loaded query={counts}>
        {(data) =>
          data.files === 0 ? (
            <QuietEmpty title="Nobody fits">
              <p>No file fits what is chosen above.</p>
              <Button onClick={() => setSearch(new URLSearchParams({ kind: "all" }))}>Show everyone</Button>
            </QuietEmpty>
          ) : (
            <BoardGrid
              view={view}
              total={data.files}
              chosen={chosen}
              onChoose={choose}
              onSort={sort}
              onOpenCell={setCell}
              onOpenFile={(row) => navigate(keep(`/files/${row.id}`))}
            />
          )
        }
      </Loaded>
      {cell && <SlotCard cell={cell} onClose={() => setCell(null)} />}
      {chosen.size > 0 && <ChosenBar chosen={chosen} onClear={() => setChosen(new Map())} />}
    </div>
  );
}

type BarProps = {
  view: BoardView;
  kinds: { code: string; plural: string }[];
  onSet: (changes: Record<string, string>) => void;
};

function Bar({ view, kinds, onSet }: BarProps) {
  const teams = useQuery(teamsOptions).data ?? [];
  const { query, ask } = useAsOf();
  const columns = useQuery(boardPageOptions({ ...view, checklist: "" }, 0)).data?.columns ?? [];
  const lists = [...new Map(columns.map((c) => [c.checklist, c.checklistLabel])).entries()];
  const csv = new URLSearchParams(
    Object.entries(view)
      .filter(([, value]) => value)
      .map(([name, value]) => [name, String(value)]),
  );
  return (
    <div className="board-bar">
      <Select
        aria-label="Kind"
        value={view.kind || "all"}
        onChange={(kind) => onSet({ kind, checklist: "" })}
        popupMatchSelectWidth={false}
        options={[
          ...kinds.map((k) => ({ value: k.code, label: k.plural })),
          { value: "all", label: "Everyone" },
        ]}
      />
      <Select
        aria-label="Team"
        value={view.team}
        onChange={(team) => onSet({ team })}
        popupMatchSelectWidth={false}
        options={[{ value: "", label: "All teams" }, ...teams.map((t) => ({ value: t, label: t }))]}
      />
      {lists.length > 1 && (
        <Select
          aria-label="Checklist"
          value={view.checklist}
          onChange={(checklist) => onSet({ checklist })}
          popupMatchSelectWidth={false}
          options={[
            { value: "", label: "All checklists" },
            ...lists.map(([value, label]) => ({ value, label })),
          ]}
        />
      )}
      <Select
        aria-label="Status"
        value={view.status}
        onChange={(status) => onSet({ status })}
        popupMatchSelectWidth={false}
        options={[
          { value: "", label: "Any status" },
          ...Object.entries(statuses)
            .filter(([code]) => code !== "not-applicable")
            .map(([value, { word }]) => ({ value, label: word })),
        ]}
      />
      <button
        type="button"
        className="chip"
        aria-pressed={view.open ?? false}
        onClick={() => onSet({ open: view.open ? "" : "true" })}
      >
        Only open
      </button>
      <Input
        allowClear
        aria-label="Narrow the list"
        placeholder="Name or number"
        value={view.text}
        onChange={(e) => onSet({ text: e.target.value })}
      />
      <span className="grow" />
      <span className="muted">as of</span>
      <div className="board-as-of">
        <DayField value={query.asOf ?? null} placeholder="today" onChange={(iso) => ask(iso)} />
      </div>
      <Legend />
      <a className="linklike" href={`/api/board/csv?${csv}`} download>
        CSV
      </a>
    </div>
  );
}

/** How many are clear, what falls in the next month, and the weeks ahead. */
function Strip({ view }: { view: BoardView }) {
  const { isToday, on } = useAsOf();
  const counts = useQuery(countsOptions(view)).data;
  const weeks = useQuery({ ...forecastOptions(view), enabled: isToday }).data ?? [];
  if (!counts) {
    return <div className="board-strip" />;
  }
  const open = OPEN.reduce((sum, status) => sum + (counts.statuses[status] ?? 0), 0);
  const soon = weeks.slice(0, 4).reduce((sum, w) => sum + w.lapses + w.due, 0);
  const isCounted = Object.keys(counts.statuses).length > 0;
  const notClear = counts.files - counts.clear;
  return (
    <div className="board-strip">
      <div>
        <strong>{isCounted ? `${counts.clear} of ${counts.files} clear` : `${counts.files} files`}</strong>
        <span className="muted">
          {isCounted
            ? `${notClear} not clear, ${open} open ${open === 1 ? "slot" : "slots"}`
            : "too many to count on another day"}
        </span>
      </div>
      {isToday ? (
        <>
          <div>
            <strong className="ochre">{soon} within 4 weeks</strong>
            <span className="muted">will fall open if nothing comes</span>
          </div>
          <ForecastBars weeks={weeks} view={view} />
          <span className="muted forecast-words">
            26 weeks, <br />
            slots a week
          </span>
        </>
      ) : (
        <div>
          <strong className="clay">As of {day(on)}</strong>
          <span className="muted">the weeks ahead are told from today</span>
        </div>
      )}
    </div>
  );
}
