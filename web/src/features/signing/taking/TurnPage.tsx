import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { Problem, type Shape, wordsOf } from "../../../api/client";
import { day, moment } from "../../../ui/days";
import { PlainAlert } from "../../../ui/PlainForm";
import { Loaded } from "../../../ui/Quiet";
import { GiveSignature } from "./GiveSignature";
import { OtherAnswers } from "./OtherAnswers";
import { SeenPage } from "./SeenPage";
import { ask, type Door, type Turn } from "./turnCalls";
import "./turn.css";
import { WayDots } from "./WayDots";

type TurnPageProps = {
  door: Door;
  /** A way back for whoever came from within; nobody comes from outside. */
  back?: ReactNode;
};

/** Papers that one is asked to look through and sign, on whatever one has in the hand. */
export function TurnPage({ door, back }: TurnPageProps) {
  const turn = useQuery({ queryKey: ["turns", door.base], queryFn: () => ask(door, ""), retry: false });
  if (turn.error instanceof Problem) {
    return (
      <main className="turn">
        {back}
        <PlainAlert>{turn.error.message}</PlainAlert>
      </main>
    );
  }
  return <Loaded query={turn}>{(data) => <TurnView turn={data} door={door} back={back} />}</Loaded>;
}

function TurnView({ turn, door, back }: TurnPageProps & { turn: Turn }) {
  const [seen, setSeen] = useState(
    () => new Set(turn.papers.flatMap((p) => p.shownPages.map((page) => `${p.id} ${page}`))),
  );
  const queries = useQueryClient();
  const done = (answer: Turn | undefined) => {
    if (answer) {
      queries.setQueryData(["turns", door.base], answer);
    } else {
      queries.invalidateQueries({ queryKey: ["turns"] });
    }
    queries.invalidateQueries({ queryKey: ["my-signatures"] });
  };
  const pages = turn.papers.reduce((sum, p) => sum + p.pages, 0);
  const open = !turn.hindrance && !turn.done;
  return (
    <main className="turn">
      <header className="turn-head">
        {back}
        <div className="turn-practice">{turn.practice}</div>
        <h1>{turn.papers.map((p) => p.name).join(", ")}</h1>
        <p className="muted">
          {turn.person} · asked by {turn.askedBy}
          {turn.dueOn && `, wanted by ${day(turn.dueOn)}`}
          {turn.forName && ` · you stand in for ${turn.forName}`}
        </p>
        <WayDots
          named
          dots={turn.way.map((s, i) => ({
            key: `${i}`,
            step: s.step,
            label: s.mine ? "you" : s.role,
            outcome: s.outcome,
            now: s.mine && open,
            doneAt: s.doneAt,
          }))}
        />
        {turn.message && <blockquote className="turn-message">{turn.message}</blockquote>}
        {turn.questions.map((q) => (
          <div key={q.id} className="turn-talk">
            <p>You asked: {q.question}</p>
            {q.answer ? (
              <p>
                <strong>{q.answeredBy}:</strong> {q.answer}
              </p>
            ) : (
              <p className="muted">Not answered yet. You get a mail.</p>
            )}
          </div>
        ))}
      </header>
      {turn.done || turn.hindrance ? (
        <Over turn={turn} door={door} />
      ) : (
        <p className="turn-hint">
          {turn.task === "APPROVE"
            ? "Look through all pages, then pass it on or send it back. You leave no mark on it."
            : "Read all pages. At the end you sign, or say why not."}
        </p>
      )}
      {turn.papers.map((paper) => (
        <PaperPages
          key={paper.id}
          paper={paper}
          door={door}
          several={turn.papers.length > 1}
          onSeen={(page) => setSeen((before) => new Set(before).add(`${paper.id} ${page}`))}
        />
      ))}
      {open && (
        <>
          <div className="turn-act">
            <Seen seen={seen.size} pages={pages} />
            {turn.task === "APPROVE" ? (
              <Approve door={door} ready={seen.size >= pages} onDone={done} />
            ) : (
              <GiveSignature turn={turn} door={door} ready={seen.size >= pages} onDone={done} />
            )}
          </div>
          <OtherAnswers turn={turn} door={door} onDone={done} />
        </>
      )}
    </main>
  );
}

function Seen({ seen, pages }: { seen: number; pages: number }) {
  const left = pages - Math.min(seen, pages);
  return (
    <div className="turn-seen" role="status">
      {left === 0
        ? pages === 1
          ? "You have seen the page"
          : `You have seen all ${pages} pages`
        : `${left} of ${pages} ${pages === 1 ? "page" : "pages"} still to be seen`}
    </div>
  );
}

