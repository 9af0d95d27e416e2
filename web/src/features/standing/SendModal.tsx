import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Input, Modal, Radio } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { usualCopiesOptions } from "../../api/usualCopies";
import { DayField } from "../../ui/DayField";
import { addDays, day } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import type { Sending } from "./standingQueries";

/** For how long a link leads to the papers, if nothing else is said. */
const USUAL_DAYS = 14;

type SendModalProps = {
  documents: string[];
  /** @param sent whether any mail went out */
  onClose: (sent: boolean) => void;
};

/** Sends papers to all who must have them and have not: one mail for each person's file and reader. */
export function SendModal({ documents, onClose }: SendModalProps) {
  const sendings = useQuery({
    queryKey: ["to-send", documents],
    queryFn: () => answer(api.POST("/api/under-way/to-send", { body: { documents } })),
    gcTime: 0,
  });
  // what is on its way is not left unseen
  const [busy, setBusy] = useState(false);
  return (
    <Modal
      closable={!busy}
      keyboard={!busy}
      mask={{ closable: !busy }}
      title="Send to those who must have it"
      open
      width={760}
      footer={null}
      onCancel={() => onClose(false)}
    >
      <Loaded query={sendings}>{(all) => <Sendings all={all} onBusy={setBusy} onClose={onClose} />}</Loaded>
    </Modal>
  );
}

/** What became of one sending. */
type Outcome = { covered: number; problem?: string; sent: boolean };

type SendingsProps = {
  all: Sending[];
  onBusy: (busy: boolean) => void;
  onClose: (sent: boolean) => void;
};

