import { SettingOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Popover, Table, type TableColumnsType } from "antd";
import { type Key, useContext } from "react";
import { bytes, day } from "../../ui/days";
import { documentStateWords } from "../../ui/documentStates";
import { useKept } from "../../ui/kept";
import { Loaded } from "../../ui/Quiet";
import { useAsOf } from "../asof/asOf";
import { papersOptions } from "../documents/documentQueries";
import { useReadAddress } from "../documents/readAddress";
import { type PaperInFile, useNarrowedPapers } from "../wholefile/wholeFileQueries";
import { ChosenPapers, useOpenPaper } from "./PaperLine";

type Column = {
  key: string;
  label: string;
  width: number;
  /** By what it is sorted; what is shown, unless said otherwise. */
  value: (paper: PaperInFile) => string | number;
  shown?: (paper: PaperInFile) => string;
};

const COLUMNS: Column[] = [
  { key: "name", label: "Name", width: 174, value: (p) => p.name },
  { key: "type", label: "Type", width: 130, value: (p) => p.typeLabels.join(", ") },
  {
    key: "dated",
    label: "Dated",
    width: 92,
    value: (p) => p.documentDate,
    shown: (p) => day(p.documentDate),
  },
  {
    key: "received",
    label: "Received",
    width: 92,
    value: (p) => p.receivedOn,
    shown: (p) => day(p.receivedOn),
  },
  { key: "state", label: "State", width: 116, value: (p) => documentStateWords[p.state] },
  { key: "filedBy", label: "Filed by", width: 120, value: (p) => p.filedBy },
  { key: "title", label: "Role", width: 120, value: (p) => p.authorTitle ?? "" },
  { key: "source", label: "How it came", width: 140, value: (p) => p.source },
  { key: "pages", label: "Pages", width: 62, value: (p) => p.pages },
  { key: "size", label: "Size", width: 76, value: (p) => p.size, shown: (p) => bytes(p.size) },
  { key: "versions", label: "Versions", width: 72, value: (p) => p.version },
  { key: "description", label: "Description", width: 180, value: (p) => p.description ?? "" },
];

type Layout = { columns: string[]; sort: string; turned: boolean };

const FIRST: Layout = { columns: ["name", "dated", "state"], sort: "dated", turned: true };

/** All papers of a file, a line each, in columns one chooses and sorts; how is remembered with the account. */
export function LedgerTable({ fileId }: { fileId: string }) {
  const papers = useQuery(papersOptions(fileId));
  const found = useNarrowedPapers(fileId);
  const [layout, setLayout] = useKept<Layout>("ledger-table", FIRST);
  const { chosen, choose } = useContext(ChosenPapers);
  const address = useReadAddress();
  const open = useOpenPaper();
  const { on } = useAsOf();
  const columns = COLUMNS.filter((c) => layout.columns.includes(c.key));
  const table: TableColumnsType<PaperInFile> = columns.map((c) => ({
    key: c.key,
    title: c.label,
    width: c.width,
    ellipsis: true,
    sorter: (a, b) => compare(c.value(a), c.value(b)),
    sortOrder: layout.sort === c.key ? (layout.turned ? "descend" : "ascend") : null,
    showSorterTooltip: false,
    render: (_, paper) => c.shown?.(paper) ?? c.value(paper),
  }));
  return (
    <Loaded query={papers}>
      {(all) => (
        <>
          <div className="ledger-columns">
            <span className="muted tabular">
              {all.length} {all.length === 1 ? "paper" : "papers"}
            </span>
            <ChooseColumns
              chosen={layout.columns}
              onChange={(next) => setLayout({ ...layout, columns: next })}
            />
          </div>
          <Table<PaperInFile>
            size="small"
            className="ledger-table"
            rowKey="id"
            columns={table}
            dataSource={all.filter((p) => p.receivedOn <= on && (!found || found.has(p.id)))}
            pagination={false}
            tableLayout="fixed"
            style={{ minWidth: columns.reduce((sum, c) => sum + c.width, 40) }}
            rowSelection={{
              columnWidth: 34,
              selectedRowKeys: [...chosen],
              getCheckboxProps: (paper) => ({ "aria-label": `Choose ${paper.name}` }),
              onSelect: (paper, isChosen) => choose([paper.id], isChosen),
              onSelectAll: (isChosen, _rows, changed) =>
                choose(
                  changed.map((p) => p.id),
                  isChosen,
                ),
            }}
            rowClassName={(paper) =>
              [
                address.panes.some((p) => p.id === paper.id) && "is-open",
                paper.state === "ENTERED_IN_ERROR" && "in-error",
              ]
                .filter(Boolean)
                .join(" ")
            }
            onRow={(paper) => ({
              tabIndex: 0,
              onClick: () => open(paper.id),
              onKeyDown: (e) => e.key === "Enter" && open(paper.id),
            })}
            onChange={(_page, _filters, sorter) => {
              const { columnKey, order } = Array.isArray(sorter) ? (sorter[0] ?? {}) : sorter;
              setLayout({ ...layout, sort: order ? keyOf(columnKey) : "", turned: order === "descend" });
            }}
          />
        </>
      )}
    </Loaded>
  );
}

function keyOf(key: Key | undefined): string {
  return String(key ?? "");
}

function compare(a: string | number, b: string | number): number {
  return typeof a === "number" && typeof b === "number" ? a - b : String(a).localeCompare(String(b));
}

function ChooseColumns({ chosen, onChange }: { chosen: string[]; onChange: (columns: string[]) => void }) {
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      content={
        <Checkbox.Group
          className="column-choice"
          value={chosen}
          onChange={(next) => onChange(next.length > 0 ? next : FIRST.columns)}
          options={COLUMNS.map((c) => ({ value: c.key, label: c.label }))}
        />
      }
    >
      <Button size="small" type="text" icon={<SettingOutlined />}>
        Columns
      </Button>
    </Popover>
  );
}
