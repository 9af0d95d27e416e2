import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { day, moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { PortalFrame } from "./PortalFrame";
import { portalOptions } from "./portalQueries";
import { SendPaper } from "./SendPaper";

type Portal = Shape<"PortalAnswer">;

/** What a guest sees: first what is asked, then what is new, then all that is shared, then what he sent. */
export function PortalPage() {
  const portal = useQuery(portalOptions);
  return (
    <Loaded query={portal}>
      {(data) => (
        <PortalFrame portal={data}>
          <Asked portal={data} />
          <SharedPapers portal={data} />
          <SendAnother portal={data} />
          <Sent sent={data.sent} />
        </PortalFrame>
      )}
    </Loaded>
  );
}

const COUNTS = ["nothing", "one thing", "two things", "three things", "four things", "five things"];

function Asked({ portal }: { portal: Portal }) {
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
            {ask.personName}: {ask.why}.{ask.words && ` ${ask.words}`}
          </p>
          <SendPaper fileId={ask.fileId} askId={ask.id} label={ask.label} />
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

function SharedPapers({ portal }: { portal: Portal }) {
  const fresh = portal.shared.filter((p) => p.fresh);
  return (
    <>
      {fresh.length > 0 && (
        <h2>{portal.previousVisit ? `New since ${moment(portal.previousVisit)}` : "New for you"}</h2>
      )}
      {fresh.map((paper) => (
        <PaperRow key={paper.documentId} paper={paper} />
      ))}
      <h2>All that is shared with you · {portal.shared.length}</h2>
      {portal.shared.length === 0 && <p className="muted">Nothing yet. You get a mail when something is.</p>}
      {portal.shared.map((paper) => (
        <PaperRow key={paper.documentId} paper={paper} />
      ))}
    </>
  );
}

function PaperRow({ paper }: { paper: Shape<"SharedPaper"> }) {
  return (
    <div className="portal-row">
      <span>
        <strong>{paper.typeLabel}</strong>
        <div className="muted">
          {paper.personName} · {day(paper.documentDate)} · {paper.pages}{" "}
          {paper.pages === 1 ? "page" : "pages"}
        </div>
      </span>
      <Link to={`/papers/${paper.documentId}`} aria-label={`Open ${paper.typeLabel}`}>
        Open
      </Link>
    </div>
  );
}

function SendAnother({ portal }: { portal: Portal }) {
  const [open, setOpen] = useState(false);
  const people = portal.people.filter((p) => p.mayAdd);
  if (people.length === 0) {
    return null;
  }
  return (
    <>
      <h2>Send us something else</h2>
      {open ? (
        people.map((person) => (
          <div key={person.fileId} className="portal-card">
            <p>For {person.name}</p>
            <SendPaper fileId={person.fileId} label={`a paper for ${person.name}`} />
          </div>
        ))
      ) : (
        <button type="button" className="portal-link" onClick={() => setOpen(true)}>
          Choose a paper
        </button>
      )}
    </>
  );
}

function Sent({ sent }: { sent: Shape<"SentPaper">[] }) {
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
            <div className="muted">
              {moment(paper.receivedAt)} · {paper.state === "FILED" ? "filed" : "not filed yet"}
            </div>
          </span>
          {paper.state !== "FILED" && (
            <button type="button" onClick={() => back.mutate(paper.id)}>
              Take back
            </button>
          )}
        </div>
      ))}
    </>
  );
}
