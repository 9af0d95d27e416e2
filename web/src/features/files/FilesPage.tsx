import { PlusOutlined } from "@ant-design/icons";
import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { Button, Input, Segmented, Table, type TableColumnsType, type TableProps } from "antd";
import type { SorterResult } from "antd/es/table/interface";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { day, moment } from "../../ui/days";
import { Legend } from "../../ui/Legend";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { StatusGlyph } from "../../ui/StatusGlyph";
import type { Status } from "../../ui/statuses";
import { Where } from "../../ui/Where";
import { useKeepingAsOf, useMayChange } from "../asof/asOf";
import {
  type BoardRow,
  type BoardView,
  boardListOptions,
  boardViewOf,
  type Column,
  countsOptions,
} from "../coverage/boardQueries";
import { ChosenBar } from "../coverage/ChosenBar";
import { StandingSearches } from "../finding/SavedSearches";
import { kindsOptions } from "../people/fileQueries";
import { NewFileDrawer } from "../people/NewFileDrawer";
import "../people/people.css";
import { briefOpenWords, openWords } from "../../ui/standing";

type Row = BoardRow;

/** The words by which the server sorts, by column. */
const SORTS = ["name", "number", "team", "clear", "activity"];

function columnsOf(
  columns: Column[],
  letters: Record<string, Status>,
  view: BoardView,
): TableColumnsType<Row> {
  const sorted = (key: string) => ({
    key,
    sorter: true,
    sortOrder: view.sort === key ? ((view.turned ? "descend" : "ascend") as "descend" | "ascend") : null,
    showSorterTooltip: false as const,
  });
  return [
    {
      title: "Person",
      ...sorted("name"),
      width: 286,
      render: (_, row) => (
        <>
          <strong>{row.name}</strong>{" "}
          <span className="muted">{row.birthDate && `born ${day(row.birthDate)}`}</span>
        </>
      ),
    },
    { title: "Number", dataIndex: "number", width: 92, ...sorted("number") },
    { title: "Kind", dataIndex: "kindLabel", width: 92 },
    { title: "Team", dataIndex: "team", width: 120, ...sorted("team") },
    {
      title: "Clear through",
      ...sorted("clear"),
      width: 184,
      ellipsis: true,
      render: (_, row) =>
        row.clear ? (
          (row.clearThrough && day(row.clearThrough)) || <span className="muted">no end</span>
        ) : (
          <span className="clay" title={openWords(row)}>
            not clear, {briefOpenWords(row)}
          </span>
        ),
    },
    {
      title: "Slots",
      key: "slots",
      render: (_, row) => <Strip row={row} columns={columns} letters={letters} />,
    },
    {
      title: "Last activity",
      ...sorted("activity"),
      width: 150,
      render: (_, row) => <span className="muted nowrap">{moment(row.lastActivityAt)}</span>,
    },
  ];
}

/** The signs of a person's slots in the order of the checklists. */
function Strip({ row, columns, letters }: { row: Row; columns: Column[]; letters: Record<string, Status> }) {
  return (
    <span className="strip">
      {columns.map((column, i) => {
        const status = letters[row.cells[i] ?? "."] ?? "not-applicable";
        return (
          status !== "not-applicable" && (
            <span
              key={`${column.checklist}/${column.requirement}`}
              className={status === "on-file" || status === "waived" ? "pale" : undefined}
            >
              <StatusGlyph status={status} label={column.label} />
            </span>
          )
        );
      })}
    </span>
  );
}

/** Several are chosen by the boxes before their names; whoever is no longer shown stays chosen. */
function choosing(
  chosen: Map<string, Row>,
  onChoose: (chosen: Map<string, Row>) => void,
): NonNullable<TableProps<Row>["rowSelection"]> {
  return {
    selectedRowKeys: [...chosen.keys()],
    preserveSelectedRowKeys: true,
    onChange: (_keys, rows) => onChoose(new Map(rows.map((row) => [row.id, row]))),
    getTitleCheckboxProps: () => ({ "aria-label": "Choose all shown" }),
    getCheckboxProps: (row) => ({ "aria-label": `Choose ${row.name}` }),
  };
}

export function FilesPage() {
  const [search, setSearch] = useSearchParams();
  const [isNew, setIsNew] = useState(false);
  const navigate = useNavigate();
  const view = boardViewOf(search);
  const { text = "", kind = "" } = view;
  const files = useInfiniteQuery(boardListOptions(view));
  const counts = useQuery(countsOptions(view)).data;
  const keep = useKeepingAsOf();
  const mayChange = useMayChange();
  const [chosen, setChosen] = useState<Map<string, Row>>(new Map());
  const kinds = useQuery(kindsOptions);
  // one call for several: a second call before the next drawing would undo the first
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
  const sort = (sorter: SorterResult<Row> | SorterResult<Row>[]) => {
    const { columnKey, order } = Array.isArray(sorter) ? (sorter[0] ?? {}) : sorter;
    const by = String(columnKey ?? "");
    set({ sort: order && SORTS.includes(by) ? by : "", turned: order === "descend" ? "true" : "" });
  };
  const open = (row: Row) => ({
    tabIndex: 0,
    onClick: () => navigate(keep(`/files/${row.id}`)),
    onKeyDown: (e: React.KeyboardEvent) => e.key === "Enter" && navigate(keep(`/files/${row.id}`)),
  });
  return (
    <div className="files-page">
      <Where>
        <strong>Files</strong>
        {counts && <span className="muted"> · {counts.files}</span>}
      </Where>
      <div className="files-bar">
        <Input
          allowClear
          aria-label="Narrow the list"
          placeholder="Name, number, birth date, team"
          style={{ width: 260 }}
          value={text}
          onChange={(e) => set({ text: e.target.value })}
        />
        <Segmented
          aria-label="Kind"
          value={kind}
          onChange={(value) => set({ kind: String(value) })}
          options={[
            { label: "All", value: "" },
            ...(kinds.data ?? []).map((k) => ({ label: k.plural, value: k.code })),
          ]}
        />
        <span className="grow" />
        <StandingSearches place="FILES" />
        <Link to="/guests">Guests</Link>
        {mayChange && <Link to="/files/duplicates">Possible duplicates</Link>}
        <Legend />
        {mayChange && (
          <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsNew(true)}>
            New file
          </Button>
        )}
      </div>
      <div className="files-table">
        <Loaded query={files}>
          {({ pages }) =>
            pages[0]?.rows.length === 0 ? (
              <QuietEmpty title={text ? "Nobody is found by that" : "No file yet"}>
                <p>
                  {text
                    ? "Try a part of the name, the number or the birth date."
                    : "Make the first one with “New file”."}
                </p>
              </QuietEmpty>
            ) : (
              <>
                <Table
                  size="small"
                  rowKey="id"
                  columns={columnsOf(pages[0]?.columns ?? [], pages[0]?.letters ?? {}, view)}
                  dataSource={pages.flatMap((page) => page.rows)}
                  pagination={false}
                  onRow={open}
                  {...(mayChange ? { rowSelection: choosing(chosen, setChosen) } : {})}
                  onChange={(_page, _filters, sorter) => sort(sorter)}
                />
                {files.hasNextPage && (
                  <div className="files-more">
                    <Button loading={files.isFetchingNextPage} onClick={() => files.fetchNextPage()}>
                      Show more
                    </Button>
                  </div>
                )}
              </>
            )
          }
        </Loaded>
      </div>
      {chosen.size > 0 && <ChosenBar chosen={chosen} onClear={() => setChosen(new Map())} />}
      <NewFileDrawer open={isNew} onClose={() => setIsNew(false)} />
    </div>
  );
}
