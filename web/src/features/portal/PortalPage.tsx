import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { day, moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { mySignaturesOptions } from "../signing/requests/requestQueries";
import { PortalFrame } from "./PortalFrame";
import { PortalMessages } from "./PortalMessages";
import { usePortalPlace } from "./portalPlace";
import { portalOptions } from "./portalQueries";
import { SendPaper } from "./SendPaper";

type Portal = Shape<"PortalAnswer">;
type Paper = Shape<"SharedPaper">;

/** What a guest sees: first what is asked, then what is new, then all that is shared, then what he sent. */
export function PortalPage() {
  const portal = useQuery(portalOptions);
  return <Loaded query={portal}>{(data) => <PortalView portal={data} />}</Loaded>;
}

/** The same for any guest. */
export function PortalView({ portal }: { portal: Portal }) {
  const { isLookedAt } = usePortalPlace();
  const [chosen, setChosen] = useState<string>();
  const person = portal.people.find((p) => p.fileId === chosen);
  const seen: Portal = person
    ? {
        ...portal,
        people: [person],
        asks: portal.asks.filter((a) => a.fileId === person.fileId),
        shared: portal.shared.filter((p) => p.fileId === person.fileId),
        sent: portal.sent.filter((p) => p.fileId === person.fileId),
      }
    : portal;
  return (
    <PortalFrame portal={portal}>
      {portal.people.length > 1 && (
        <fieldset className="portal-people" aria-label="Show">
          <button type="button" aria-pressed={!person} onClick={() => setChosen(undefined)}>
            All
          </button>
          {portal.people.map((p) => (
            <button
              key={p.fileId}
              type="button"
              aria-pressed={p === person}
              onClick={() => setChosen(p.fileId)}
            >
              {p.name}
            </button>
          ))}
        </fieldset>
      )}
      <ToSign person={person} />
      <Asked portal={seen} />
      <Fresh portal={seen} />
      <SharedPapers papers={seen.shared} />
      {!isLookedAt && <PortalMessages only={person?.fileId} sent={portal.sent} />}
      <SendAnother key={person?.fileId ?? "all"} portal={seen} />
      <Sent sent={seen.sent} mayTakeBack={seen.people.some((p) => p.mayTakeBack)} />
      {seen.people.some((p) => p.until) && (
        <p className="muted">
          {seen.people
            .filter((p) => p.until)
            .map((p) => `You see the papers of ${p.name} until ${day(p.until ?? "")}.`)
            .join(" ")}
        </p>
      )}
    </PortalFrame>
  );
}

/** What is to be read and signed, before all else; and what was signed with its copy. */
function ToSign({ person }: { person: Portal["people"][number] | undefined }) {
  const { isLookedAt } = usePortalPlace();
  const turns = useQuery({ ...mySignaturesOptions, enabled: !isLookedAt }).data ?? [];
  const seen = turns.filter((t) => !person || t.person === person.name);
  const open = seen.filter((t) => t.now);
  const signed = seen.filter((t) => !t.now);
  return (
    <>
      {open.length > 0 && <h2>Please sign</h2>}
      {open.map((turn) => (
        <div key={turn.turnId} className="portal-card">
          <strong>{turn.papers.join(", ")}</strong>
          <p>
            {turn.person}, asked by {turn.askedBy}.{turn.dueOn && ` By ${day(turn.dueOn)}, please.`}
          </p>
          <Link className="portal-big" to={`/signing/turns/${turn.turnId}`}>
            Read and sign
          </Link>
        </div>
      ))}
      {signed.map((turn) => (
        <div key={turn.turnId} className="portal-row">
          <span>
            <strong>{turn.papers.join(", ")}</strong>
            <div className="muted">{turn.person} · you signed</div>
          </span>
          <span className="portal-acts">
            <Link to={`/signing/turns/${turn.turnId}`} aria-label={`Open ${turn.papers.join(", ")}`}>
              Open
            </Link>
          </span>
        </div>
      ))}
    </>
  );
}

const COUNTS = ["nothing", "one thing", "two things", "three things", "four things", "five things"];

function Asked({ portal }: { portal: Portal }) {
  const { isLookedAt } = usePortalPlace();
  const open = portal.asks.filter((a) => !a.sent);
  const sent = portal.asks.filter((a) => a.sent);
  return (
    <>
      <h2>
        {open.length === 0
          ? "We need nothing from you now"
          : `We need ${COUNTS[open.length] ?? `${open.length} things`} from you`}
      </h2>
      {open.map((ask) => (
        <div key={ask.id} className="portal-card">
          <strong>{ask.label}</strong>
          <p>
            {ask.personName}: {ask.why}.{ask.day && ` By ${day(ask.day)}, please.`}
            {ask.words && ` ${ask.words}`}
          </p>
          {!isLookedAt && <SendPaper fileId={ask.fileId} askId={ask.id} label={ask.label} />}
        </div>
      ))}
      {sent.map((ask) => (
        <div key={ask.id} className="portal-told good">
          {ask.label}: received. We look at it and file it.
        </div>
      ))}
    </>
  );
}

function Fresh({ portal }: { portal: Portal }) {
  const { isLookedAt } = usePortalPlace();
  const queries = useQueryClient();
  const fresh = portal.shared.filter((p) => p.fresh);
  const away = useMutation({
    mutationFn: (id: string) =>
      done(api.POST("/api/portal/documents/{id}/put-away", { params: { path: { id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["portal"] }),
  });
  if (fresh.length === 0) {
    return null;
  }
  return (
    <>
      <h2>{portal.previousVisit ? `New since ${moment(portal.previousVisit)}` : "New for you"}</h2>
      {fresh.map((paper) => (
        <PaperRow key={paper.documentId} paper={paper}>
          {!isLookedAt && (
            <button
              type="button"
              aria-label={`Put ${paper.typeLabel} away`}
              onClick={() => away.mutate(paper.documentId)}
            >
              Put away
            </button>
          )}
        </PaperRow>
      ))}
    </>
  );
}

/** All of them by person and section, found by names and words. */
function SharedPapers({ papers }: { papers: Paper[] }) {
  const { isLookedAt } = usePortalPlace();
  const [text, setText] = useState("");
  const wanted = text.trim();
  const found = useQuery({
    queryKey: ["portal", "found", wanted],
    queryFn: () => answer(api.GET("/api/portal/found", { params: { query: { text: wanted } } })),
    enabled: wanted.length > 1 && !isLookedAt,
  }).data;
  const shown = wanted.length > 1 && found ? papers.filter((p) => found.includes(p.documentId)) : papers;
  const people = new Set(papers.map((p) => p.fileId)).size;
  const groups = new Map<string, Paper[]>();
  for (const paper of shown) {
    const group = people > 1 ? `${paper.personName} · ${paper.sectionLabel}` : paper.sectionLabel;
    groups.set(group, [...(groups.get(group) ?? []), paper]);
  }
  return (
    <>
      <h2>All that is shared with you · {papers.length}</h2>
      {papers.length === 0 && <p className="muted">Nothing yet. You get a mail when something is.</p>}
      {papers.length > 3 && !isLookedAt && (
        <input
          type="search"
          className="portal-search"
          aria-label="Find in what is shared with you"
          placeholder="a name or words in it"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      )}
      {shown.length === 0 && papers.length > 0 && <p className="muted">Nothing is found by that.</p>}
      {[...groups].sort().map(([group, some]) => (
        <section key={group} aria-label={group}>
          <h3 className="portal-group">{group}</h3>
          {some.map((paper) => (
            <PaperRow key={paper.documentId} paper={paper} />
          ))}
        </section>
      ))}
      {papers.length > 1 && !isLookedAt && (
        <a className="portal-link" href="/api/portal/zip" download>
          Download all
        </a>
      )}
    </>
  );
}

function PaperRow({ paper, children }: { paper: Paper; children?: React.ReactNode }) {
  const { path, isLookedAt } = usePortalPlace();
  return (
    <div className="portal-row">
      <span>
        <strong>{paper.typeLabel}</strong>
        <div className="muted">
          {paper.personName} · {day(paper.documentDate)} · {paper.pages}{" "}
          {paper.pages === 1 ? "page" : "pages"}
        </div>
      </span>
      {!isLookedAt && (
        <span className="portal-acts">
          {children}
          <Link to={`${path}/papers/${paper.documentId}`} aria-label={`Open ${paper.typeLabel}`}>
            Open
          </Link>
        </span>
      )}
    </div>
  );
}

function SendAnother({ portal }: { portal: Portal }) {
  const { isLookedAt } = usePortalPlace();
  // whoever was chosen stays, so that a right that ends meanwhile takes away nothing that was chosen
  const [opened, setOpened] = useState<Portal["people"]>();
  const able = portal.people.filter((p) => p.mayAdd);
  const people = opened ?? able;
  if (people.length === 0 || isLookedAt) {
    return null;
  }
  return (
    <>
      <h2>Send us something else</h2>
      {opened ? (
        people.map((person) => (
          <div key={person.fileId} className="portal-card">
            <p>For {person.name}</p>
            <SendPaper fileId={person.fileId} label={`a paper for ${person.name}`} />
          </div>
        ))
      ) : (
        <button type="button" className="portal-link" onClick={() => setOpened(able)}>
          Choose papers
        </button>
      )}
    </>
  );
}

const BECAME: Record<Shape<"SentPaper">["state"], string> = {
  RECEIVED: "received, not filed yet",
  FILED: "filed",
  SENT_BACK: "sent back",
  SET_ASIDE: "received, we look into it",
};

function Sent({ sent, mayTakeBack }: { sent: Shape<"SentPaper">[]; mayTakeBack: boolean }) {
  const { isLookedAt } = usePortalPlace();
  const queries = useQueryClient();
  const back = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/portal/papers/{id}", { params: { path: { id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["portal"] }),
  });
  return (
    <>
      <h2>What you sent us · {sent.length}</h2>
      {back.error && <div className="portal-told">{wordsOf(back.error)}</div>}
      {sent.map((paper) => (
        <div key={paper.id} className="portal-row">
          <span>
            {paper.fileName}
            <div className={paper.state === "SENT_BACK" ? "clay" : "muted"}>
              {moment(paper.receivedAt)} · {BECAME[paper.state]}
              {paper.reason && `: ${paper.reason}`}
            </div>
          </span>
          {mayTakeBack && !isLookedAt && (paper.state === "RECEIVED" || paper.state === "SET_ASIDE") && (
            <button type="button" onClick={() => back.mutate(paper.id)}>
              Take back
            </button>
          )}
        </div>
      ))}
    </>
  );
}
