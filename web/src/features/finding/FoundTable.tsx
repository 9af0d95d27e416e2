import { useQuery } from "@tanstack/react-query";
import { Table, type TableColumnsType } from "antd";
import { Link, useNavigate } from "react-router";
import { bytes, day, moment } from "../../ui/days";
import { type DocumentState, documentStateWords } from "../../ui/documentStates";
import { aroundOptions, type Counts, type Criteria, type FoundPaper, wordsOfAll } from "./findQueries";
import { foundAddress } from "./foundTrail";

export type ColumnKey =
  | "type"
  | "section"
  | "dated"
  | "state"
  | "source"
  | "filedBy"
  | "received"
  | "stored"
  | "pages"
  | "size"
  | "team";

export type GroupKey = "none" | "person" | "type" | "filedBy" | "year";

export const CHOOSABLE: { value: ColumnKey; label: string }[] = [
  { value: "type", label: "Type" },
  { value: "section", label: "Section" },
  { value: "dated", label: "Dated" },
  { value: "state", label: "State" },
  { value: "received", label: "Received" },
  { value: "stored", label: "Filed" },
  { value: "source", label: "How it came" },
  { value: "filedBy", label: "Filed by" },
  { value: "team", label: "Team" },
  { value: "pages", label: "Pages" },
  { value: "size", label: "Size" },
];

export const DEFAULT_COLUMNS: ColumnKey[] = ["type", "dated", "state", "source"];

export const GROUPS: { value: GroupKey; label: string }[] = [
  { value: "none", label: "not grouped" },
  { value: "person", label: "by person" },
  { value: "type", label: "by type" },
  { value: "year", label: "by year" },
  { value: "filedBy", label: "by who filed them" },
];

const CELLS: Record<ColumnKey, { width: number; cell: (p: FoundPaper) => React.ReactNode }> = {
  type: { width: 170, cell: (p) => p.typeLabels.join(", ") },
  section: { width: 110, cell: (p) => p.sectionLabel },
  dated: { width: 112, cell: (p) => day(p.documentDate) },
  state: { width: 104, cell: (p) => <State state={p.state} /> },
  received: { width: 112, cell: (p) => day(p.receivedOn) },
  stored: { width: 150, cell: (p) => moment(p.storedAt) },
  source: { width: 190, cell: (p) => p.source },
  filedBy: { width: 140, cell: (p) => p.filedBy },
  team: { width: 100, cell: (p) => p.team ?? "" },
  pages: { width: 64, cell: (p) => p.pages },
  size: { width: 80, cell: (p) => bytes(p.size) },
};

function State({ state }: { state: DocumentState }) {
  const wrong = state === "SENT_BACK" || state === "ENTERED_IN_ERROR";
  return (
    <span className={wrong ? "clay" : state === "FILED" ? "muted" : undefined}>
      {documentStateWords[state]}
    </span>
  );
}

type Line = FoundPaper | { heading: string; count?: number; id: string };

function isHeading(line: Line): line is { heading: string; count?: number; id: string } {
  return "heading" in line;
}

type FoundTableProps = {
  papers: FoundPaper[];
  criteria: Criteria;
  columns: ColumnKey[];
  group: GroupKey;
  counts?: Counts;
  chosen: string[];
  onChosen: (ids: string[]) => void;
};

