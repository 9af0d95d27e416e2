import { PlusOutlined } from "@ant-design/icons";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Button, Input, Segmented, Table, type TableColumnsType } from "antd";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { day, moment } from "../../ui/days";
import { Legend } from "../../ui/Legend";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { Where } from "../../ui/Where";
import { meOptions } from "../access/sessionQueries";
import { filesOptions, kindsOptions } from "./fileQueries";
import { NewFileDrawer } from "./NewFileDrawer";
import "./people.css";

type Row = Shape<"FileRow">;

/** A row's place in the order of clear through: not clear first, never ending last. */
function clearRank(row: Row): string {
  return row.clear ? (row.clearThrough ?? "9999") : "0000";
}

const columns: TableColumnsType<Row> = [
  {
    title: "Person",
    key: "name",
    width: 310,
    sorter: (a, b) => a.name.localeCompare(b.name),
    render: (_, row) => (
      <>
        <strong>{row.name}</strong>{" "}
        <span className="muted">{row.birthDate && `born ${day(row.birthDate)}`}</span>
      </>
    ),
  },
  { title: "Number", dataIndex: "number", width: 84, sorter: (a, b) => a.number.localeCompare(b.number) },
  { title: "Kind", dataIndex: "kindLabel", width: 92 },
  {
    title: "Team",
    dataIndex: "team",
    width: 120,
    sorter: (a, b) => (a.team ?? "").localeCompare(b.team ?? ""),
  },
  {
    title: "Clear through",
    key: "clear",
    width: 128,
    sorter: (a, b) => clearRank(a).localeCompare(clearRank(b)),
    render: (_, row) =>
      row.clear ? (
        (row.clearThrough && day(row.clearThrough)) || <span className="muted">no end</span>
      ) : (
        <span className="clay">
          not clear, {row.openSlots} {row.openSlots === 1 ? "slot" : "slots"}
        </span>
      ),
  },
  {
    title: "Slots",
    key: "slots",
    render: (_, row) => (
      <span className="strip">
        {row.slots.map((slot) => (
          <span
            key={slot.label}
            className={slot.status === "on-file" || slot.status === "waived" ? "pale" : undefined}
          >
            <StatusGlyph status={slot.status} label={slot.label} />
          </span>
        ))}
      </span>
    ),
  },
  {
    title: "Last activity",
    key: "activity",
    width: 112,
    sorter: (a, b) => a.lastActivityAt.localeCompare(b.lastActivityAt),
    render: (_, row) => <span className="muted">{moment(row.lastActivityAt)}</span>,
  },
];

export function FilesPage() {
  const [search, setSearch] = useSearchParams();
  const [isNew, setIsNew] = useState(false);
  const navigate = useNavigate();
  const text = search.get("text") ?? "";
  const kind = search.get("kind") ?? "";
  const files = useQuery({ ...filesOptions(text, kind), placeholderData: keepPreviousData });
  const kinds = useQuery(kindsOptions);
  const me = useQuery(meOptions).data;
  const set = (name: string, value: string) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        value ? next.set(name, value) : next.delete(name);
        return next;
      },
      { replace: true },
    );
  const open = (row: Row) => ({
    tabIndex: 0,
    onClick: () => navigate(`/files/${row.id}`),
    onKeyDown: (e: React.KeyboardEvent) => e.key === "Enter" && navigate(`/files/${row.id}`),
  });
  return (
    <div className="files-page">
      <Where>
        <strong>Files</strong>
        {files.data && <span className="muted"> · {files.data.length} shown</span>}
      </Where>
      <div className="files-bar">
        <Input
          allowClear
          aria-label="Narrow the list"
          placeholder="Name, number, birth date, team"
          style={{ width: 260 }}
          value={text}
          onChange={(e) => set("text", e.target.value)}
        />
        <Segmented
          aria-label="Kind"
          value={kind}
          onChange={(value) => set("kind", String(value))}
          options={[
            { label: "All", value: "" },
            ...(kinds.data ?? []).map((k) => ({ label: k.plural, value: k.code })),
          ]}
        />
        <span className="grow" />
        <Legend />
        {me?.mayChange && (
          <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsNew(true)}>
            New file
          </Button>
        )}
      </div>
      <div className="files-table">
        <Loaded query={files}>
          {(rows) =>
            rows.length === 0 ? (
              <QuietEmpty title={text ? "Nobody is found by that" : "No file yet"}>
                <p>
                  {text
                    ? "Try a part of the name, the number or the birth date."
                    : "Make the first one with “New file”."}
                </p>
              </QuietEmpty>
            ) : (
              <Table
                size="small"
                rowKey="id"
                columns={columns}
                dataSource={rows}
                pagination={false}
                onRow={open}
                sticky
              />
            )
          }
        </Loaded>
      </div>
      <NewFileDrawer open={isNew} onClose={() => setIsNew(false)} />
    </div>
  );
}
