import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { useMayChange } from "../../ui/asOf";
import { bytes, day, moment } from "../../ui/days";
import { ShareModal } from "../portal/ShareModal";
import { StartSigningModal } from "../signing/StartSigningModal";
import { openSigningOptions } from "./documentQueries";
import { ReasonModal } from "./ReasonModal";

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
  return (
    <aside className="paper-card" aria-label="About this paper">
      <h2>{paper.typeLabel}</h2>
      <div className="muted">{paper.name}</div>
      <State paper={paper} />
      {mayChange && !paper.voidedOn && <Actions paper={paper} file={file} />}
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
          <Line key={s.role} name="Signed" words={`${s.signer} (${s.role}), ${day(s.signedOn)}`} />
        ))}
      </dl>
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
              {moment(v.madeAt)} · {v.pages} p. · {bytes(v.size)}
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
  if (paper.voidedOn) {
    return <div className="paper-note bad">Entered in error: {paper.voidReason}</div>;
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
    return <div className="paper-note">Waits for review. It counts once it is accepted.</div>;
  }
  return null;
}

function Actions({ paper, file }: { paper: Shape<"DocumentAnswer">; file: Shape<"FileAnswer"> }) {
  const [dialog, setDialog] = useState<"send-back" | "void" | "share" | "sign" | null>(null);
  const { message } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const signing = useQuery(openSigningOptions(paper.id));
  const params = { path: { id: paper.id } };
  const act = useMutation({
    mutationFn: (call: () => Promise<unknown>) => done(call()),
    onSuccess: () => {
      setDialog(null);
      queries.invalidateQueries({ queryKey: ["files"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const close = () => setDialog(null);
  return (
    <div className="buttons">
      {paper.needsReview && !paper.acceptedOn && (
        <Button
          type="primary"
          size="small"
          loading={act.isPending}
          onClick={() => act.mutate(() => api.POST("/api/documents/{id}/accept", { params }))}
        >
          Accept
        </Button>
      )}
      {signing.data?.id && (
        <Button type="primary" size="small" onClick={() => navigate(`/signing/${signing.data.id}`)}>
          Go on signing
        </Button>
      )}
      {!signing.data?.id && paper.unsignedBy.length > 0 && (
        <Button type="primary" size="small" onClick={() => setDialog("sign")}>
          Sign at the desk
        </Button>
      )}
      <Button size="small" onClick={() => setDialog("share")}>
        Share
      </Button>
      {paper.needsReview && !paper.sentBackOn && (
        <Button size="small" onClick={() => setDialog("send-back")}>
          Send back
        </Button>
      )}
      <Button size="small" onClick={() => setDialog("void")}>
        Entered in error
      </Button>
      <ReasonModal
        title="Send this paper back"
        hint="The person who brought it will read the reason."
        okText="Send back"
        open={dialog === "send-back"}
        onClose={close}
        onReason={(reason) =>
          act.mutate(() => api.POST("/api/documents/{id}/send-back", { params, body: { reason } }))
        }
      />
      <ReasonModal
        title="Mark as entered in error"
        hint="The paper stays in the file, struck through, and counts nowhere. This cannot be taken back."
        okText="Mark it"
        open={dialog === "void"}
        onClose={close}
        onReason={(reason) =>
          act.mutate(() => api.POST("/api/documents/{id}/void", { params, body: { reason } }))
        }
      />
      <ShareModal paper={paper} file={file} open={dialog === "share"} onClose={close} />
      <StartSigningModal paper={paper} file={file} open={dialog === "sign"} onClose={close} />
    </div>
  );
}
