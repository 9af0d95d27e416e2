import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Segmented, Select, Table } from "antd";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, done, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { day, distance } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { useMayChange } from "../asof/asOf";
import { typesOptions } from "../catalog/typeQueries";
import { ChaseModal } from "../chasing/ChaseModal";
import { SendModal } from "./SendModal";
import { type Queue, type UnderWay, underWayOptions } from "./standingQueries";
import { nextWords, stageWords, waitsForWords } from "./standingWords";
import "./standing.css";

/** As many as the server tells at once. */
const MOST = 500;

const QUEUES: { queue: Queue; words: string; count: "us" | "signer" | "others" | "receiver" | "check" }[] = [
  { queue: "US", words: "With us", count: "us" },
  { queue: "SIGNER", words: "To be signed", count: "signer" },
  { queue: "OTHERS", words: "With others", count: "others" },
  { queue: "RECEIVER", words: "To be sent", count: "receiver" },
  { queue: "CHECK", words: "To check", count: "check" },
];

/** Papers of all files that are not done yet: what waits for whom, and since when. */
export function UnderWayPage() {
  const [search, setSearch] = useSearchParams();
  const queue = QUEUES.find((q) => q.queue === search.get("queue"))?.queue ?? "US";
  const type = search.get("type") ?? undefined;
  const page = useQuery(underWayOptions(queue, type));
  const types = useQuery(typesOptions).data ?? [];
  const counts = page.data?.counts;
  const set = (name: string, value: string | undefined) =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      if (value) {
        params.set(name, value);
      } else {
        params.delete(name);
      }
      return params;
    });
  return (
    <div className="signing-page under-way">
      <Where>
        <strong>Under way</strong>
        <span className="muted"> · papers that are not done yet, and whom they wait for</span>
      </Where>
      <div className="under-way-bar">
        <Segmented
          value={queue}
          onChange={(value) => set("queue", value)}
          options={QUEUES.map(({ queue: value, words, count }) => ({
            value,
            label: counts ? `${words} · ${counts[count]}` : words,
          }))}
        />
        <Select
          allowClear
          aria-label="Type"
          placeholder="any type"
          showSearch={{ optionFilterProp: "label" }}
          popupMatchSelectWidth={false}
          style={{ minWidth: 180 }}
          value={type}
          onChange={(value?: string) => set("type", value)}
          options={types.map((t) => ({ value: t.code, label: t.label }))}
        />
      </div>
      <Loaded query={page}>
        {(data) => <Papers key={`${queue} ${type}`} queue={queue} papers={data.papers} />}
      </Loaded>
    </div>
  );
}

const EMPTY: Record<Queue, string> = {
  US: "Nothing is left to be corrected, reviewed or asked for.",
  SIGNER: "Nobody who was asked has still to sign.",
  OTHERS: "No paper is with others or awaited.",
  RECEIVER: "Everybody has what they must have. Who that is says the type of a paper, in Set-up.",
  CHECK: "No paper waits for a second person. Which ones do says their type, in Set-up.",
};

function Papers({ queue, papers }: { queue: Queue; papers: UnderWay[] }) {
  const [ticked, setTicked] = useState<string[]>([]);
  const today = useQuery(practiceOptions).data?.today ?? "";
  const mayChange = useMayChange();
  if (papers.length === 0) {
    return (
      <QuietEmpty title="Nothing waits here">
        <p>{EMPTY[queue]}</p>
      </QuietEmpty>
    );
  }
  // each paper with us is another task
  const mayAct = mayChange && queue !== "US";
  const chosen = papers.filter((p) => ticked.includes(p.documentId));
  return (
    <>
      {mayChange && (
        <div className="under-way-bar" role="toolbar" aria-label="Chosen papers">
          {chosen.length === 0 ? (
            <span className="muted">{HINTS[queue]}</span>
          ) : (
            <>
              <strong className="tabular">{chosen.length} chosen</strong>
              <Acts queue={queue} chosen={chosen} onDone={() => setTicked([])} />
            </>
          )}
        </div>
      )}
      {papers.length >= MOST && (
        <p className="muted">These are the {MOST} that wait longest; choose a type to see others.</p>
      )}
      <Table<UnderWay>
        virtual
        size="small"
        rowKey="documentId"
        dataSource={papers}
        pagination={false}
        scroll={{ y: Math.max(240, window.innerHeight - 250), x: 1105 }}
        rowSelection={
          mayAct
            ? { columnWidth: 40, selectedRowKeys: ticked, onChange: (keys) => setTicked(keys.map(String)) }
            : undefined
        }
        columns={[
          {
            title: "Paper",
            width: 320,
            ellipsis: true,
            render: (_, p) => (
              <Link to={`/files/${p.fileId}?view=read&paper=${p.documentId}`}>{p.paper}</Link>
            ),
          },
          {
            title: "Person",
            width: 140,
            ellipsis: true,
            sorter: (a, b) => a.person.localeCompare(b.person),
            dataIndex: "person",
          },
          {
            title: "Stands",
            width: 225,
            ellipsis: true,
            render: (_, p) => stageWords(p),
          },
          {
            title: "Waits for",
            width: 165,
            ellipsis: true,
            sorter: (a, b) => waitsForWords(a).localeCompare(waitsForWords(b)),
            render: (_, p) => waitsForWords(p),
          },
          {
            title: "Since",
            width: 105,
            sorter: (a, b) => a.since.localeCompare(b.since),
            render: (_, p) => (
              <span className="tabular" title={day(p.since)}>
                {distance(p.since, today)}
              </span>
            ),
          },
          { title: "Next", width: 150, render: (_, p) => <span className="muted">{nextWords(p)}</span> },
        ]}
      />
    </>
  );
}

