import { CloseOutlined } from "@ant-design/icons";
import { Checkbox, Input, Segmented, Select } from "antd";
import { type PointerEvent, useState } from "react";
import { Pages } from "../../../ui/Pages";
import type { PaperToAsk } from "./AskModal";
import { type AskedField, type AskedSigner, type FieldKind, KINDS, kindOf } from "./asked";
import "../signing.css";

type PlaceFieldsProps = {
  papers: PaperToAsk[];
  signers: AskedSigner[];
  active: string;
  fields: AskedField[];
  onFields: (fields: AskedField[]) => void;
};

const WIDTH = 560;
let made = 0;

/** Fields on the pages: a click drops one for the chosen signer, and it is dragged to where it belongs. */
export function PlaceFields({ papers, signers, active, fields, onFields }: PlaceFieldsProps) {
  const [paperId, setPaperId] = useState(papers[0]?.id ?? "");
  const [kind, setKind] = useState<FieldKind>("SIGNATURE");
  const [chosen, setChosen] = useState<string>();
  const paper = papers.find((p) => p.id === paperId) ?? papers[0];
  const signer = signers.find((s) => s.key === active) ?? signers[0];
  const field = fields.find((f) => f.key === chosen);
  if (!paper) {
    return null;
  }
  const change = (key: string, part: Partial<AskedField>) =>
    onFields(fields.map((f) => (f.key === key ? { ...f, why: undefined, ...part } : f)));
  const drop = (page: number, left: number, top: number) => {
    if (!signer) {
      return;
    }
    const size = kindOf(kind);
    const key = `field-${made++}`;
    onFields([
      ...fields,
      {
        key,
        paperId: paper.id,
        signer: signer.key,
        kind,
        page,
        left: Math.min(Math.max(0, left - (size?.width ?? 0) / 2), 1 - (size?.width ?? 0)),
        top: Math.max(0, top - 0.02),
        label: "",
        required: true,
      },
    ]);
    setChosen(key);
  };
  return (
    <div className="ask-where">
      <div className="ask-kinds">
        <Segmented
          size="small"
          value={kind}
          onChange={(k) => setKind(k as FieldKind)}
          options={KINDS.map((k) => ({ value: k.kind, label: k.label }))}
        />
        {papers.length > 1 && (
          <Select
            size="small"
            aria-label="Paper"
            className="ask-paper"
            value={paper.id}
            onChange={setPaperId}
            options={papers.map((p) => ({ value: p.id, label: p.name }))}
          />
        )}
      </div>
      <p className="muted">
        {fields.some((f) => f.why) && "Dashed fields are proposed; a click takes them as they are. "}
        {signer
          ? `Click on a page to place a field for ${signer.name || signer.label}. Without one, signatures stand at the foot of the last page.`
          : "Add a signer to place fields."}
      </p>
      {field && (field.kind === "TEXT" || field.kind === "TICK") && (
        <div className="ask-field">
          <Input
            size="small"
            aria-label="What is asked there"
            placeholder="what is asked there"
            maxLength={80}
            value={field.label}
            onChange={(e) => change(field.key, { label: e.target.value })}
          />
          <Checkbox
            checked={field.required}
            onChange={(e) => change(field.key, { required: e.target.checked })}
          >
            needed
          </Checkbox>
        </div>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
      <section className="page-desk ask-pages" tabIndex={0} aria-label="Pages to place fields on">
        <Pages
          key={paper.id}
          count={paper.pages}
          width={WIDTH}
          name={paper.name}
          source={(page) =>
            `/api/documents/${paper.id}/versions/${paper.versionNumber}/pages/${page}?width=900`
          }
          onPageClick={drop}
          over={(page) =>
            fields
              .filter((f) => f.paperId === paper.id && f.page === page)
              .map((f) => (
                <Field
                  key={f.key}
                  field={f}
                  signer={signers.find((s) => s.key === f.signer)}
                  mine={f.signer === signer?.key}
                  onMove={(left, top) => change(f.key, { left, top })}
                  onChoose={() => {
                    setChosen(f.key);
                    if (f.why) {
                      change(f.key, {});
                    }
                  }}
                  onRemove={() => onFields(fields.filter((other) => other !== f))}
                />
              ))
          }
        />
      </section>
    </div>
  );
}

type FieldProps = {
  field: AskedField;
  signer: AskedSigner | undefined;
  mine: boolean;
  onMove: (left: number, top: number) => void;
  onChoose: () => void;
  onRemove: () => void;
};

function Field({ field, signer, mine, onMove, onChoose, onRemove }: FieldProps) {
  const size = kindOf(field.kind);
  const [grip, setGrip] = useState<{ x: number; y: number }>();
  if (!signer || !size) {
    return null;
  }
  const words = `${field.label || size.label} of ${signer.name || signer.label}`;
  const move = (e: PointerEvent<HTMLDivElement>) => {
    const page = e.currentTarget.parentElement?.getBoundingClientRect();
    if (grip && page) {
      onMove(
        Math.min(Math.max(0, (e.clientX - grip.x - page.left) / page.width), 1 - size.width),
        Math.min(Math.max(0, (e.clientY - grip.y - page.top) / page.height), 0.97),
      );
    }
  };
  const step = (left: number, top: number) => {
    onMove(
      Math.min(Math.max(0, field.left + left), 1 - size.width),
      Math.min(Math.max(0, field.top + top), 0.97),
    );
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a place on the page, moved by pointer and arrow keys
    <div
      role="button"
      tabIndex={0}
      aria-label={`${words}, page ${field.page}; move it with the arrow keys, take it away with Delete`}
      className={`sign-place ask-dropped${mine ? " now" : ""}${field.why ? " proposed" : ""}`}
      title={field.why && `proposed: ${field.why}`}
      style={{
        left: `${field.left * 100}%`,
        top: `${field.top * 100}%`,
        width: `${size.width * 100}%`,
        height: size.height ? `${size.height * 100}%` : undefined,
        aspectRatio: size.height ? "auto" : undefined,
      }}
      onClick={(e) => {
        e.stopPropagation();
        onChoose();
      }}
      onKeyDown={(e) => {
        const by: Record<string, [number, number]> = {
          ArrowLeft: [-0.01, 0],
          ArrowRight: [0.01, 0],
          ArrowUp: [0, -0.008],
          ArrowDown: [0, 0.008],
        };
        const to = by[e.key];
        if (to) {
          e.preventDefault();
          step(...to);
        } else if (e.key === "Delete" || e.key === "Backspace") {
          onRemove();
        }
      }}
      onPointerDown={(e) => {
        const box = e.currentTarget.getBoundingClientRect();
        e.currentTarget.setPointerCapture(e.pointerId);
        setGrip({ x: e.clientX - box.left, y: e.clientY - box.top });
        onChoose();
      }}
      onPointerMove={move}
      onPointerUp={() => setGrip(undefined)}
    >
      {field.kind === "TICK" ? "" : words}
      <button
        type="button"
        className="ask-remove"
        aria-label={`Take ${words} away`}
        onPointerDown={(e) => e.stopPropagation()}
        onClick={(e) => {
          e.stopPropagation();
          onRemove();
        }}
      >
        <CloseOutlined />
      </button>
    </div>
  );
}