/** Found papers with the place where the words stand; choosing one opens it there. */
export function FoundTable({ papers, criteria, columns, group, counts, chosen, onChosen }: FoundTableProps) {
  const navigate = useNavigate();
  const words = wordsOfAll(criteria);
  const ids = papers.map((p) => p.id).slice(0, 100);
  const around = new Map((useQuery(aroundOptions(ids, criteria)).data ?? []).map((a) => [a.documentId, a]));
  const open = (paper: FoundPaper) => navigate(foundAddress(paper, words));
  const lines = grouped(papers, group, counts);
  const table: TableColumnsType<Line> = [
    {
      title: "Paper",
      key: "paper",
      onCell: (line) => ({ colSpan: isHeading(line) ? columns.length + 1 : 1 }),
      render: (_, line) =>
        isHeading(line) ? (
          <span>
            <strong>{line.heading}</strong>{" "}
            {line.count !== undefined && <span className="muted">{line.count}</span>}
          </span>
        ) : (
          <div className="find-paper">
            <Link to={foundAddress(line, words)} onClick={(e) => e.stopPropagation()}>
              {line.name}
            </Link>
            <div className="muted">
              {line.person} · {line.number}
              {!line.isRead && " · its pages are still being read"}
              {line.pagesWithoutText > 0 && ` · ${pagesHold(line.pagesWithoutText)} no readable text`}
              {line.isCut && " · only its beginning is searched"}
            </div>
            <Around at={around.get(line.id)} />
          </div>
        ),
    },
    ...columns.map((key) => ({
      title: CHOOSABLE.find((c) => c.value === key)?.label,
      key,
      width: CELLS[key].width,
      onCell: (line: Line) => ({ colSpan: isHeading(line) ? 0 : 1 }),
      render: (_: unknown, line: Line) => (isHeading(line) ? null : CELLS[key].cell(line)),
    })),
  ];
  return (
    <Table
      className="find-table"
      tableLayout="fixed"
      size="small"
      rowKey="id"
      columns={table}
      dataSource={lines}
      pagination={false}
      rowSelection={{
        selectedRowKeys: chosen,
        hideSelectAll: true,
        onChange: (keys) => onChosen(keys.map(String).filter((key) => papers.some((p) => p.id === key))),
        getCheckboxProps: (line) =>
          isHeading(line)
            ? { disabled: true, className: "find-no-choice" }
            : { "aria-label": `Choose ${line.name}`, title: "" },
      }}
      sticky
      rowClassName={(line) => (isHeading(line) ? "find-heading" : "")}
      onRow={(line) => (isHeading(line) ? {} : { onClick: () => open(line) })}
    />
  );
}

function pagesHold(count: number): string {
  return count === 1 ? "1 page holds" : `${count} pages hold`;
}

function Around({
  at,
}: {
  at?: { page: number; places: number; before: string; text: string; after: string };
}) {
  return at ? (
    <div className="find-around ellipsis">
      <span className="muted">
        page {at.page}
        {at.places > 1 && `, ${at.places} places`}:{" "}
      </span>
      {at.before && `… ${lastWords(at.before)} `}
      <mark>{at.text}</mark>
      {at.after && ` ${at.after} …`}
    </div>
  ) : null;
}

/** The few words right before a place, so that the place itself is not cut off. */
function lastWords(before: string): string {
  return before.split(" ").slice(-4).join(" ");
}

function headingOf(paper: FoundPaper, group: GroupKey): string {
  switch (group) {
    case "person":
      return `${paper.person} · ${paper.number}`;
    case "type":
      return paper.typeLabels[0] ?? "";
    case "filedBy":
      return paper.filedBy;
    default:
      return paper.documentDate.slice(0, 4);
  }
}

/** How many papers all in all stand under a heading, where the counts tell. */
function countOf(heading: string, group: GroupKey, counts?: Counts): number | undefined {
  const lists = { type: counts?.types, filedBy: counts?.filedBy, year: counts?.years };
  return group === "none" || group === "person"
    ? undefined
    : lists[group]?.find((c) => c.label === heading)?.papers;
}

/** The papers with a heading before each group; they come sorted by it. */
export function grouped(papers: FoundPaper[], group: GroupKey, counts?: Counts): Line[] {
  if (group === "none") {
    return papers;
  }
  const lines: Line[] = [];
  let last = "";
  for (const paper of papers) {
    const heading = headingOf(paper, group);
    if (heading !== last) {
      lines.push({ heading, count: countOf(heading, group, counts), id: `heading ${heading}` });
      last = heading;
    }
    lines.push(paper);
  }
  return lines;
}
