import { useQuery } from "@tanstack/react-query";
import { Select, Table } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Shape } from "../../../api/client";
import { moment } from "../../../ui/days";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { chasedOptions } from "../planQueries";
import { STAGES } from "../planWords";

type Line = Shape<"WentOutAnswer">;

/** Mails that went out, by plans and by hand, with what came of each. */
export function WentOutView() {
  const chased = useQuery(chasedOptions);
  const [stage, setStage] = useState<string>();
  return (
    <Loaded query={chased}>
      {(all) =>
        all.length === 0 ? (
          <QuietEmpty title="Nothing went out yet">
            <p>Mails of the plans stand here, and those that somebody sent by “Chase”.</p>
          </QuietEmpty>
        ) : (
          <>
            <div className="chasing-filter">
              <Select
                allowClear
                aria-label="What came of it"
                placeholder="All"
                value={stage}
                onChange={setStage}
                options={Object.entries(STAGES).map(([value, { word }]) => ({
                  value,
                  label: `${word} (${all.filter((l) => l.notice.stage === value).length})`,
                }))}
              />
            </div>
            <Lines lines={all.filter((l) => !stage || l.notice.stage === stage)} />
          </>
        )
      }
    </Loaded>
  );
}

function Lines({ lines }: { lines: Line[] }) {
  return (
    <Table<Line>
      className="went-out"
      size="small"
      rowKey={(l) => l.notice.id}
      dataSource={lines}
      pagination={{ pageSize: 25, hideOnSinglePage: true, showSizeChanger: false }}
      expandable={{
        expandedRowRender: ({ notice, told }) => (
          <>
            <ul className="plain-list why-list">
              {told.map((t) => (
                <li key={t.fileId + t.label}>
                  {t.person}, {t.label} <span className="muted">· {t.why}</span>
                </li>
              ))}
            </ul>
            <pre className="mail-text">{notice.body}</pre>
          </>
        ),
      }}
      columns={[
        { title: "To", render: (_, { notice }) => notice.recipient, ellipsis: true },
        {
          title: "About",
          render: (_, { told, notice }) => <About told={told} notice={notice} />,
          ellipsis: true,
        },
        { title: "By", width: 130, render: (_, { notice }) => notice.by, ellipsis: true },
        { title: "When", width: 150, render: (_, { notice }) => moment(notice.queuedAt) },
        {
          title: "What came of it",
          width: 190,
          render: (_, { notice }) => <Stage notice={notice} />,
        },
      ]}
    />
  );
}

function About({ told, notice }: Line) {
  const people = [...new Map(told.map((t) => [t.fileId, t.person]))];
  return people.length === 0 ? (
    <>{notice.subject}</>
  ) : (
    <>
      {people.map(([id, name]) => (
        <Link key={id} to={`/files/${id}`}>
          {name}
        </Link>
      ))}
      <div className="muted ellipsis">{told.map((t) => t.label).join(", ")}</div>
    </>
  );
}

function Stage({ notice }: { notice: Shape<"NoticeAnswer"> }) {
  const stage = STAGES[notice.stage];
  return (
    <>
      <span className={stage?.className}>{stage?.word}</span>
      {notice.nextAttempt && <div className="muted">tried again {moment(notice.nextAttempt)}</div>}
      {notice.awayAt && <div className="muted">an absence was reported</div>}
      {(notice.stage === "BOUNCED" || notice.stage === "FAILED") && (
        <div className="muted">{notice.result?.replace(/^came back: /, "")}</div>
      )}
    </>
  );
}