const HINTS: Record<Queue, string> = {
  US: "Open a paper to see what is to be done about it.",
  SIGNER: "Choose papers to remind those who have still to sign.",
  OTHERS: "Choose a paper to write about it.",
  RECEIVER: "Choose papers to send them to those who must have them.",
  CHECK: "Choose papers that you have checked.",
};

type ActsProps = { queue: Queue; chosen: UnderWay[]; onDone: () => void };

/** What can be done about the chosen papers. */
function Acts({ queue, chosen, onDone }: ActsProps) {
  const { message, modal } = App.useApp();
  const queries = useQueryClient();
  const [sends, setSends] = useState(false);
  const [writes, setWrites] = useState(false);
  const over = (words: string) => {
    message.success(words);
    queries.invalidateQueries({ queryKey: ["files"] });
    onDone();
  };
  const remind = useMutation({
    mutationFn: (ids: string[]) => answer(api.POST("/api/signature-requests/remind", { body: { ids } })),
    onSuccess: (result) => {
      over(`Reminded for ${result.done} ${result.done === 1 ? "request" : "requests"}.`);
      if (result.notDone.length > 0) {
        modal.info({
          title: `${result.notDone.length} could not be reminded`,
          content: [...new Set(result.notDone.map((n) => n.why))].join(" "),
        });
      }
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const check = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/documents/check", {
          body: { documents: chosen.map((p) => ({ id: p.documentId, version: p.version })) },
        }),
      ),
    onSuccess: () => over(chosen.length === 1 ? "Checked." : `Checked ${chosen.length} papers.`),
    onError: (error) => message.error(wordsOf(error)),
  });
  const requests = [...new Set(chosen.flatMap((p) => (p.requestId ? [p.requestId] : [])))];
  const [only] = chosen;
  switch (queue) {
    case "SIGNER":
      return (
        <Button
          size="small"
          type="primary"
          loading={remind.isPending}
          onClick={() => remind.mutate(requests)}
        >
          Remind
        </Button>
      );
    case "CHECK":
      return (
        <>
          <Button
            size="small"
            type="primary"
            disabled={chosen.some((p) => !p.mayCheck)}
            loading={check.isPending}
            onClick={() => check.mutate()}
          >
            Checked
          </Button>
          {chosen.some((p) => !p.mayCheck) && (
            <span className="muted">
              You had a hand in some of them yourself; somebody else checks those.
            </span>
          )}
        </>
      );
    case "RECEIVER":
      return (
        <>
          <Button size="small" type="primary" onClick={() => setSends(true)}>
            Send …
          </Button>
          {sends && (
            <SendModal
              documents={chosen.map((p) => p.documentId)}
              onClose={(sent) => {
                setSends(false);
                if (sent) {
                  onDone();
                }
              }}
            />
          )}
        </>
      );
    case "OTHERS":
      return (
        <>
          <Button size="small" type="primary" disabled={chosen.length > 1} onClick={() => setWrites(true)}>
            Write about it
          </Button>
          {chosen.length > 1 && (
            <span className="muted">Choose one: each person gets a mail of their own.</span>
          )}
          {only && <ChaseModal fileId={only.fileId} open={writes} onClose={() => setWrites(false)} />}
        </>
      );
    default:
      return null;
  }
}
