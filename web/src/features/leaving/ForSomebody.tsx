import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, AutoComplete, Button, Checkbox } from "antd";
import { useState } from "react";
import { answer, api, Problem, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { Pages } from "../../ui/Pages";
import { useMayChange } from "../asof/asOf";
import { useMarking } from "../marks/markQueries";
import { AboutCopy } from "./AboutCopy";
import type { CopyOutModalProps, Wanted } from "./CopyOutModal";
import { InThePortal, InviteFirst } from "./InThePortal";
import { MailForm, useMailLetter } from "./MailForm";
import { Together } from "./Together";
import { type Copies, useCopies } from "./useCopies";

const PAGE_WIDTH = 440;

/** As many as leave at once for somebody. */
const MOST = 50;

/** Numbered copies: what the reader will see is shown page by page before it leaves. */
export function ForSomebody(props: CopyOutModalProps & { wanted: Wanted }) {
  const { file, wanted, bundle, fileId, papers, onClose } = props;
  const copies = useCopies(props);
  const { draft, give, reader, known } = copies;
  const [byMail, setByMail] = useState(false);
  const [again, setAgain] = useState(false);
  const [asksToInvite, setAsksToInvite] = useState<boolean>();
  const mayInvite = useMayChange() && file !== undefined;
  // the person whose file it is stands among the readers in any case
  const hasNoGuests = copies.readers.length > 0 && copies.readers.every((r) => !r.accountId);
  const invites = wanted === "PORTAL" && mayInvite && !known?.accountId && (asksToInvite ?? hasNoGuests);
  const keep = useKept(copies);
  const practice = useQuery(practiceOptions).data;
  const { letter, change: changeLetter } = useMailLetter({
    practice: practice?.name ?? "",
    reader: reader.trim(),
    email: known?.email ?? "",
    today: practice?.today ?? "",
  });
  // that they see what they shall was decided before
  const writes = draft.data !== undefined && byMail;
  const given = () => {
    if (!again) {
      onClose();
      return;
    }
    copies.setReader("");
    setByMail(false);
    changeLetter({ to: undefined, words: undefined });
  };
  if (papers.length > MOST) {
    return (
      <p>
        Up to {MOST} papers leave at once for somebody, since each is shown before. These are {papers.length}:
        choose fewer.
      </p>
    );
  }
  if (invites && file) {
    return (
      <InviteFirst
        file={file}
        onBack={hasNoGuests ? undefined : () => setAsksToInvite(false)}
        onInvited={(name) => {
          copies.setReader(name);
          setAsksToInvite(false);
        }}
      />
    );
  }
  return (
    <>
      <div className="copy-out">
        <div className="copy-questions">
          <ReaderName copies={copies} wanted={wanted} />
          {wanted === "PORTAL" && (
            <InThePortal
              copies={copies}
              fileId={fileId}
              onInvite={mayInvite ? () => setAsksToInvite(true) : undefined}
            />
          )}
          {!writes && <WhatTheySee copies={copies} />}
          {copies.papers.length > 1 && !writes && (
            <Together
              papers={copies.papers}
              onPapers={copies.setPapers}
              as={copies.as}
              onAs={copies.setAs}
              title={copies.title}
              onTitle={copies.setTitle}
              keep={bundle ? undefined : keep}
            />
          )}
          <Checkbox checked={again} onChange={(e) => setAgain(e.target.checked)}>
            then for another reader too
          </Checkbox>
          <BeforeItLeaves copies={copies} />
          {writes && <MailForm letter={letter} onChange={changeLetter} known={copies.readers} />}
          {give.error && (
            <Alert
              type="error"
              title={wordsOf(give.error)}
              action={
                give.error instanceof Problem &&
                give.error.code === "changed" && (
                  <Button size="small" onClick={copies.lookAgain}>
                    Look again
                  </Button>
                )
              }
            />
          )}
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
        <section className="page-desk copy-pages" tabIndex={0} aria-label="What they will see">
          {draft.data ? (
            draft.data.map((copy) => (
              <Pages
                key={copy.id}
                count={copy.pages}
                width={PAGE_WIDTH}
                name={copy.paper}
                source={(page) => `/api/copies-out/${copy.id}/pages/${page}?width=900`}
              />
            ))
          ) : (
            <p className="muted">Here the copy is shown page by page before it leaves.</p>
          )}
        </section>
      </div>
      <div className="copy-footer">
        {writes ? (
          <>
            <Button onClick={() => setByMail(false)}>Not by mail</Button>
            <Button
              type="primary"
              disabled={!copies.mayGive || letter.to.trim() === "" || (letter.asLink && letter.endsOn === "")}
              loading={give.isPending}
              onClick={() => give.mutate({ way: "MAIL", letter }, { onSuccess: given })}
            >
              Send to {whom(copies)}
            </Button>
          </>
        ) : draft.data ? (
          <Ways copies={copies} wanted={wanted} onMail={() => setByMail(true)} onGiven={given} />
        ) : (
          <Button
            type="primary"
            disabled={reader.trim() === ""}
            loading={draft.isPending}
            onClick={() => draft.mutate()}
          >
            Show what they will see
          </Button>
        )}
      </div>
    </>
  );
}

/** Who gets it, and how much of it is covered. */
function whom({ reader, covered }: Copies): string {
  return `${reader.trim() || "…"}${covered > 0 ? `, ${covered} ${covered === 1 ? "place" : "places"} covered` : ""}`;
}

type WaysProps = { copies: Copies; wanted: Wanted; onMail: () => void; onGiven: () => void };

/** How copies that were looked at can be given; the last one is what was asked for. */
function Ways({ copies, wanted, onMail, onGiven }: WaysProps) {
  const mayChange = useMayChange();
  const { give, mayGive, known } = copies;
  const take = (way: "DOWNLOAD" | "PRINT" | "PORTAL") => give.mutate({ way }, { onSuccess: onGiven });
  const isGuest = Boolean(known?.accountId);
  const pending = (way: string) => give.isPending && give.variables?.way === way;
  return (
    <>
      {mayChange && (
        <Button disabled={!mayGive} onClick={onMail}>
          By mail …
        </Button>
      )}
      {mayChange && wanted !== "PORTAL" && isGuest && (
        <Button disabled={!mayGive} loading={pending("PORTAL")} onClick={() => take("PORTAL")}>
          Share in the portal
        </Button>
      )}
      <Button disabled={!mayGive} loading={pending("PRINT")} onClick={() => take("PRINT")}>
        Print
      </Button>
      <Button
        type={wanted === "PORTAL" ? "default" : "primary"}
        disabled={!mayGive}
        loading={pending("DOWNLOAD")}
        onClick={() => take("DOWNLOAD")}
      >
        {wanted === "PORTAL" ? "Download" : `Download for ${whom(copies)}`}
      </Button>
      {mayChange && wanted === "PORTAL" && (
        <Button
          type="primary"
          disabled={!mayGive || !isGuest}
          loading={pending("PORTAL")}
          onClick={() => take("PORTAL")}
        >
          Share with {whom(copies)}
        </Button>
      )}
    </>
  );
}

/** The person, those around, guests; or any name. */
function ReaderName({ copies, wanted }: { copies: Copies; wanted: Wanted }) {
  const { reader, readers } = copies;
  const offered = readers
    .filter((r) => wanted !== "PORTAL" || r.accountId)
    .filter((r) => r.name.toLowerCase().includes(reader.trim().toLowerCase()) && r.name !== reader)
    .map((r) => ({ value: r.name, label: `${r.name}, ${r.is}` }));
  return (
    <>
      <label htmlFor="copy-reader">{wanted === "PORTAL" ? "Who is it for?" : "Their name"}</label>
      <AutoComplete
        id="copy-reader"
        autoFocus
        value={reader}
        maxLength={120}
        placeholder={wanted === "PORTAL" ? "a guest of the portal" : "a name, such as an insurer"}
        options={offered}
        open={offered.length === 0 ? false : undefined}
        onChange={copies.setReader}
      />
    </>
  );
}

function WhatTheySee({ copies: { wish, setWish } }: { copies: Copies }) {
  const { sees, opensCovers } = useMarking();
  return (
    <fieldset>
      <legend>What will they see?</legend>
      {sees && (
        <Checkbox checked={wish.marks} onChange={(e) => setWish({ marks: e.target.checked })}>
          our highlights, notes, stamps and drawings
        </Checkbox>
      )}
      <Checkbox checked={wish.foot} onChange={(e) => setWish({ foot: e.target.checked })}>
        a line at the foot: which copy, and whose
      </Checkbox>
      {opensCovers && (
        <Checkbox checked={wish.open} onChange={(e) => setWish({ open: e.target.checked })}>
          what is covered, left open
        </Checkbox>
      )}
    </fieldset>
  );
}

/** How the copies came out, and what is to be decided about them. */
function BeforeItLeaves({ copies }: { copies: Copies }) {
  const { draft, papers, readable, evenIfReadable, setEvenIfReadable } = copies;
  return (
    <>
      {draft.isPending && <p className="muted">The copy is made and checked …</p>}
      {draft.error && <Alert type="error" title={wordsOf(draft.error)} />}
      {draft.data?.map((copy) => (
        <AboutCopy key={copy.id} copy={copy} several={papers.length > 1} />
      ))}
      {readable.length > 0 && (
        <Alert
          type="warning"
          title="Covered words can be read elsewhere"
          description={
            <>
              <ul>
                {readable.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
              <Checkbox checked={evenIfReadable} onChange={(e) => setEvenIfReadable(e.target.checked)}>
                Leave them readable there
              </Checkbox>
            </>
          }
        />
      )}
    </>
  );
}

/** Keeps the papers in their order, to be given again. */
function useKept({ papers, title }: Copies) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () =>
      answer(api.POST("/api/bundles", { body: { name: title, documents: papers.map((p) => p.id) } })),
    onSuccess: () => {
      message.success(`Saved. You find “${title.trim()}” in the details of each file it has papers of.`);
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
}