function Sendings({ all, onBusy, onClose }: SendingsProps) {
  const queries = useQueryClient();
  const practice = useQuery(practiceOptions).data;
  const usuals = useQuery(usualCopiesOptions).data ?? [];
  const [addresses, setAddresses] = useState<Record<string, string>>({});
  const [asLink, setAsLink] = useState(true);
  const [ends, setEnds] = useState<string>();
  const [outcomes, setOutcomes] = useState<Record<string, Outcome>>({});
  const endsOn = ends ?? addDays(practice?.today ?? "", USUAL_DAYS);
  const addressOf = (one: Sending) => addresses[keyOf(one)] ?? one.address ?? "";
  const ready = all.filter((one) => one.name && addressOf(one).trim() !== "" && !outcomes[keyOf(one)]?.sent);
  const note = (one: Sending, outcome: Outcome) =>
    setOutcomes((before) => ({ ...before, [keyOf(one)]: outcome }));
  const send = useMutation({
    onMutate: () => onBusy(true),
    mutationFn: async () => {
      // one after the other: each copy is made and read again, and a mail that fails leaves the others
      for (const one of ready) {
        try {
          const usual = usuals.find((u) => u.kind === KINDS[one.who]);
          note(
            one,
            await sendOne(one, addressOf(one), asLink ? endsOn : undefined, practice?.name ?? "", usual),
          );
        } catch (error) {
          note(one, { covered: 0, problem: wordsOf(error), sent: false });
        }
      }
    },
    onSettled: () => {
      onBusy(false);
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  const sent = Object.values(outcomes).filter((o) => o.sent).length;
  if (all.length === 0) {
    return (
      <p>Everybody who must have these papers was sent them. Whoever has not opened a link yet keeps it.</p>
    );
  }
  return (
    <>
      <div className="sendings-common">
        <span>They get them</span>
        <Radio.Group
          value={asLink}
          onChange={(e) => setAsLink(e.target.value)}
          options={[
            { value: true, label: "as a link that opens with a code" },
            { value: false, label: "attached" },
          ]}
        />
        {asLink && (
          <>
            <label htmlFor="sendings-end">It ends after</label>
            <DayField id="sendings-end" value={endsOn} onChange={(iso) => setEnds(iso ?? undefined)} />
          </>
        )}
      </div>
      <p className="muted">
        What is covered stays covered; otherwise they get what readers of their kind usually get. To choose
        otherwise, open the paper.
      </p>
      <ul className="plain-list sendings">
        {all.map((one) => (
          <li key={keyOf(one)}>
            <div>
              <strong>{one.name ?? `No ${one.label} is known`}</strong>
              {one.name && one.name !== one.label && <span className="muted"> · {one.label}</span>}
              <div className="muted">
                {one.name !== one.person && `${one.person}: `}
                {one.papers.map((p) => p.name).join("; ")}
              </div>
            </div>
            {one.name ? (
              <Input
                aria-label={`Mail address of ${one.name}`}
                placeholder="no mail address is known"
                maxLength={254}
                disabled={outcomes[keyOf(one)]?.sent ?? false}
                value={addressOf(one)}
                onChange={(e) => setAddresses({ ...addresses, [keyOf(one)]: e.target.value })}
              />
            ) : (
              <Link to={`/files/${one.fileId}?view=details`}>Add them in the file of {one.person}</Link>
            )}
            <Result outcome={outcomes[keyOf(one)]} />
          </li>
        ))}
      </ul>
      <div className="ant-modal-footer">
        <Button disabled={send.isPending} onClick={() => onClose(sent > 0)}>
          {sent > 0 ? "Done" : "Cancel"}
        </Button>
        <Button
          type="primary"
          disabled={ready.length === 0 || (asLink && endsOn === "")}
          loading={send.isPending}
          onClick={() => send.mutate()}
        >
          {ready.length === 1 ? "Send 1 mail" : `Send ${ready.length} mails`}
        </Button>
      </div>
    </>
  );
}

function Result({ outcome }: { outcome: Outcome | undefined }) {
  if (!outcome) {
    return null;
  }
  return (
    <div className="sendings-result" aria-live="polite">
      {outcome.problem ? (
        <Alert type="warning" title={outcome.problem} />
      ) : (
        <span className="muted">
          On its way
          {outcome.covered > 0 &&
            `, ${outcome.covered} ${outcome.covered === 1 ? "place" : "places"} covered`}
          .
        </span>
      )}
    </div>
  );
}

function keyOf({ fileId, label, name }: Sending): string {
  return `${fileId} ${label} ${name ?? ""}`;
}

const KINDS: Record<Sending["who"], Shape<"ReaderRequest">["kind"]> = {
  PERSON: "PERSON",
  RELATION: "AROUND",
  OUTSIDER: "OTHER",
  ROLE: "COLLEAGUE",
};

async function sendOne(
  one: Sending,
  to: string,
  endsOn: string | undefined,
  practice: string,
  usual: Shape<"Usual"> | undefined,
): Promise<Outcome> {
  const drafts = await answer(
    api.POST("/api/copies-out", {
      body: {
        documents: one.papers.map((p) => p.id),
        reader: { kind: KINDS[one.who], name: one.name ?? "" },
        marks: usual?.marks ?? false,
        open: false,
        foot: usual?.foot ?? true,
      },
    }),
  );
  const covered = drafts.reduce((sum, d) => sum + d.covered, 0);
  const readable = drafts.flatMap((d) => d.stillReadable);
  if (readable.length > 0) {
    const problem = `Not sent: words that are covered can be read elsewhere, ${readable.join("; ")}. Open the paper and look at the copy.`;
    return { covered, problem, sent: false };
  }
  const carried = drafts.find((d) => d.moved > 0);
  if (carried) {
    const problem = `Not sent: covers of “${carried.paper}” were carried over from an earlier version. Open the paper and look at the copy.`;
    return { covered, problem, sent: false };
  }
  await answer(
    api.POST("/api/copies-out/mail", {
      body: {
        copies: drafts.map((d) => d.id),
        to: to.trim(),
        subject: `Papers of ${one.person} from ${practice}`,
        words: endsOn
          ? `Dear ${one.name},\n\nplease find below the papers of ${one.person} that are for you, until ${day(endsOn)}.`
          : `Dear ${one.name},\n\nplease find attached the papers of ${one.person} that are for you.`,
        endsOn,
        evenIfReadable: false,
      },
    }),
  );
  return { covered, sent: true };
}
