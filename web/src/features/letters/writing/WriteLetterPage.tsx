import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Checkbox, Modal, Popconfirm } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { answer, api, done, type Shape, wordsOf } from "../../../api/client";
import { day } from "../../../ui/days";
import { Pages } from "../../../ui/Pages";
import { Loaded } from "../../../ui/Quiet";
import { Where } from "../../../ui/Where";
import { useMayChange } from "../../asof/asOf";
import { AskField } from "../AskField";
import { type Letter, languageName, letterOptions, type Piece } from "../letterQueries";
import { RichEditor } from "../RichEditor";
import { firstWords } from "../richText";
import { AfterFiling } from "./AfterFiling";
import { Attached } from "./Attached";
import { ExcerptButton } from "./ExcerptButton";
import { mergeWriting } from "./mergeWriting";
import "../letters.css";

const PAGE_WIDTH = 720;

/** So long nothing is typed before it is kept and laid out anew, in ms. */
const PAUSE = 700;

type Writing = Shape<"WrittenSoFar">;

/** A letter while it is written: what is missing and may be changed, beside the paper as it will look. */
export function WriteLetterPage() {
  const { id = "" } = useParams();
  const letter = useQuery({ ...letterOptions(id), staleTime: 0 });
  return <Loaded query={letter}>{(found) => <Write key={found.id} letter={found} />}</Loaded>;
}

