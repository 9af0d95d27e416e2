import { useQuery } from "@tanstack/react-query";
import { Table } from "antd";
import Papa from "papaparse";
import { problemOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";

/** More lines are left to the download. */
const MOST_LINES = 5_000;

/** Comma-separated values as a table; the first line heads the columns. */
export function SheetTable({ source }: { source: string }) {
  const sheet = useQuery({
    queryKey: ["sheet", source],
    queryFn: async () => {
      const response = await fetch(source);
      const text = await response.text();
      if (!response.ok) {
        throw problemOf(response.status, text);
      }
      return Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), {
        skipEmptyLines: "greedy",
        preview: MOST_LINES + 2,
      }).data;
    },
  });
  return (
    <div className="desk sheet-table">
      <Loaded query={sheet}>
        {([head = [], ...lines]) => (
          <>
            {lines.length > MOST_LINES && (
              <p className="muted">
                The first {MOST_LINES.toLocaleString("en")} lines; the download holds all.
              </p>
            )}
            <Table
              size="small"
              pagination={false}
              virtual
              scroll={{ x: Math.max(600, 160 * head.length), y: 520 }}
              rowKey={(_, i) => String(i)}
              columns={head.map((title, i) => ({ key: String(i), title, dataIndex: i, width: 160 }))}
              dataSource={lines.slice(0, MOST_LINES)}
            />
          </>
        )}
      </Loaded>
    </div>
  );
}
