import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Input, Select } from "antd";
import { useRef, useState } from "react";
import { api, done, fieldWords, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { useDraft } from "../../ui/drafts";
import { useKeys } from "../../ui/keys";
import { meOptions } from "../access/sessionQueries";
import { FurtherTypes, TypePicker } from "../catalog/TypePicker";
import { typesOptions } from "../catalog/typeQueries";
import { ReasonModal } from "../documents/ReasonModal";
import { useStaff } from "../handover/colleagues";
import { sharedOptions } from "../people/fileQueries";
import { NewFileDrawer } from "../people/NewFileDrawer";
import type { PersonValues } from "../people/PersonFields";
import { PersonPicker } from "../people/PersonPicker";
import { isWholly, SignedOnPaper } from "../signing/SignedOnPaper";
import {
  type Arrival,
  type ArrivalDetail,
  arrivalOptions,
  complete,
  type Draft,
  draftTypes,
  fieldValues,
  previewOptions,
  proposedDraft,
} from "./arrivalQueries";
import { FilingEffect } from "./FilingEffect";
import { LikePapersNote } from "./LikePapersNote";
import { type Offer, ProposalList } from "./ProposalList";
import type { Filing } from "./useFiling";

type FilingSheetProps = {
  /** The paper that is shown, and the others that take the same details. */
  arrival: Arrival;
  others: Arrival[];
  onFile: (filing: Filing) => void;
};

/** Person, type and dates of a waiting paper; the name it will get and the slot it will fill; the key that files it. */
export function FilingSheet({ arrival, others, onFile }: FilingSheetProps) {
  const detail = useQuery(arrivalOptions(arrival)).data;
  // what was typed is kept with its paper, while one looks at others
  const typed = useDraft<Draft, number>(`filing ${arrival.id}`, {}, 0);
  const [tried, setTried] = useState<string>();
  const proposed = { ...proposedDraft(arrival, detail), ...typed.value };
  const types = draftTypes(proposed);
  const known = useQuery(typesOptions).data ?? [];
  const fields = [...new Set(types.flatMap((t) => known.find((k) => k.code === t)?.fields ?? []))];
  const signers = known
    .filter((k) => types.includes(k.code))
    .flatMap((k) => k.signers)
    .filter((s, i, all) => all.findIndex((o) => o.role === s.role) === i);
  const needsReview = known.some((k) => types.includes(k.code) && k.needsReview);
  const staff = useStaff();
  const guests =
    useQuery({ ...sharedOptions(proposed.fileId ?? ""), enabled: Boolean(proposed.fileId) }).data?.guests ??
    [];
  const values = Object.entries(fieldValues(types, typed.value.fields, detail));
  const draft = { ...proposed, fields: Object.fromEntries(values.filter(([name]) => fields.includes(name))) };
  const [moreFor, setMoreFor] = useState<string>();
  const isMore = moreFor === arrival.id;
  const further = draft.furtherTypes ?? [];
  const [setsAside, setSetsAside] = useState(false);
  const [makesFile, setMakesFile] = useState<string>();
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const preview = useQuery(previewOptions(arrival.id, draft));
  const { message } = App.useApp();
  const aside = useSetAside(arrival, () => setSetsAside(false));
  const problem = preview.error;
  const change = (part: Draft) => {
    const next: Draft = { ...typed.value, ...part };
    if (part.fileId) {
      // guests are those of a file
      delete next.share;
    }
    if (part.type) {
      // another type has other fields, and what it is cannot be what it is besides
      delete next.fields;
      delete next.signedOnPaper;
      delete next.reviewer;
      next.furtherTypes = next.furtherTypes?.filter((t) => t !== part.type);
    }
    typed.set(next);
  };
  const appeared = useAppeared(arrival.id);
  /** @param byKey whether a key was pressed, which may have been meant for the paper before this one */
  const fileIt = (byKey: boolean) => {
    const details = complete(draft);
    if (!details) {
      setTried(arrival.id);
    } else if (byKey && Date.now() - appeared.current < NOT_BEFORE) {
      message.info({
        key: "too-soon",
        content: "This paper has only just appeared. Look at it, then press Enter.",
      });
    } else {
      onFile({ chosen: [arrival, ...others], details, share: draft.share });
    }
  };
  const persons = personOffers(detail);
  const offers = typeOffers(detail);
  /** To the next thing that is lacking; at last to the button that files. */
  const onward = (part: Draft = {}) => {
    const next = { ...draft, ...part };
    const id = !next.fileId
      ? "filing-person"
      : !next.type
        ? "filing-type"
        : !next.documentDate
          ? "filing-dated"
          : "filing-go";
    // after what was chosen is taken, and its list has closed
    setTimeout(() => document.getElementById(id)?.focus());
  };
  const take = (part: Draft) => {
    change(part);
    onward(part);
  };
  useKeys({
    enter: () => fileIt(true),
    x: () => setSetsAside(true),
    ...digits(persons, 1, (fileId) => change({ fileId })),
    ...digits(offers, 6, (type) => change({ type })),
    p: () => document.getElementById("filing-person")?.focus(),
    y: () => document.getElementById("filing-type")?.focus(),
    a: () => setMoreFor(arrival.id),
  });
  const dated = detail?.proposals.documentDate.find((d) => d.day === draft.documentDate);
  return (
    <section className="filing" aria-label="File this paper">
      <div className="filing-fields">
        <h2>{others.length > 0 ? `File ${others.length + 1} papers alike` : "File this paper"}</h2>
        {arrival.openWith && <Alert type="warning" title={`${arrival.openWith} has this paper open.`} />}
        {detail && <LikePapersNote arrival={arrival} like={detail.like} />}
        {arrival.note && <p className="muted">{arrival.note}</p>}
        {detail?.message && <Message from={detail.sender} text={detail.message} />}
        <Form layout="vertical" disabled={!mayChange}>
          <Form.Item label="Person" htmlFor="filing-person" {...told(problem, "fileId")}>
            <PersonPicker
              id="filing-person"
              value={draft.fileId}
              known={knownPersons(arrival, detail)}
              onChange={(fileId) => take({ fileId })}
              onEnter={() => onward()}
              footer={(text) => <NewFileLine text={text} onClick={() => setMakesFile(text)} />}
            />
            {mayChange && !draft.fileId && persons.length === 0 && (
              <button type="button" className="linklike why" onClick={() => setMakesFile("")}>
                This person has no file yet
              </button>
            )}
            <ProposalList
              name="Proposed persons"
              offers={persons}
              value={draft.fileId}
              firstDigit={1}
              onTake={(fileId) => take({ fileId })}
            />
          </Form.Item>
          <Form.Item label="Type" htmlFor="filing-type" {...told(problem, "type")}>
            <TypePicker
              fileId={draft.fileId}
              value={draft.type}
              onChange={(type) => take({ type })}
              onEnter={() => onward()}
            />
            <ProposalList
              name="Proposed types"
              offers={offers}
              value={draft.type}
              firstDigit={6}
              onTake={(type) => take({ type })}
            />
            {draft.type && !isMore && further.length === 0 && (
              <button type="button" className="linklike why" onClick={() => setMoreFor(arrival.id)}>
                It is also something else <kbd>A</kbd>
              </button>
            )}
          </Form.Item>
          {draft.type && (isMore || further.length > 0) && (
            <Form.Item label="Is also" htmlFor="filing-further" {...told(problem, "furtherTypes")}>
              <FurtherTypes
                fileId={draft.fileId}
                id="filing-further"
                besides={draft.type}
                focus={isMore}
                value={further}
                onChange={(furtherTypes) => change({ furtherTypes })}
                onEnter={() => onward()}
              />
            </Form.Item>
          )}
          <div className="form-grid">
            <Form.Item label="Dated" htmlFor="filing-dated" {...told(problem, "documentDate")}>
              <DayField
                id="filing-dated"
                value={draft.documentDate}
                onChange={(documentDate) => change({ documentDate })}
                onEnter={(documentDate) => onward({ documentDate })}
              />
              {dated && (
                <div className={dated.confidence < 0.5 ? "why doubtful" : "why muted"}>{dated.reason}</div>
              )}
            </Form.Item>
            <Form.Item label="Expires" htmlFor="filing-expires" {...told(problem, "statedExpiry")}>
              <DayField
                id="filing-expires"
                placeholder="if stated"
                value={draft.statedExpiry}
                onChange={(statedExpiry) => change({ statedExpiry })}
                onEnter={() => onward()}
              />
            </Form.Item>
            <Form.Item label="Takes effect" htmlFor="filing-effective" {...told(problem, "effectiveDate")}>
              <DayField
                id="filing-effective"
                placeholder="with its date"
                value={draft.effectiveDate}
                onChange={(effectiveDate) => change({ effectiveDate })}
                onEnter={() => onward()}
              />
            </Form.Item>
            <Form.Item label="Holds to">
              <div className="tabular">
                {preview.data ? (
                  preview.data.holdsTo ? (
                    day(preview.data.holdsTo)
                  ) : (
                    "no end"
                  )
                ) : (
                  <span className="muted">by the type's rule</span>
                )}
              </div>
            </Form.Item>
          </div>
          {signers.length > 0 && (
            <Form.Item label="Signatures" {...told(problem, "signedOnPaper")}>
              <SignedOnPaper
                fileId={draft.fileId}
                signers={signers}
                value={draft.signedOnPaper ?? []}
                onChange={(signedOnPaper) => change({ signedOnPaper })}
                found={detail?.proposals.signedOn[0]}
                otherwise={draft.documentDate}
              />
            </Form.Item>
          )}
          {fields.map((name) => (
            <Form.Item key={name} label={name} htmlFor={`filing-field-${name}`}>
              <Input
                id={`filing-field-${name}`}
                value={draft.fields[name] ?? ""}
                maxLength={200}
                onChange={(e) => change({ fields: { ...typed.value.fields, [name]: e.target.value } })}
                onPressEnter={() => onward()}
              />
              <FieldReason found={foundField(detail, types, name)} value={draft.fields[name]} />
            </Form.Item>
          ))}
          <div className="form-grid">
            {needsReview && (
              <Form.Item label="Reviewed by" htmlFor="filing-reviewer" {...told(problem, "reviewer")}>
                <Select
                  id="filing-reviewer"
                  allowClear
                  placeholder="as its type says"
                  value={draft.reviewer ?? undefined}
                  showSearch={{ optionFilterProp: "label" }}
                  options={staff}
                  onChange={(reviewer?: string) => change({ reviewer: reviewer ?? null })}
                />
              </Form.Item>
            )}
            {guests.length > 0 && (
              <Form.Item label="Share with" htmlFor="filing-share">
                <Select
                  id="filing-share"
                  allowClear
                  placeholder="nobody"
                  value={draft.share?.accountId}
                  options={guests.map((g) => ({ value: g.accountId, label: `${g.name}, ${g.relation}` }))}
                  onChange={(accountId?: string) => {
                    const guest = guests.find((g) => g.accountId === accountId);
                    change({ share: guest && { accountId: guest.accountId, name: guest.name } });
                  }}
                />
              </Form.Item>
            )}
          </div>
        </Form>
        {preview.data && <FilingEffect preview={preview.data} />}
        {unreadable(arrival, detail)}
        {tried === arrival.id && !complete(draft) && <Alert type="warning" title={lacking(draft)} />}
        {problem && !fieldProblem(problem) && <Alert type="error" title={wordsOf(problem)} />}
      </div>
      {mayChange && (
        <div className="filing-foot">
          <Button
            id="filing-go"
            type="primary"
            style={{ flex: 1 }}
            // a press of Enter or Space on it has no clicks to count
            onClick={(e) => fileIt(e.detail === 0)}
          >
            File and next <kbd>Enter</kbd>
          </Button>
          <Button onClick={() => setSetsAside(true)}>
            Set aside&nbsp;<kbd>X</kbd>
          </Button>
        </div>
      )}
      <NewFileDrawer
        open={makesFile !== undefined}
        onClose={() => setMakesFile(undefined)}
        first={firstOf(makesFile ?? "", detail)}
        okText={draft.type && draft.documentDate ? "Make the file and file the paper" : "Make the file"}
        onMade={(made) => {
          const details = complete({ ...draft, fileId: made.id });
          if (details) {
            onFile({ chosen: [arrival, ...others], details });
          } else {
            take({ fileId: made.id });
          }
        }}
      />
      <ReasonModal
        title="Set this paper aside"
        hint="The next person sees the reason; the paper stays at the end of the list."
        okText="Set aside"
        open={setsAside}
        onClose={() => setSetsAside(false)}
        onReason={aside.mutate}
      />
    </section>
  );
}

/** No paper is filed by a key that was pressed before it can have been seen, in milliseconds. */
const NOT_BEFORE = 1_000;

/** When the paper that is shown appeared. */
function useAppeared(id: string) {
  const at = useRef({ id, current: Date.now() });
  if (at.current.id !== id) {
    at.current = { id, current: Date.now() };
  }
  return at.current;
}

function NewFileLine({ text, onClick }: { text: string; onClick: () => void }) {
  return (
    // pressed before the list takes the focus away
    <Button
      type="link"
      size="small"
      onMouseDown={(e) => {
        e.preventDefault();
        onClick();
      }}
    >
      New file for “{text}”…
    </Button>
  );
}

/** What is known of a person without a file: a typed name first, else what paper and mail tell. */
function firstOf(typed: string, detail?: ArrivalDetail): Partial<PersonValues> {
  const found = detail?.proposals.newPerson;
  const words = typed.trim().split(/\s+/);
  const typedName =
    typed.trim() === ""
      ? {}
      : { givenName: words.slice(0, -1).join(" "), familyName: words[words.length - 1] ?? "" };
  const known = Object.fromEntries(Object.entries(found ?? {}).filter(([, value]) => value != null));
  return { ...known, ...typedName };
}

type FoundField = ArrivalDetail["proposals"]["fields"][number];

function foundField(detail: ArrivalDetail | undefined, types: string[], name: string) {
  return detail?.proposals.fields.find((f) => types.includes(f.type) && f.name === name);
}

/** Where a value was found, as long as it is the one that was found. */
function FieldReason({ found, value }: { found: FoundField | undefined; value: string | undefined }) {
  return found && found.value === value ? <div className="why muted">{found.reason}</div> : null;
}

function lacking(draft: Draft): string {
  const lacks = [
    !draft.fileId && "the person",
    !draft.type && "the type",
    !draft.documentDate && "the date",
    !isWholly(draft.signedOnPaper) && "who signed and when",
  ].filter(Boolean);
  const last = lacks.pop();
  return `Choose ${lacks.length > 0 ? `${lacks.join(", ")} and ` : ""}${last} first.`;
}

function useSetAside(arrival: Arrival, onDone: () => void) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (reason: string) =>
      done(
        api.POST("/api/arrivals/{id}/set-aside", { params: { path: { id: arrival.id } }, body: { reason } }),
      ),
    onSuccess: () => {
      onDone();
      queries.invalidateQueries({ queryKey: ["arrivals"] });
    },
    onError: (error) => message.error(wordsOf(error)),
  });
}

