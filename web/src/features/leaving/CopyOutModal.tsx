import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, AutoComplete, Button, Checkbox, Input, Modal, Radio } from "antd";
import { useState } from "react";
import { answer, api, done, Problem, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { usualCopiesOptions } from "../../api/usualCopies";
import { InOrder } from "../../ui/InOrder";
import { Pages } from "../../ui/Pages";
import { useMayChange } from "../asof/asOf";
import { useMarking } from "../marks/markQueries";
import { bundlesOptions, type Draft, readersOptions } from "./copyQueries";
import { MailForm, useMailLetter } from "./MailForm";
import "./leaving.css";

const PAGE_WIDTH = 440;

type CopyOutModalProps = {
  /** The file all of them lie in; undefined when they may lie in several. */
  fileId?: string | undefined;
  papers: Paper[];
  /** What they are given as again and again; its name goes with the copies. */
  bundle?: { id: string; name: string };
  /** Whom it is for, where that is known. */
  to?: string;
  onClose: () => void;
};

type Paper = { id: string; name: string };
type Way = "DOWNLOAD" | "PRINT" | "MAIL";
type As = "JOINED" | "ZIP";

/** Two questions before a copy leaves: who is it for, and, seen as pages, what will they see. */
export function CopyOutModal({ fileId, papers: chosen, bundle, to, onClose }: CopyOutModalProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const { sees, opensCovers } = useMarking();
  const [papers, setPapers] = useState(chosen);
  const [as, setAs] = useState<As>("JOINED");
  const [title, setTitle] = useState(bundle?.name ?? "");
  const [reader, setReader] = useState(to ?? "");
  // what was chosen by hand; before that what readers of this kind usually get
  const [chosenMarks, setMarks] = useState<boolean>();
  const [open, setOpen] = useState(false);
  const [chosenFoot, setFoot] = useState<boolean>();
  const [evenIfReadable, setEvenIfReadable] = useState(false);
  const [byMail, setByMail] = useState(false);
  const [again, setAgain] = useState(false);
  const mayChange = useMayChange();
  const practice = useQuery(practiceOptions).data;
  const readers = useQuery({ ...readersOptions(fileId ?? ""), enabled: fileId !== undefined }).data ?? [];
  const offered = readers
    .filter((r) => r.name.toLowerCase().includes(reader.trim().toLowerCase()) && r.name !== reader)
    .map((r) => ({ value: r.name, label: `${r.name}, ${r.is}` }));
  const known = readers.find((r) => r.name === reader.trim());
  const kind = known?.kind ?? "OTHER";
  const usual = useQuery(usualCopiesOptions).data?.find((u) => u.kind === kind);
  const marks = sees && (chosenMarks ?? usual?.marks ?? false);
  const foot = chosenFoot ?? usual?.foot ?? true;
  const { letter, change: changeLetter } = useMailLetter({
    practice: practice?.name ?? "",
    reader: reader.trim(),
    email: known?.email ?? "",
    today: practice?.today ?? "",
  });
  const draft = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/copies-out", {
          body: {
            documents: papers.map((p) => p.id),
            reader: { kind, name: reader.trim() },
            marks,
            open,
            foot,
          },
        }),
      ),
    onSuccess: () => setEvenIfReadable(false),
  });
  const give = useMutation({
    mutationFn: async (way: Way) => {
      const copies = (draft.data ?? []).map((c) => c.id);
      if (way === "MAIL") {
        const { to, subject, words, asLink, endsOn } = letter;
        const together = copies.length > 1 && as === "JOINED" ? title.trim() : undefined;
        await answer(
          api.POST("/api/copies-out/mail", {
            body: {
              copies,
              to: to.trim(),
              subject,
              words,
              endsOn: asLink ? endsOn : undefined,
              title: together,
              evenIfReadable,
            },
          }),
        );
      } else {
        await done(api.POST("/api/copies-out/give", { body: { copies, way, evenIfReadable } }));
      }
      if (bundle) {
        await done(api.POST("/api/bundles/{id}/given", { params: { path: { id: bundle.id } } }));
      }
    },
    onSuccess: (_, way) => {
      if (way === "MAIL") {
        message.success(`On its way to ${letter.to.trim()}. The details of the file tell what became of it.`);
      } else {
        fetchCopies(draft.data ?? [], way, as, title);
        message.success(`${copiesInWords(draft.data ?? [])} for ${reader.trim()} is recorded.`);
      }
      queries.invalidateQueries({ queryKey: ["files"] });
      if (again) {
        nextReader();
      } else {
        onClose();
      }
    },
  });
  /** The same papers for somebody else. */
  const nextReader = () => {
    setReader("");
    setByMail(false);
    changeLetter({ to: undefined, words: undefined });
    draft.reset();
    give.reset();
  };
  // what was looked at is no longer what would be given
  const changes = (change: () => void) => {
    change();
    draft.reset();
    give.reset();
  };
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/files/{id}/bundles", {
          params: { path: { id: fileId ?? "" } },
          body: { name: title, documents: papers.map((p) => p.id) },
        }),
      ),
    onSuccess: () => {
      message.success(`Saved. You find “${title.trim()}” in the details of the file.`);
      queries.invalidateQueries({ queryKey: bundlesOptions(fileId ?? "").queryKey });
    },
  });
  const readable = (draft.data ?? []).flatMap((c) => c.stillReadable);
  // that they see what they shall was decided before
  const writes = draft.data !== undefined && byMail;
  const mayGive = draft.data !== undefined && (readable.length === 0 || evenIfReadable);
  const covered = (draft.data ?? []).reduce((sum, c) => sum + c.covered, 0);
  const whom = `${reader.trim() || "…"}${covered > 0 ? `, ${covered} ${covered === 1 ? "place" : "places"} covered` : ""}`;
  const what = `for ${whom}`;
  return (
    <Modal
      title={papers.length === 1 ? `A copy of “${papers[0]?.name}”` : `Copies of ${papers.length} papers`}
      open
      width={920}
      style={{ top: 32 }}
      onCancel={onClose}
      footer={
        writes ? (
          <>
            <Button onClick={() => setByMail(false)}>Not by mail</Button>
            <Button
              type="primary"
              disabled={!mayGive || letter.to.trim() === "" || (letter.asLink && letter.endsOn === "")}
              loading={give.isPending}
              onClick={() => give.mutate("MAIL")}
            >
              Send to {whom}
            </Button>
          </>
        ) : draft.data ? (
          <>
            {mayChange && (
              <Button disabled={!mayGive} onClick={() => setByMail(true)}>
                By mail …
              </Button>
            )}
            <Button disabled={!mayGive} loading={give.isPending} onClick={() => give.mutate("PRINT")}>
              Print {what}
            </Button>
            <Button
              type="primary"
              disabled={!mayGive}
              loading={give.isPending}
              onClick={() => give.mutate("DOWNLOAD")}
            >
              Download {what}
            </Button>
          </>
        ) : (
          <Button
            type="primary"
            disabled={reader.trim() === ""}
            loading={draft.isPending}
            onClick={() => draft.mutate()}
          >
            Show what they will see
          </Button>
        )
      }
    >
      <div className="copy-out">
        <div className="copy-questions">
          <label htmlFor="copy-reader">Who is it for?</label>
          <AutoComplete
            id="copy-reader"
            autoFocus
            value={reader}
            maxLength={120}
            placeholder="a name, such as an insurer"
            options={offered}
            open={offered.length === 0 ? false : undefined}
            onChange={(value: string) => changes(() => setReader(value))}
          />
          <fieldset hidden={writes}>
            <legend>What will they see?</legend>
            {sees && (
              <Checkbox checked={marks} onChange={(e) => changes(() => setMarks(e.target.checked))}>
                our highlights, notes, stamps and drawings
              </Checkbox>
            )}
            <Checkbox checked={foot} onChange={(e) => changes(() => setFoot(e.target.checked))}>
              a line at the foot: which copy, and whose
            </Checkbox>
            {opensCovers && (
              <Checkbox checked={open} onChange={(e) => changes(() => setOpen(e.target.checked))}>
                what is covered, left open
              </Checkbox>
            )}
          </fieldset>
          {papers.length > 1 && !writes && (
            <Together
              papers={papers}
              onPapers={(next) => changes(() => setPapers(next))}
              as={as}
              onAs={setAs}
              title={title}
              onTitle={setTitle}
              keep={bundle || !fileId ? undefined : keep}
            />
          )}
          <Checkbox checked={again} onChange={(e) => setAgain(e.target.checked)}>
            then for somebody else too
          </Checkbox>
          {draft.isPending && <p className="muted">The copy is made and checked …</p>}
          {draft.error && <Alert type="error" title={wordsOf(draft.error)} />}
          {draft.data?.map((copy) => (
            <About key={copy.id} copy={copy} several={papers.length > 1} />
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
          {writes && <MailForm letter={letter} onChange={changeLetter} known={readers} />}
          {give.error && (
            <Alert
              type="error"
              title={wordsOf(give.error)}
              action={
                give.error instanceof Problem &&
                give.error.code === "changed" && (
                  <Button size="small" onClick={() => changes(() => draft.mutate())}>
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
    </Modal>
  );
}

function copiesInWords(copies: Draft[]): string {
  const numbers = copies.map((c) => c.number).join(", ");
  return copies.length === 1 ? `Copy ${numbers}` : `Copies ${numbers}`;
}

function About({ copy, several }: { copy: Draft; several: boolean }) {
  return (
    <div className="copy-about">
      <strong>
        Copy {copy.number}
        {several && ` of “${copy.paper}”`}
      </strong>
      <div>
        {copy.covered > 0
          ? `${copy.covered} ${copy.covered === 1 ? "place is" : "places are"} covered. Nothing beneath is in the copy: it was read again and checked. A seal stays with the original.`
          : copy.isOriginal
            ? "They get the paper itself, byte for byte, with its seal if it has one."
            : "Nothing is covered. A seal stays with the original."}
      </div>
      {copy.moved > 0 && (
        <div className="clay">
          {copy.moved === 1 ? "1 cover was" : `${copy.moved} covers were`} carried over from an earlier
          version. Check on the pages that nothing is left open.
        </div>
      )}
    </div>
  );
}

/** What is fetched is one file, also of several copies. */
function fetchCopies(copies: Draft[], way: Way, as: As, title: string) {
  const [one] = copies;
  const several = new URLSearchParams({ copies: copies.map((c) => c.id).join(","), title: title.trim() });
  const address =
    copies.length === 1
      ? `/api/copies-out/${one?.id}/content?`
      : as === "ZIP" && way === "DOWNLOAD"
        ? `/api/copies-out/zipped?${several}`
        : `/api/copies-out/joined?${several}`;
  if (way === "PRINT") {
    window.open(`${address}&inTab=true`, "_blank", "noopener");
    return;
  }
  const link = document.createElement("a");
  link.href = address;
  link.download = "";
  link.click();
}

type TogetherProps = {
  papers: Paper[];
  onPapers: (papers: Paper[]) => void;
  as: As;
  onAs: (as: As) => void;
  title: string;
  onTitle: (title: string) => void;
  /** Undefined for a bundle that is kept already. */
  keep?: { isPending: boolean; error: unknown; mutate: () => void };
};

/** Several papers that leave together: their order, what they become, and what they are called. */
function Together({ papers, onPapers, as, onAs, title, onTitle, keep }: TogetherProps) {
  return (
    <div className="copy-together">
      <InOrder items={papers} onItems={onPapers} />
      <Radio.Group
        value={as}
        onChange={(e) => onAs(e.target.value)}
        options={[
          { value: "JOINED", label: "one PDF with contents and bookmarks" },
          { value: "ZIP", label: "a ZIP" },
        ]}
      />
      <div className="copy-title">
        <Input
          aria-label="Title"
          placeholder="title, such as Inspections of the yard"
          maxLength={120}
          value={title}
          onChange={(e) => onTitle(e.target.value)}
        />
        {keep && (
          <Button disabled={title.trim() === ""} loading={keep.isPending} onClick={() => keep.mutate()}>
            Save as a bundle
          </Button>
        )}
      </div>
      {keep?.error ? <Alert type="error" title={wordsOf(keep.error)} /> : null}
    </div>
  );
}
