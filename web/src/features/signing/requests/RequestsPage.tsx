import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Checkbox, Input, Segmented, Select, Table } from "antd";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../../api/client";
import { practiceOptions } from "../../../api/practice";
import { day, dayOf, distance } from "../../../ui/days";
import { useKept } from "../../../ui/kept";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { Where } from "../../../ui/Where";
import { useMayChange } from "../../asof/asOf";
import { WayDots } from "../taking/WayDots";
import { RequestDrawer } from "./RequestDrawer";
import { ReviewTurns } from "./ReviewTurns";
import { mySignaturesOptions, requestsOptions } from "./requestQueries";
import { csvOf, type Filter, matches, reached, STATES, whose } from "./rows";
import "./requests.css";

export type Row = Shape<"RequestRow">;
type Tab = "mine" | "asked" | "all";
type KeptFilter = Omit<Filter, "text"> & { ended?: boolean };

/** What waits for my signature, what I asked for, and all requests of papers that I may see. */
export function RequestsPage() {
  const [search, setSearch] = useSearchParams();
  const mine = useQuery(mySignaturesOptions);
  const tab: Tab = (search.get("show") as Tab | null) ?? (mine.data?.length === 0 ? "all" : "mine");
  const open = search.get("request");
  const set = (name: string, value: string | null) =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      if (value === null) {
        params.delete(name);
      } else {
        params.set(name, value);
      }
      return params;
    });
  return (
    <div className="signing-page">
      <Where>
        <strong>Signing</strong>
      </Where>
      <Segmented
        value={tab}
        onChange={(value) => set("show", String(value))}
        options={[
          { value: "mine", label: `Waits for me${mine.data?.length ? ` · ${mine.data.length}` : ""}` },
          { value: "asked", label: "Asked by me" },
          { value: "all", label: "All" },
        ]}
      />
      {tab === "mine" ? (
        <Loaded query={mine}>{(turns) => <ReviewTurns turns={turns} />}</Loaded>
      ) : (
        <Asked key={tab} which={tab} onOpen={(id) => set("request", id)} />
      )}
      {open && (
        <RequestDrawer id={open} onClose={() => set("request", null)} onOpen={(id) => set("request", id)} />
      )}
    </div>
  );
}

function Reached({ row }: { row: Row }) {
  const { words, failed } = reached(row);
  return <span className={failed ? "clay" : "muted"}>{words}</span>;
}

/** As many as the server tells at once. */
const MOST = 6_000;

