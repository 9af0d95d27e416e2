import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day, daysBetween, distance, moment } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { statuses } from "../../ui/statuses";
import { Where } from "../../ui/Where";
import { meOptions } from "../access/sessionQueries";
import { ChaseModal } from "../chasing/ChaseModal";
import { forecastOptions } from "../coverage/boardQueries";
import "../coverage/board.css";
import { ForecastBars } from "../coverage/ForecastBars";
import { REVIEW } from "../finding/places";
import { StandingSearches } from "../finding/SavedSearches";
import { MendAddress, TickOff } from "./ChasingActions";
import { todayOptions } from "./todayQueries";
import "./today.css";

type Today = Shape<"TodayAnswer">;
type Item = Shape<"TodayItem">;

/** How many items of a group are shown before one asks for the rest. */
const SHOWN = 12;

/** One list of what waits for this person, the weeks ahead, and what others did. */
export function TodayPage() {
  const today = useQuery(todayOptions);
  return (
    <div className="today-page">
      <Where>
        <strong>Today</strong>
        {today.data && <span className="muted"> · {day(today.data.today)}</span>}
      </Where>
      <Loaded query={today}>
        {(data) => (
          <>
            <section className="today-list" aria-label="What waits for me">
              <Groups data={data} />
            </section>
            <aside className="today-side">
              <StandingSearches place="TODAY" />
              <WeeksAhead />
              <News data={data} />
            </aside>
          </>
        )}
      </Loaded>
    </div>
  );
}

/** What there is to do, in the order in which it is offered. */
const TASKS: Record<string, string> = {
  comment: "Mentioned",
  "hand-over": "Handed to me",
  review: "To review",
  check: "To check",
  send: "To send",
  "my-signature": "Waits for my signature",
  sign: "To be signed",
  file: "Arrivals",
  chase: "To chase",
  damaged: "Damaged",
  "mail-failed": "Not sent",
  "mail-answer": "Wrote back",
  "plan-task": "By plan",
  unreachable: "To mend",
  keeping: "Keeping",
};

function Groups({ data }: { data: Today }) {
  const [task, setTask] = useState<string>();
  const all = [...data.overdue, ...data.dueToday, ...data.thisWeek];
  const counts = Object.keys(TASKS)
    .map((action) => ({ action, count: all.filter((item) => item.action === action).length }))
    .filter(({ count }) => count > 0);
  // what was chosen may be done by now
  const chosen = counts.some(({ action }) => action === task) ? task : undefined;
  const wanted = (items: Item[]) => items.filter((item) => !chosen || item.action === chosen);
  const groups = [
    { title: "Overdue", items: wanted(data.overdue) },
    { title: "Today", items: wanted(data.dueToday) },
    { title: "This week", items: wanted(data.thisWeek) },
  ].filter((g) => g.items.length > 0);
  if (groups.length === 0) {
    return (
      <QuietEmpty title="Nothing waits for you">
        <p>Every file you see is in order, and no paper waits.</p>
      </QuietEmpty>
    );
  }
  return (
    <>
      {counts.length > 1 && <Tasks counts={counts} chosen={chosen} all={all.length} onChoose={setTask} />}
      {groups.map((group) => (
        <Group key={group.title} title={group.title} items={group.items} today={data.today} />
      ))}
    </>
  );
}

type TasksProps = {
  counts: { action: string; count: number }[];
  all: number;
  chosen: string | undefined;
  onChoose: (action: string | undefined) => void;
};

/** How much of each task waits; one of them chosen shows it alone. */
function Tasks({ counts, all, chosen, onChoose }: TasksProps) {
  const choices = [{ action: undefined, count: all }, ...counts];
  return (
    <div className="today-tasks" role="toolbar" aria-label="What to do">
      {choices.map(({ action, count }) => (
        <Button
          key={action ?? "all"}
          size="small"
          type="text"
          aria-pressed={chosen === action}
          onClick={() => onChoose(action)}
        >
          {action ? TASKS[action] : "All"} <span className="muted tabular">{count}</span>
        </Button>
      ))}
    </div>
  );
}

function Group({ title, items, today }: { title: string; items: Item[]; today: string }) {
  const [all, setAll] = useState(false);
  const shown = all ? items : items.slice(0, SHOWN);
  return (
    <>
      <h2>
        {title} <span className="muted tabular">{items.length}</span>
      </h2>
      <ul className="plain-list">
        {shown.map((item) => (
          <ItemLine
            key={`${item.action}${item.fileId}${item.documentId}${item.turnId}${item.taskId}${item.title}`}
            item={item}
            today={today}
          />
        ))}
      </ul>
      {items.some((item) => item.action === "check") && (
        <Link className="today-more" to="/under-way?queue=CHECK">
          All papers to check
        </Link>
      )}
      {items.some((item) => item.action === "review") && (
        <Link className="today-more" to={REVIEW}>
          All papers to review
        </Link>
      )}
      {shown.length < items.length && (
        <button type="button" className="linklike today-more" onClick={() => setAll(true)}>
          Show all {items.length}
        </button>
      )}
    </>
  );
}