function Write({ letter }: { letter: Letter }) {
  const { message } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mayChange = useMayChange() && !letter.documentId;
  const params = { path: { id: letter.id } };
  const { writing, change, kept, keepNow, takeUp } = useKept(letter);
  const pages = useQuery({
    queryKey: ["letters", letter.id, "pages", letter.changes],
    queryFn: () => answer(api.POST("/api/letters/{id}/pages", { params })),
    // the former pages stay until the new ones are there
    placeholderData: (before: Shape<"PagesAnswer"> | undefined) => before,
    enabled: !letter.documentId,
  });
  const file = useMutation({
    mutationFn: async () =>
      answer(api.POST("/api/letters/{id}/filing", { params, body: { changes: await keepNow() } })),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["letters"] });
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  const keepInFile = useMutation({
    mutationFn: async ({ name }: { name: string; label: string }) =>
      answer(
        api.POST("/api/letters/{id}/kept-answers", { params, body: { changes: await keepNow(), name } }),
      ),
    onSuccess: (_, { label }) => {
      message.success(`Saved in the file: ${label}.`);
      queries.invalidateQueries({ queryKey: ["files"] });
      return takeUp();
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const discard = useMutation({
    mutationFn: () => done(api.DELETE("/api/letters/{id}", { params })),
    onSuccess: () => {
      queries.removeQueries({ queryKey: ["letters", letter.id] });
      queries.invalidateQueries({ queryKey: ["letters"] });
      navigate(`/files/${letter.fileId}`);
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const set = (part: Partial<Writing>) => change({ ...writing, ...part });
  const open = letter.asks.filter((a) => a.mustBeKnown).length;
  return (
    <div className="write-letter">
      <Where>
        <Link to={`/files/${letter.fileId}`}>{letter.person}</Link> <span className="muted">·</span>{" "}
        <strong>{letter.model}</strong>
      </Where>
      <section className="write-letter-sheet" aria-label="The letter">
        <div>
          <h1>{letter.model}</h1>
          <div className="muted">
            {letter.person} · takes effect {day(letter.effectiveOn)} · {languageName(letter.language)},
            version {letter.version}
          </div>
        </div>
        {letter.documentId && <AfterFiling documentId={letter.documentId} />}
        {letter.asks.length > 0 && <h2>Asked for</h2>}
        {letter.asks.map((ask) => (
          <AskField
            key={ask.name}
            ask={ask}
            value={writing.answers[ask.name] ?? ""}
            mayChange={mayChange}
            onChange={(value) => set({ answers: { ...writing.answers, [ask.name]: value } })}
            onKeep={
              mayChange && ask.keepable && writing.answers[ask.name]?.trim()
                ? () => keepInFile.mutate(ask)
                : undefined
            }
          />
        ))}
        <h2>Parts</h2>
        <div>
          {letter.blocks.map((block) => (
            <BlockLine
              key={block.id}
              block={block}
              fileId={letter.fileId}
              mayChange={mayChange}
              isLeftOut={writing.leftOut.includes(block.id)}
              onLeftOut={(out) =>
                set({
                  leftOut: out
                    ? [...writing.leftOut, block.id]
                    : writing.leftOut.filter((other) => other !== block.id),
                })
              }
              onCorrect={(pieces) => {
                const { [block.id]: _, ...others } = writing.corrected;
                set({ corrected: pieces ? { ...others, [block.id]: pieces } : others });
              }}
            />
          ))}
        </div>
        <Attached letter={letter} writing={writing} mayChange={mayChange} onChange={set} />
        {kept.error ? (
          <Alert
            type="error"
            title={wordsOf(kept.error)}
            action={
              <Button size="small" onClick={() => takeUp().catch((failed) => message.error(wordsOf(failed)))}>
                Keep both
              </Button>
            }
          />
        ) : null}
        {file.error ? <Alert type="error" title={wordsOf(file.error)} /> : null}
        {mayChange && (
          <div className="buttons">
            <Button
              type="primary"
              disabled={!letter.ready && kept.isSettled}
              loading={file.isPending}
              onClick={() => file.mutate()}
            >
              File it
            </Button>
            <Popconfirm
              title="Throw this letter away?"
              okText="Throw away"
              onConfirm={() => discard.mutate()}
            >
              <Button>Throw away</Button>
            </Popconfirm>
            <span className="muted" aria-live="polite">
              {kept.isSettled ? "Saved" : "Saving …"}
            </span>
          </div>
        )}
        {mayChange && open > 0 && (
          <p className="muted">
            {open === 1 ? "1 answer is" : `${open} answers are`} missing before it can be filed.
          </p>
        )}
      </section>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
      <section className="page-desk letter-pages" tabIndex={0} aria-label="The paper as it will look">
        {pages.error ? <Alert type="error" title={wordsOf(pages.error)} /> : null}
        {pages.isPending && !letter.documentId && <p className="muted">The paper is laid out …</p>}
        {pages.data && (
          <Pages
            count={pages.data.pages}
            width={PAGE_WIDTH}
            name={letter.model}
            source={(page) => `/api/letters/${letter.id}/pages/${page}?width=900&key=${pages.data.key}`}
          />
        )}
      </section>
    </div>
  );
}

/** What was written, kept by itself shortly after each change, one after the other. */
function useKept(letter: Letter) {
  const queries = useQueryClient();
  const [writing, setWriting] = useState(letter.writing);
  const [error, setError] = useState<unknown>();
  const [waits, setWaits] = useState(false);
  const changes = useRef(letter.changes);
  // as the server last had it
  const base = useRef(letter.writing);
  const newest = useRef<Writing | undefined>(undefined);
  const running = useRef<Promise<void>>(Promise.resolve());
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const keep = () => {
    running.current = running.current.then(async () => {
      const writing = newest.current;
      if (!writing) {
        return;
      }
      newest.current = undefined;
      const kept = await answer(
        api.PUT("/api/letters/{id}", {
          params: { path: { id: letter.id } },
          body: { changes: changes.current, writing },
        }),
      );
      changes.current = kept.changes;
      base.current = writing;
      setError(undefined);
      await queries.invalidateQueries({ queryKey: letterOptions(letter.id).queryKey, exact: true });
      setWaits(newest.current !== undefined);
    });
    running.current = running.current.catch((failed) => {
      setError(failed);
      setWaits(false);
    });
    return running.current;
  };
  const change = (next: Writing) => {
    setWriting(next);
    setWaits(true);
    newest.current = next;
    clearTimeout(timer.current);
    timer.current = setTimeout(keep, PAUSE);
  };
  // whoever leaves the page leaves nothing unkept
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when the page is left
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      if (newest.current) {
        keep();
      }
    },
    [],
  );
  /** Takes what somebody else wrote meanwhile together with what was written here. */
  const takeUp = async () => {
    const theirs = await queries.fetchQuery({ ...letterOptions(letter.id), staleTime: 0 });
    changes.current = theirs.changes;
    const both = mergeWriting(base.current, writing, theirs.writing);
    base.current = theirs.writing;
    setError(undefined);
    change(both);
  };
  const keepNow = async () => {
    clearTimeout(timer.current);
    await keep();
    return changes.current;
  };
  return { writing, change, kept: { error, isSettled: !waits }, keepNow, takeUp };
}

type BlockLineProps = {
  block: Shape<"BlockAnswer">;
  fileId: string;
  mayChange: boolean;
  isLeftOut: boolean;
  onLeftOut: (out: boolean) => void;
  /** Undefined to go back to the words of the model. */
  onCorrect: (pieces: Piece[] | undefined) => void;
};

function BlockLine({ block, fileId, mayChange, isLeftOut, onLeftOut, onCorrect }: BlockLineProps) {
  const [edited, setEdited] = useState<Piece[]>();
  const words = block.name ?? firstWords(block.content, 48);
  return (
    <div className="letter-block">
      {block.optional ? (
        <Checkbox checked={!isLeftOut} disabled={!mayChange} onChange={(e) => onLeftOut(!e.target.checked)}>
          {words}
        </Checkbox>
      ) : (
        <span>{words}</span>
      )}
      <span>
        {block.differs && <span className="clay">differs from the model </span>}
        {mayChange && !block.locked && !isLeftOut && (
          <Button size="small" aria-label={`Correct ${words}`} onClick={() => setEdited(block.words)}>
            Correct
          </Button>
        )}
        {mayChange && block.differs && (
          <Button size="small" type="text" onClick={() => onCorrect(undefined)}>
            As in the model
          </Button>
        )}
      </span>
      {edited && (
        <Modal
          title="For this letter only"
          open
          width={760}
          okText="Use it"
          onOk={() => {
            onCorrect(edited);
            setEdited(undefined);
          }}
          onCancel={() => setEdited(undefined)}
        >
          <RichEditor
            pieces={block.words}
            label={words}
            onChange={setEdited}
            more={(editor) => <ExcerptButton editor={editor} fileId={fileId} />}
          />
        </Modal>
      )}
    </div>
  );
}