function Approve({
  door,
  ready,
  onDone,
}: {
  door: Door;
  ready: boolean;
  onDone: (turn: Turn | undefined) => void;
}) {
  const approve = useMutation({ mutationFn: () => ask(door, "/approve", {}), onSuccess: onDone });
  return (
    <>
      {approve.error && <PlainAlert>{wordsOf(approve.error)}</PlainAlert>}
      <button
        type="button"
        className="big-button"
        disabled={!ready || approve.isPending}
        onClick={() => approve.mutate()}
      >
        I have looked through it: pass it on
      </button>
    </>
  );
}

/** What came of it, and the sealed copy once there is one. */
function Over({ turn, door }: { turn: Turn; door: Door }) {
  const queries = useQueryClient();
  const waits =
    turn.done && turn.state === "COMPLETE" && turn.task === "SIGN" && turn.papers.some((p) => !p.sealedCopy);
  // the seal follows within a moment
  useEffect(() => {
    if (waits) {
      const again = setInterval(() => queries.invalidateQueries({ queryKey: ["turns", door.base] }), 4_000);
      return () => clearInterval(again);
    }
  }, [waits, queries, door.base]);
  const mine = turn.way.find((s) => s.mine);
  return (
    <section className="turn-over" role="status">
      {mine?.outcome === "DONE" ? (
        <strong>
          {turn.task === "APPROVE" ? "Passed on" : "Signed"}
          {mine.doneAt && `, ${moment(mine.doneAt)}`}
        </strong>
      ) : (
        <strong>{turn.hindrance}</strong>
      )}
      {mine?.outcome === "DONE" && turn.state === "OPEN" && (
        <p>
          {turn.task === "APPROVE"
            ? "Those who sign were told."
            : door.atDesk
              ? "Others still sign. The sealed copy is made when everybody has."
              : "Others still sign. You get your sealed copy when everybody has."}
        </p>
      )}
      {mine?.outcome === "DONE" && turn.state !== "OPEN" && turn.state !== "COMPLETE" && (
        <p>{turn.hindrance}</p>
      )}
      {waits && <p>The sealed copy is being made.</p>}
      {turn.task === "SIGN" &&
        !door.atDesk &&
        mine?.outcome === "DONE" &&
        turn.papers
          .filter((p) => p.sealedCopy)
          .map((p) => (
            <a key={p.id} className="turn-copy" href={`${door.base}/papers/${p.id}/copy`} download>
              Your sealed copy of {p.name}
            </a>
          ))}
    </section>
  );
}

type PaperPagesProps = {
  paper: Shape<"PaperToSign">;
  door: Door;
  several: boolean;
  onSeen: (page: number) => void;
};

const KINDS: Record<Shape<"FieldToFill">["kind"], string> = {
  SIGNATURE: "your signature",
  INITIALS: "your initials",
  DATE: "the day, by itself",
  NAME: "your name, by itself",
  TEXT: "to be filled in",
  TICK: "to be ticked",
};

function PaperPages({ paper, door, several, onSeen }: PaperPagesProps) {
  const width = window.innerWidth < 600 || window.devicePixelRatio > 1.5 ? 900 : 1400;
  return (
    <section className="turn-paper" aria-label={paper.name}>
      {several && <h2>{paper.name}</h2>}
      {Array.from({ length: paper.pages }, (_, i) => i + 1).map((page) => (
        <div key={page} className="turn-page">
          <SeenPage
            source={`${door.base}/papers/${paper.id}/pages/${page}?width=${width}`}
            alt={`${paper.name}, page ${page} of ${paper.pages}`}
            height={Math.min(window.innerWidth, 830) * 1.3}
            onSeen={() => onSeen(page)}
          />
          {paper.fields
            .filter((f) => f.page === page)
            .map((f) => (
              <div
                key={f.position}
                id={`place-${f.position}`}
                className={f.kind === "SIGNATURE" ? "turn-place signature" : "turn-place"}
                style={{
                  left: `${f.left * 100}%`,
                  top: `${f.top * 100}%`,
                  width: `${f.width * 100}%`,
                  height: f.height ? `${f.height * 100}%` : undefined,
                }}
              >
                {f.label ?? KINDS[f.kind]}
              </div>
            ))}
        </div>
      ))}
    </section>
  );
}