function Asked({ which, onOpen }: { which: "asked" | "all"; onOpen: (id: string) => void }) {
  // what one looks for is typed anew, how one looks stays
  const [text, setText] = useState("");
  const [filter, setFilter] = useKept<KeptFilter>("signing-filter", {});
  const { ended = false, state, type, age, team } = filter;
  const set = (part: KeptFilter) => setFilter({ ...filter, ...part });
  const [ticked, setTicked] = useState<string[]>([]);
  const rows = useQuery(requestsOptions(which, !ended));
  const today = useQuery(practiceOptions).data?.today ?? "";
  const mayChange = useMayChange();
  return (
    <Loaded query={rows}>
      {(all) => {
        const shown = all.filter((row) => matches(row, { text, state, type, age, team }, today));
        // what the filters hide is neither reminded nor withdrawn
        const visible = new Set(shown.map((row) => row.id));
        const chosen = ticked.filter((id) => visible.has(id));
        const types = [...new Set(all.flatMap((r) => r.papers.map((p) => p.type)))].sort();
        const teams = [...new Set(all.flatMap((r) => (r.team ? [r.team] : [])))].sort();
        if (all.length === 0) {
          return (
            <QuietEmpty title="Nobody is asked to sign">
              <p>
                Open a paper and choose <em>Ask for signatures</em>, or choose several in a file.
              </p>
              <Checkbox checked={ended} onChange={(e) => set({ ended: e.target.checked })}>
                Show those that have ended
              </Checkbox>
            </QuietEmpty>
          );
        }
        return (
          <>
            <div className="signing-filters" role="toolbar" aria-label="Filters">
              <Input.Search
                allowClear
                aria-label="Find by person, paper or signer"
                placeholder="person, paper or signer"
                value={text}
                onChange={(e) => setText(e.target.value)}
              />
              <Select
                allowClear
                aria-label="Type"
                placeholder="any type"
                value={type}
                onChange={(value) => set({ type: value })}
                options={types.map((value) => ({ value, label: value }))}
              />
              <Select
                allowClear
                aria-label="Waiting for"
                placeholder="any age"
                value={age}
                onChange={(value) => set({ age: value })}
                options={[3, 7, 14, 30].map((value) => ({ value, label: `over ${value} days` }))}
              />
              {teams.length > 1 && (
                <Select
                  allowClear
                  aria-label="Team"
                  placeholder="any team"
                  value={team}
                  onChange={(value) => set({ team: value })}
                  options={teams.map((value) => ({ value, label: value }))}
                />
              )}
              {ended && (
                <Select
                  allowClear
                  aria-label="State"
                  placeholder="any state"
                  value={state}
                  onChange={(value) => set({ state: value })}
                  options={Object.entries(STATES).map(([value, label]) => ({ value, label }))}
                />
              )}
              <Checkbox checked={ended} onChange={(e) => set({ ended: e.target.checked })}>
                also ended
              </Checkbox>
              <button type="button" className="linklike" onClick={() => downloadCsv(shown)}>
                CSV
              </button>
            </div>
            {all.length >= MOST && (
              <p className="muted signing-most">
                These are the {MOST.toLocaleString("en")} last asked; older ones stand in the files of their
                people.
              </p>
            )}
            {mayChange && chosen.length > 0 && <ChosenRequests ids={chosen} onDone={() => setTicked([])} />}
            <Table<Row>
              virtual
              size="small"
              rowKey="id"
              dataSource={shown}
              pagination={false}
              scroll={{ y: Math.max(240, window.innerHeight - 230), x: 1145 }}
              rowSelection={
                mayChange
                  ? {
                      columnWidth: 40,
                      selectedRowKeys: chosen,
                      onChange: (keys) => setTicked(keys.map(String)),
                    }
                  : undefined
              }
              onRow={(row) => ({ onClick: () => onOpen(row.id) })}
              columns={[
                {
                  title: "Paper",
                  width: 205,
                  render: (_, row) => (
                    <span className="ellipsis">
                      <Link to={`?show=${which}&request=${row.id}`} onClick={(e) => e.stopPropagation()}>
                        {row.papers.map((p) => p.type).join(", ")}
                      </Link>
                      {row.hasQuestion && <span className="signing-asks"> asks something</span>}
                    </span>
                  ),
                },
                {
                  title: "Person",
                  width: 150,
                  sorter: (a, b) => a.person.localeCompare(b.person),
                  render: (_, row) => <span className="ellipsis">{row.person}</span>,
                },
                {
                  title: "Way",
                  width: 130,
                  render: (_, row) => (
                    <WayDots
                      dots={row.way.map((t) => ({
                        key: t.id,
                        step: t.step,
                        label: `${t.name}, ${t.task === "APPROVE" ? "looks through it" : t.role}`,
                        outcome: t.outcome,
                        now: t.now,
                        doneAt: t.doneAt,
                      }))}
                    />
                  ),
                },
                {
                  title: "Whose turn",
                  width: 165,
                  render: (_, row) => <span className="ellipsis">{whose(row)}</span>,
                },
                {
                  title: "Since",
                  width: 110,
                  sorter: (a, b) => (a.since ?? "").localeCompare(b.since ?? ""),
                  render: (_, row) => (
                    <span className="tabular">{row.since && distance(dayOf(row.since), today)}</span>
                  ),
                },
                {
                  title: "Mail",
                  width: 95,
                  render: (_, row) => <Reached row={row} />,
                },
                {
                  title: "Wanted by",
                  width: 110,
                  sorter: (a, b) => (a.dueOn ?? "9").localeCompare(b.dueOn ?? "9"),
                  render: (_, row) => (
                    <span className={row.overdue ? "tabular clay" : "tabular"}>
                      {row.dueOn && day(row.dueOn)}
                    </span>
                  ),
                },
                {
                  title: "Asked by",
                  width: 150,
                  render: (_, row) => <span className="ellipsis">{row.askedBy}</span>,
                },
              ]}
            />
          </>
        );
      }}
    </Loaded>
  );
}

/** Made when it is wanted: of thousands of rows it is long. */
function downloadCsv(rows: Row[]) {
  const link = document.createElement("a");
  link.href = `data:text/csv;charset=utf-8,${encodeURIComponent(csvOf(rows))}`;
  link.download = "signing.csv";
  link.click();
}

/** What can be done with several requests at once. */
function ChosenRequests({ ids, onDone }: { ids: string[]; onDone: () => void }) {
  const { message, modal } = App.useApp();
  const queries = useQueryClient();
  const told = (verb: string) => (result: Shape<"SeveralDone">) => {
    queries.invalidateQueries({ queryKey: ["signature-requests"] });
    queries.invalidateQueries({ queryKey: ["files"] });
    message.success(`${verb} ${result.done}.`);
    if (result.notDone.length > 0) {
      modal.info({
        title: `${result.notDone.length} could not be ${verb.toLowerCase()}`,
        content: [...new Set(result.notDone.map((n) => n.why))].join(" "),
      });
    }
    onDone();
  };
  const remind = useMutation({
    mutationFn: () => answer(api.POST("/api/signature-requests/remind", { body: { ids } })),
    onSuccess: told("Reminded"),
    onError: (error) => message.error(wordsOf(error)),
  });
  const withdraw = useMutation({
    mutationFn: () => answer(api.POST("/api/signature-requests/withdraw", { body: { ids } })),
    onSuccess: told("Withdrawn"),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <div className="signing-chosen" role="toolbar" aria-label="Chosen requests">
      <strong className="tabular">{ids.length} chosen</strong>
      <Button size="small" loading={remind.isPending} onClick={() => remind.mutate()}>
        Remind
      </Button>
      <Button
        size="small"
        onClick={() =>
          modal.confirm({
            title: ids.length === 1 ? "Withdraw this request?" : `Withdraw ${ids.length} requests?`,
            content: "Nobody can sign them any more. Signatures already given are kept on sealed copies.",
            okText: "Withdraw",
            onOk: () => withdraw.mutateAsync(),
          })
        }
      >
        Withdraw
      </Button>
    </div>
  );
}