function personOffers(detail?: ArrivalDetail): Offer[] {
  return (detail?.proposals.persons ?? []).map((p) => ({
    key: p.fileId,
    label: p.name,
    detail: [p.number, p.birthDate && `born ${day(p.birthDate)}`].filter(Boolean).join(" · "),
    reason: p.reason,
    confidence: p.confidence,
  }));
}

function typeOffers(detail?: ArrivalDetail): Offer[] {
  return (detail?.proposals.types ?? []).map((t) => ({
    key: t.code,
    label: t.label,
    reason: t.reason,
    confidence: t.confidence,
  }));
}

/** A key for each offer: digits from the first one on, ten being 0. */
export function digits(
  offers: Offer[],
  first: number,
  take: (key: string) => void,
): Record<string, () => void> {
  return Object.fromEntries(offers.slice(0, 5).map((o, i) => [String((first + i) % 10), () => take(o.key)]));
}

function knownPersons(arrival: Arrival, detail?: ArrivalDetail) {
  const known = (detail?.proposals.persons ?? []).map((p) => ({
    id: p.fileId,
    name: p.name,
    number: p.number,
  }));
  if (arrival.fileId && !known.some((k) => k.id === arrival.fileId)) {
    known.push({ id: arrival.fileId, name: arrival.personName ?? "", number: arrival.fileNumber ?? "" });
  }
  return known;
}

function Message({ from, text }: { from?: string | null; text: string }) {
  return (
    <details className="mail-text">
      <summary>Mail from {from}</summary>
      <pre>{text}</pre>
    </details>
  );
}

function unreadable(arrival: Arrival, detail?: ArrivalDetail) {
  const count = detail?.proposals.pagesWithoutText ?? 0;
  if (count === 0 || arrival.reading) {
    return null;
  }
  return (
    <p className="muted small">{count === 1 ? "One page holds" : `${count} pages hold`} no readable text.</p>
  );
}

function told(error: unknown, field: string) {
  const words = fieldWords(error, field);
  return words ? { validateStatus: "error" as const, help: words } : {};
}

function fieldProblem(error: unknown): boolean {
  return ["fileId", "type", "furtherTypes", "documentDate", "statedExpiry", "effectiveDate"].some((f) =>
    fieldWords(error, f),
  );
}
