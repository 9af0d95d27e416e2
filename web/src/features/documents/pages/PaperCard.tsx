import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { Link } from "react-router";
import { api, type Shape } from "../../../api/client";
import { bytes, day, moment } from "../../../ui/days";
import { meOptions } from "../../access/sessionQueries";
import { CameWith } from "../../arrivals/CameWith";
import { useAsOf, useMayChange } from "../../asof/asOf";
import { CommentsSection } from "../../comments/CommentsSection";
import { FoundSteps } from "../../finding/FoundSteps";
import { HandOverSection } from "../../handover/HandOverSection";
import { isOffice } from "../../reading/laidOut";
import { PaperStanding } from "../../standing/PaperStanding";
import { PaperActions } from "../changing/PaperActions";
import { usePaperAction } from "../usePaperAction";

type PaperCardProps = {
  paper: Shape<"DocumentAnswer">;
  file: Shape<"FileAnswer">;
  ledger?: Shape<"LedgerAnswer">;
  version: number;
  onVersion: (number: number) => void;
  /** Lays another version beside the shown one. */
  onCompare: (number: number) => void;
};

/** What is known about a paper, what it waits for, and what can be done with it. */
export function PaperCard({ paper, file, ledger, version, onVersion, onCompare }: PaperCardProps) {
  const slots =
    ledger?.sections.flatMap((s) => s.slots).filter((s) => s.papers.some((p) => p.id === paper.id)) ?? [];
  const mayChange = useMayChange();
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const maySay = useAsOf().isToday;
  const restore = usePaperAction();
  const newest = paper.versions.length;
  return (
    <aside className="paper-card" aria-label="About this paper">
      <FoundSteps paperId={paper.id} />
      <h2>{paper.typeLabel}</h2>
      <div className="muted">{paper.name}</div>
      <State paper={paper} />
      <PaperStanding paper={paper} />
      {paper.versions.map(
        (v) =>
          v.damage && (
            <div key={v.number} className="paper-note bad">
              Version {v.number} is damaged on the server. {v.damage} Taking in the same paper once more mends
              it.
            </div>
          ),
      )}
      {mayChange && !paper.enteredInErrorOn && <PaperActions paper={paper} file={file} />}
      {paper.hold && (
        <div className="paper-note">
          {paper.hold.own ? "You hold this paper" : `${paper.hold.by} works on this paper`} since{" "}
          {moment(paper.hold.since)}.
        </div>
      )}
      {paper.description && <p className="paper-description">{paper.description}</p>}
      <HandOverSection paper={paper} mayChange={mayChange} />
      <CommentsSection key={paper.id} paperId={paper.id} maySay={maySay} />
      <h3>Details</h3>
      <dl className="tabular">
        {paper.furtherTypes.length > 0 && (
          <Line name="Is also" words={paper.furtherTypes.map((t) => t.label).join(", ")} />
        )}
        <dt>Dated</dt>
        <dd>{day(paper.documentDate)}</dd>
        {paper.effectiveDate && <Line name="Effective" words={day(paper.effectiveDate)} />}
        {paper.statedExpiry && <Line name="Expires" words={day(paper.statedExpiry)} />}
        {Object.entries(paper.fields).map(([name, value]) => (
          <Line key={name} name={name} words={value} />
        ))}
        <dt>Received</dt>
        <dd>{day(paper.receivedOn)}</dd>
        <dt>Came</dt>
        <dd>{paper.source}</dd>
        {paper.acceptedOn && (
          <Line name="Accepted" words={`${day(paper.acceptedOn)} by ${paper.acceptedBy}`} />
        )}
        {paper.signatures.map((s) => (
          <Line
            key={s.role}
            name="Signed"
            words={`${s.signer} (${s.role}), ${day(s.signedOn)}${s.seenBy ? `, on paper, seen by ${s.seenBy}` : ""}`}
          />
        ))}
      </dl>
      {isAdministrator && mayChange && !paper.enteredInErrorOn && (
        <Link to={`/chasing/plans/new?paper=${paper.id}`}>Tell somebody when it runs out</Link>
      )}
      {slots.map((slot) => (
        <div key={slot.requirement}>
          <h3>Why “{slot.status.replaceAll("-", " ")}”</h3>
          {slot.reasons.map((reason) => (
            <div key={reason}>{reason}</div>
          ))}
          {slot.nextChangeOn && (
            <div className="muted">
              Next change: {day(slot.nextChangeOn)}, {slot.nextStatus?.replaceAll("-", " ")}
            </div>
          )}
        </div>
      ))}
      <CameWith documentId={paper.id} />
      <h3>Versions</h3>
      {[...paper.versions].reverse().map((v) => (
        <div key={v.number} className="version-row">
          <button
            type="button"
            className="version-line"
            aria-pressed={v.number === version}
            onClick={() => onVersion(v.number)}
          >
            <span className="strong">{v.number}</span> {v.cause}
            <div className="muted">
              {moment(v.madeAt)}
              {" · "}
              {v.placeholder ? v.placeholder.words : extentOf(v)}
            </div>
          </button>
          {v.number !== version && (
            <Button
              size="small"
              type="link"
              onClick={() => onCompare(v.number)}
              aria-label={`Version ${v.number} beside this one`}
            >
              beside
            </Button>
          )}
          {mayChange && !paper.enteredInErrorOn && v.number === version && v.number < newest && (
            <Button
              size="small"
              type="link"
              onClick={() =>
                restore.mutate({
                  call: () =>
                    api.POST("/api/documents/{id}/versions/{number}/restore", {
                      params: { path: { id: paper.id, number: v.number } },
                    }),
                  said: `Version ${v.number} is the newest again.`,
                  after: () => onVersion(newest + 1),
                })
              }
            >
              restore
            </Button>
          )}
        </div>
      ))}
    </aside>
  );
}

function Line({ name, words }: { name: string; words: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{words}</dd>
    </>
  );
}

function State({ paper }: { paper: Shape<"DocumentAnswer"> }) {
  if (paper.enteredInErrorOn) {
    return <div className="paper-note bad">Entered in error: {paper.errorReason}</div>;
  }
  if (paper.sentBackOn) {
    return <div className="paper-note bad">Sent back: {paper.sentBackReason}</div>;
  }
  if (paper.unsignedBy.length > 0) {
    return (
      <div className="paper-note sign">Unsigned by {paper.unsignedBy.map((s) => s.label).join(" and ")}.</div>
    );
  }
  if (paper.needsReview && !paper.acceptedOn) {
    return (
      <div className="paper-note">
        Waits for review{paper.reviewers.length > 0 && ` with ${paper.reviewers.join(" and ")}`}. It counts
        once it is accepted.
      </div>
    );
  }
  return null;
}

/** An office file has pages only once it is laid out. */
function extentOf(version: Shape<"VersionAnswer">): string {
  const pages = isOffice(version) ? (version.laidOut?.pages ?? 0) : version.pages;
  return pages > 0 ? `${pages} p. · ${bytes(version.size)}` : bytes(version.size);
}
