import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Input, Segmented } from "antd";
import { type PointerEvent, useState } from "react";
import { Pages } from "../../../ui/Pages";
import { Loaded } from "../../../ui/Quiet";
import { type FormPlace, formOptions, type LetterForm, type ModelWords, type OnForm } from "../letterQueries";
import { type Bound, bind, boundOf, changeBox, placeAt, unbind } from "./formDraft";
import { FRESH_PLACE, PlaceForm } from "./PlaceForm";

type FormWords = ModelWords & { form: OnForm };

type FormEditorProps = {
  words: FormWords;
  names: { name: string; label: string }[];
  onChange: (words: FormWords) => void;
};

const WIDTH = 600;

/** A form of others: what stands in which of its fields, and at places that have none. */
export function FormEditor(props: FormEditorProps) {
  const form = useQuery(formOptions(props.words.form.formId));
  return <Loaded query={form}>{(found) => <Fields {...props} form={found} />}</Loaded>;
}

const keyOf = ({ box }: Bound) => box.field ?? box.block;

function Fields({ words, names, onChange, form }: FormEditorProps & { form: LetterForm }) {
  const [chosen, setChosen] = useState<string>();
  const [kind, setKind] = useState<"TEXT" | "TICK">("TEXT");
  const all = boundOf(form, words);
  const bound = all.find((b) => keyOf(b) === chosen);
  const open = all.filter((b) => !b.place).length;
  const drop = (page: number, left: number, top: number) => {
    const box = placeAt(kind, page, left, top);
    const next = bind(words, { box, label: "A place", place: undefined, choices: [] }, FRESH_PLACE);
    onChange(next);
    setChosen(next.blocks[next.blocks.length - 1]?.id);
  };
  return (
    <div className="form-editor">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
      <section className="page-desk form-pages" tabIndex={0} aria-label={`Pages of ${form.name}`}>
        <Pages
          count={form.pages}
          width={WIDTH}
          name={form.name}
          source={(page) => `/api/letter-forms/${form.id}/pages/${page}?width=900`}
          onPageClick={drop}
          over={(page) =>
            all
              .filter((b) => b.box.page === page)
              .map((b) => (
                <FieldOnPage
                  key={keyOf(b)}
                  bound={b}
                  isChosen={keyOf(b) === chosen}
                  onChoose={() => setChosen(keyOf(b))}
                  onMove={(part) => onChange(changeBox(words, b.box.block, part))}
                />
              ))
          }
        />
      </section>
      <section className="form-side" aria-label="Fields">
        <p className="muted">
          {form.name}, {form.fields.length === 0 ? "a form without fields" : `${form.fields.length} fields`}.
          Choose a field on the page, or click where there is none to place one.
        </p>
        <Segmented
          size="small"
          aria-label="What a click places"
          value={kind}
          onChange={setKind}
          options={[
            { value: "TEXT", label: "places text" },
            { value: "TICK", label: "places a tick" },
          ]}
        />
        <Checkbox
          checked={words.form.leaveOpen}
          onChange={(e) => onChange({ ...words, form: { ...words.form, leaveOpen: e.target.checked } })}
        >
          its fields can still be changed once it is filed
        </Checkbox>
        {bound && (
          <OneField key={keyOf(bound)} bound={bound} words={words} names={names} onChange={onChange} />
        )}
        <h3>Fields{open > 0 && <span className="muted"> · {open} not filled by anything</span>}</h3>
        <ul className="plain-list">
          {all.map((b) => (
            <li key={keyOf(b)}>
              <button type="button" className="linklike" onClick={() => setChosen(keyOf(b))}>
                {b.label}
              </button>{" "}
              <span className="muted">{b.place?.what ? `{${b.place.what}}` : "stays empty"}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

type OneFieldProps = { bound: Bound; words: FormWords } & Omit<FormEditorProps, "words">;

function OneField({ bound, words, names, onChange }: OneFieldProps) {
  const { box, label, place, choices } = bound;
  return (
    <div className="place-form form-field">
      {box.field ? (
        <strong>{label}</strong>
      ) : (
        <Input
          aria-label="What it is called"
          maxLength={60}
          value={label}
          onChange={(e) =>
            onChange({
              ...words,
              blocks: words.blocks.map((b) => (b.id === box.block ? { ...b, name: e.target.value } : b)),
            })
          }
        />
      )}
      {choices.length > 0 && <span className="muted">One of: {choices.join(", ")}</span>}
      <PlaceForm
        place={place ?? FRESH_PLACE}
        names={names}
        onChange={(next) => onChange(bind(words, bound, next))}
      />
      {box.kind === "TICK" && box.block && (
        <Input
          aria-label="Ticked when it is"
          placeholder="ticked when it is, such as yes; empty for anything but no"
          maxLength={200}
          value={box.tickedIf ?? ""}
          onChange={(e) => onChange(changeBox(words, box.block, { tickedIf: e.target.value || null }))}
        />
      )}
      {!box.field && (
        <div className="buttons">
          <Button
            size="small"
            onClick={() => onChange(changeBox(words, box.block, { width: box.width + 0.02 }))}
          >
            Wider
          </Button>
          <Button
            size="small"
            onClick={() => onChange(changeBox(words, box.block, { width: box.width - 0.02 }))}
          >
            Narrower
          </Button>
          <Button
            size="small"
            onClick={() => onChange(changeBox(words, box.block, { height: box.height + 0.006 }))}
          >
            Higher
          </Button>
          <Button
            size="small"
            onClick={() => onChange(changeBox(words, box.block, { height: box.height - 0.006 }))}
          >
            Lower
          </Button>
        </div>
      )}
      {box.block && (
        <Button size="small" onClick={() => onChange(unbind(words, box.block))}>
          {box.field ? "Leave it empty" : "Take it away"}
        </Button>
      )}
    </div>
  );
}

type FieldOnPageProps = {
  bound: Bound;
  isChosen: boolean;
  onChoose: () => void;
  onMove: (part: Partial<FormPlace>) => void;
};

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-0.005, 0],
  ArrowRight: [0.005, 0],
  ArrowUp: [0, -0.004],
  ArrowDown: [0, 0.004],
};

/** Fields stay where the form has them; places of our own are moved by pointer and by key. */
function FieldOnPage({ bound, isChosen, onChoose, onMove }: FieldOnPageProps) {
  const { box, label, place } = bound;
  const [grip, setGrip] = useState<{ x: number; y: number }>();
  const isOwn = !box.field;
  const move = (e: PointerEvent<HTMLButtonElement>) => {
    const page = e.currentTarget.parentElement?.getBoundingClientRect();
    if (grip && page) {
      onMove({
        left: (e.clientX - grip.x - page.left) / page.width,
        top: (e.clientY - grip.y - page.top) / page.height,
      });
    }
  };
  return (
    <button
      type="button"
      className={`form-box${isChosen ? " now" : ""}${place?.what ? " bound" : ""}`}
      aria-pressed={isChosen}
      aria-label={`${label}, page ${box.page}${isOwn ? "; move it with the arrow keys" : ""}`}
      title={place?.what ? `{${place.what}}` : `${label}: stays empty`}
      style={{
        left: `${box.left * 100}%`,
        top: `${box.top * 100}%`,
        width: `${box.width * 100}%`,
        height: `${box.height * 100}%`,
      }}
      onClick={(e) => {
        e.stopPropagation();
        onChoose();
      }}
      onKeyDown={(e) => {
        const step = STEPS[e.key];
        if (step && isOwn) {
          e.preventDefault();
          onMove({ left: box.left + step[0], top: box.top + step[1] });
        }
      }}
      onPointerDown={(e) => {
        onChoose();
        if (isOwn) {
          const own = e.currentTarget.getBoundingClientRect();
          e.currentTarget.setPointerCapture(e.pointerId);
          setGrip({ x: e.clientX - own.left, y: e.clientY - own.top });
        }
      }}
      onPointerMove={move}
      onPointerUp={() => setGrip(undefined)}
    >
      {place?.what ? `{${place.what}}` : ""}
    </button>
  );
}
