import { CheckOutlined, DeleteOutlined, EditOutlined } from "@ant-design/icons";
import { Button, Input } from "antd";
import { useEffect, useRef, useState } from "react";
import { day } from "../../ui/days";
import { fits } from "./fits";
import { MarkFilters } from "./MarkFilters";
import { KIND_WORDS, type Mark, type MarkKind, type MarkShape } from "./markQueries";

type MarkMarginProps = {
  marks: Mark[];
  /** What stands on the paper itself, put there by other programs. */
  others?: Other[];
  onGoToOther?: (other: Other) => void;
  page: number;
  chosen?: string;
  mayMake: boolean;
  onGoTo: (mark: Mark) => void;
  onChange: (mark: Mark, shape: MarkShape) => void;
  onRemove: (mark: Mark) => void;
  onAsk: () => void;
  onCoverWords: () => void;
};

type Other = {
  id: string;
  page: number;
  kind: string;
  text: string;
  author: string;
  on?: string;
  top: number;
};

/** From so many on they are looked for rather than looked through. */
const MANY = 6;

/** All that was put on the pages of a paper, in their order. */
export function MarkMargin(props: MarkMarginProps) {
  const {
    marks,
    others = [],
    onGoToOther,
    page,
    chosen,
    mayMake,
    onGoTo,
    onChange,
    onRemove,
    onAsk,
    onCoverWords,
  } = props;
  const [words, setWords] = useState("");
  const [kind, setKind] = useState<MarkKind>();
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    if (chosen) {
      list.current?.querySelector(`[data-mark="${chosen}"]`)?.scrollIntoView?.({ block: "nearest" });
    }
  }, [chosen]);
  const shown = marks.filter((m) => fits(m, kind, words));
  return (
    <aside className="mark-margin" aria-label="Marks">
      {marks.length > MANY && (
        <MarkFilters words={words} onWords={setWords} kind={kind} onKind={setKind} hint="words, author" />
      )}
      {marks.length === 0 && (
        <p className="muted">
          {others.length > 0 ? "Nothing is marked by us yet." : "Nothing is marked yet."}
          {mayMake && " Select words, or drag over a place on the page, and choose what it becomes."}
        </p>
      )}
      {marks.length > 0 && shown.length === 0 && <p className="muted">No marks match.</p>}
      <ul className="plain-list" ref={list}>
        {shown.map((mark, i) => (
          <li key={mark.id} data-mark={mark.id} className={mark.id === chosen ? "chosen" : undefined}>
            {mark.page !== shown[i - 1]?.page && <h3>Page {mark.page}</h3>}
            <Entry
              mark={mark}
              mayMake={mayMake}
              onGoTo={() => onGoTo(mark)}
              onChange={(shape) => onChange(mark, shape)}
              onRemove={() => onRemove(mark)}
            />
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <section aria-label="On the paper itself">
          <h3>On the paper itself</h3>
          <ul className="plain-list">
            {others.map((other) => (
              <li key={other.id}>
                <button type="button" className="mark-entry" onClick={() => onGoToOther?.(other)}>
                  <strong>{other.kind}</strong>
                  {other.text && <span className="mark-said">{other.text}</span>}
                  <span className="muted">{toldOf(other)}</span>
                </button>
              </li>
            ))}
          </ul>
          <p className="muted">They came with the PDF.</p>
        </section>
      )}
      {mayMake && (
        <div className="mark-acts">
          <Button size="small" onClick={onAsk}>
            Mark page {page}
          </Button>
          <Button size="small" onClick={onCoverWords}>
            Cover words …
          </Button>
        </div>
      )}
    </aside>
  );
}

function toldOf({ page, author, on }: Other): string {
  return [`page ${page}`, author, on && day(on)].filter(Boolean).join(", ");
}

type EntryProps = {
  mark: Mark;
  mayMake: boolean;
  onGoTo: () => void;
  onChange: (shape: MarkShape) => void;
  onRemove: () => void;
};

function Entry({ mark, mayMake, onGoTo, onChange, onRemove }: EntryProps) {
  const { shape } = mark;
  const [text, setText] = useState<string>();
  const said = shape.text ?? shape.reason;
  const field = shape.kind === "COVER" ? "reason" : "text";
  const save = () => {
    onChange({ ...shape, [field]: text });
    setText(undefined);
  };
  return (
    <>
      <button type="button" className="mark-entry" onClick={onGoTo}>
        <strong>{KIND_WORDS[shape.kind]}</strong>
        {said && <span className="mark-said">{said}</span>}
        <span className="muted">
          {mark.by}, {day(mark.at)}
        </span>
      </button>
      {mark.carriedFrom !== undefined && mark.carriedFrom !== null && (
        <p className="mark-carried">
          Carried over from version {mark.carriedFrom}. Check that it is still in the right place.
        </p>
      )}
      {text !== undefined && (
        <>
          <Input.TextArea
            aria-label={field === "reason" ? "Reason" : "Words"}
            autoFocus
            rows={3}
            maxLength={shape.kind === "COVER" ? 80 : shape.kind === "STAMP" ? 120 : 2000}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === "Escape") {
                e.stopPropagation();
                setText(undefined);
              }
            }}
          />
          <Button
            size="small"
            type="primary"
            disabled={(shape.kind === "NOTE" || shape.kind === "STAMP") && text.trim() === ""}
            onClick={save}
          >
            Save
          </Button>
        </>
      )}
      {mayMake && mark.mayChange && text === undefined && (
        <span className="mark-tools">
          {mark.carriedFrom !== undefined && mark.carriedFrom !== null && (
            <Button size="small" type="text" icon={<CheckOutlined />} onClick={() => onChange(shape)}>
              Still right
            </Button>
          )}
          {shape.kind !== "PEN" && shape.kind !== "ARROW" && (
            <Button
              size="small"
              type="text"
              icon={<EditOutlined />}
              aria-label={`Change ${KIND_WORDS[shape.kind].toLowerCase()}`}
              onClick={() => setText(said ?? "")}
            />
          )}
          <Button
            size="small"
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove ${KIND_WORDS[shape.kind].toLowerCase()}`}
            onClick={onRemove}
          />
        </span>
      )}
    </>
  );
}