function ItemLine({ item, today }: { item: Item; today: string }) {
  const first = item.slots[0];
  return (
    <li className="today-item">
      {first ? <StatusGlyph status={first.status} /> : <span className="today-dot" aria-hidden />}
      <div className="today-what">
        {item.fileId ? (
          <Link
            to={item.documentId ? `/files/${item.fileId}?paper=${item.documentId}` : `/files/${item.fileId}`}
          >
            {item.title}
          </Link>
        ) : (
          <strong>{item.title}</strong>
        )}
        {item.note && <div className="muted">{item.note}</div>}
        <div className="today-slots">
          {item.slots.slice(0, 4).map((slot) => (
            <span key={slot.label}>
              {slot.label}{" "}
              <span style={{ color: statuses[slot.status].colour }}>
                {statuses[slot.status].word.toLowerCase()}
              </span>
            </span>
          ))}
          {item.slots.length > 4 && <span className="muted">and {item.slots.length - 4} more</span>}
        </div>
      </div>
      <span className="muted tabular">{item.day && farOrNear(item.day, today)}</span>
      <Action item={item} />
    </li>
  );
}

/** Near days by their distance, far ones by their date. */
function farOrNear(iso: string, today: string): string {
  return Math.abs(daysBetween(iso, today)) > 60 ? `since ${day(iso)}` : distance(iso, today);
}

function Action({ item }: { item: Item }) {
  const [chases, setChases] = useState(false);
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { message } = App.useApp();
  const accept = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/documents/{id}/accept", {
          params: { path: { id: item.documentId ?? "" } },
          body: { version: item.version ?? 0 },
        }),
      ),
    onSuccess: () => {
      message.success("Accepted.");
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const check = useMutation({
    mutationFn: () =>
      done(
        api.POST("/api/documents/check", {
          body: { documents: [{ id: item.documentId ?? "", version: item.version ?? 0 }] },
        }),
      ),
    onSuccess: () => {
      message.success("Checked.");
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  if (!mayChange && item.action !== "comment" && item.action !== "my-signature") {
    return null;
  }
  switch (item.action) {
    case "my-signature":
      return (
        <Button size="small" type="primary" onClick={() => navigate(`/signing/turns/${item.turnId}`)}>
          Read and sign
        </Button>
      );
    case "file":
      return (
        <Button size="small" type="primary" onClick={() => navigate("/arrivals")}>
          File them
        </Button>
      );
    case "comment":
    case "hand-over":
      return (
        <Button
          size="small"
          type="primary"
          onClick={() => navigate(`/files/${item.fileId}?view=read&paper=${item.documentId}`)}
        >
          Look at it
        </Button>
      );
    case "review":
      return (
        <span className="today-actions">
          <Button size="small" onClick={() => navigate(`/files/${item.fileId}?paper=${item.documentId}`)}>
            Look at it
          </Button>
          <Button size="small" loading={accept.isPending} onClick={() => accept.mutate()}>
            Accept
          </Button>
        </span>
      );
    case "send":
      return (
        <Button size="small" onClick={() => navigate("/under-way?queue=RECEIVER")}>
          Look at them
        </Button>
      );
    case "check":
      return (
        <span className="today-actions">
          <Button
            size="small"
            onClick={() => navigate(`/files/${item.fileId}?view=read&paper=${item.documentId}`)}
          >
            Look at it
          </Button>
          <Button size="small" loading={check.isPending} onClick={() => check.mutate()}>
            Checked
          </Button>
        </span>
      );
    case "damaged":
      return null;
    case "mail-failed":
      return (
        <Button size="small" onClick={() => navigate(`/files/${item.fileId}?view=shared`)}>
          Look at it
        </Button>
      );
    case "mail-answer":
    case "plan-task":
      return <TickOff item={item} />;
    case "unreachable":
      return <MendAddress item={item} />;
    case "keeping":
      return (
        <Button size="small" onClick={() => navigate("/set-up/keeping")}>
          Look at them
        </Button>
      );
    case "sign":
      return (
        <Button size="small" onClick={() => navigate(`/files/${item.fileId}`)}>
          Sign
        </Button>
      );
    default:
      return (
        <>
          <Button size="small" aria-label={`Chase ${item.title}`} onClick={() => setChases(true)}>
            Chase
          </Button>
          <ChaseModal fileId={item.fileId ?? ""} open={chases} onClose={() => setChases(false)} />
        </>
      );
  }
}

function WeeksAhead() {
  const weeks = useQuery(forecastOptions({})).data ?? [];
  const soon = weeks.slice(0, 4).reduce((sum, w) => sum + w.lapses + w.due, 0);
  return (
    <section aria-label="Weeks ahead">
      <h2>Weeks ahead</h2>
      <p className="muted">
        {soon} {soon === 1 ? "slot falls" : "slots fall"} open within 4 weeks if nothing comes in. Click a
        week to see who.
      </p>
      <div className="today-weeks">
        <ForecastBars weeks={weeks} view={{}} />
      </div>
      {weeks.length > 0 && (
        <div className="today-scale muted tabular">
          <span>{day(weeks[0]?.from ?? "")}</span>
          <span>{day(weeks[weeks.length - 1]?.to ?? "")}</span>
        </div>
      )}
    </section>
  );
}

function News({ data }: { data: Today }) {
  return (
    <section aria-label="Since my last visit">
      <h2>Since your last visit</h2>
      {data.lastVisit && <p className="muted">{moment(data.lastVisit)}</p>}
      {data.news.length === 0 ? (
        <p className="muted">
          {data.lastVisit ? "Nobody else changed a file you see." : "This is your first visit."}
        </p>
      ) : (
        <ul className="plain-list today-news">
          {data.news.map((line) => (
            <li key={line.at + line.sentence}>
              <span className="muted tabular">{moment(line.at)}</span>
              <span>
                {line.who} {line.sentence} · <Link to={`/files/${line.fileId}`}>{line.name}</Link>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
