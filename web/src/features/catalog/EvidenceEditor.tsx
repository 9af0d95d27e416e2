import { CloseOutlined } from "@ant-design/icons";
import { Button, InputNumber, Select } from "antd";
import { PeriodField } from "./PeriodField";
import type { Evidence, NotBefore, PointsEntry } from "./rules";

type TypeOption = { value: string; label: string };

type EvidenceEditorProps = {
  evidence: Evidence;
  types: TypeOption[];
  onChange: (evidence: Evidence) => void;
  onRemove?: () => void;
};

/** What satisfies a requirement: a type, one or all of several, or points; to any depth. */
export function EvidenceEditor(props: EvidenceEditorProps) {
  const { evidence, types, onChange, onRemove } = props;
  if ("anyOf" in evidence) {
    return (
      <Several
        {...props}
        words="one of"
        parts={evidence.anyOf}
        make={(anyOf) => ({ anyOf })}
        turned={{ allOf: evidence.anyOf }}
      />
    );
  }
  if ("allOf" in evidence) {
    return (
      <Several
        {...props}
        words="all of"
        parts={evidence.allOf}
        make={(allOf) => ({ allOf })}
        turned={{ anyOf: evidence.allOf }}
      />
    );
  }
  if ("points" in evidence) {
    return <Points {...props} evidence={evidence} />;
  }
  const first = types[0]?.value ?? "";
  return (
    <span className="sentence">
      <InputNumber
        size="small"
        aria-label="How many"
        min={1}
        max={99}
        value={evidence.count ?? 1}
        onChange={(count) => onChange(trimmed({ ...evidence, count: count ?? 1 }))}
        style={{ width: 52 }}
      />
      <span>×</span>
      <TypePicker types={types} value={evidence.type} onChange={(type) => onChange({ ...evidence, type })} />
      <Limits limits={evidence} onChange={(limits) => onChange(trimmed({ ...evidence, ...limits }))} />
      <Select
        size="small"
        className="sentence-add"
        variant="borderless"
        value={null}
        placeholder="or, and, points…"
        aria-label="Widen what satisfies it"
        popupMatchSelectWidth={false}
        options={[
          { value: "anyOf", label: "or another paper" },
          { value: "allOf", label: "and another paper as well" },
          { value: "points", label: "several papers worth points" },
        ]}
        onSelect={(word: string | null) => {
          if (word === "anyOf") {
            onChange({ anyOf: [evidence, { type: first }] });
          } else if (word === "allOf") {
            onChange({ allOf: [evidence, { type: first }] });
          } else if (word === "points") {
            onChange({ points: 100, of: [{ type: evidence.type, points: 100, atMost: 1 }] });
          }
        }}
      />
      {onRemove && <Remove onRemove={onRemove} />}
    </span>
  );
}

/** Leaves out what is not set, so that the JSON stays as short as it was written. */
function trimmed<T extends object>(evidence: T): T {
  return Object.fromEntries(
    Object.entries(evidence).filter(([key, value]) => value != null && !(key === "count" && value === 1)),
  ) as T;
}

function Remove({ onRemove }: { onRemove: () => void }) {
  return (
    <Button
      type="text"
      size="small"
      icon={<CloseOutlined />}
      aria-label="Remove this paper"
      onClick={onRemove}
    />
  );
}

function TypePicker({
  types,
  value,
  onChange,
}: {
  types: TypeOption[];
  value: string;
  onChange: (type: string) => void;
}) {
  return (
    <Select
      size="small"
      aria-label="Document type"
      className="sentence-type"
      showSearch={{ optionFilterProp: "label" }}
      popupMatchSelectWidth={false}
      value={value}
      options={types}
      onChange={onChange}
    />
  );
}

type LimitsOf = { within?: string | null; notBefore?: NotBefore | null };

/** How fresh a paper must be, and from which day on it counts. */
function Limits({ limits, onChange }: { limits: LimitsOf; onChange: (limits: LimitsOf) => void }) {
  return (
    <>
      {limits.within && (
        <>
          <span>no older than</span>
          <PeriodField value={limits.within} onChange={(within) => onChange({ within })} />
          <Remove onRemove={() => onChange({ within: null })} />
        </>
      )}
      {limits.notBefore && (
        <>
          <span>dated at most</span>
          <InputNumber
            size="small"
            aria-label="Days before the start"
            value={-limits.notBefore.days}
            onChange={(days) => onChange({ notBefore: { from: "start", days: -(days ?? 0) } })}
            style={{ width: 68 }}
          />
          <span>days before the start</span>
          <Remove onRemove={() => onChange({ notBefore: null })} />
        </>
      )}
      {(!limits.within || !limits.notBefore) && (
        <Select
          size="small"
          className="sentence-add"
          variant="borderless"
          value={null}
          placeholder="limit…"
          aria-label="Limit which papers count"
          popupMatchSelectWidth={false}
          options={[
            ...(limits.within ? [] : [{ value: "within", label: "no older than…" }]),
            ...(limits.notBefore ? [] : [{ value: "notBefore", label: "not dated long before the start…" }]),
          ]}
          onSelect={(word: string | null) =>
            onChange(word === "within" ? { within: "P3M" } : { notBefore: { from: "start", days: -92 } })
          }
        />
      )}
    </>
  );
}

function Several({
  words,
  parts,
  make,
  turned,
  types,
  onChange,
  onRemove,
}: EvidenceEditorProps & {
  words: string;
  parts: Evidence[];
  make: (parts: Evidence[]) => Evidence;
  turned: Evidence;
}) {
  const change = (next: Evidence[]) => onChange(next.length === 1 && next[0] ? next[0] : make(next));
  return (
    <span className="sentence-group">
      <button
        type="button"
        className="word"
        title="Change between one of and all of"
        onClick={() => onChange(turned)}
      >
        {words}
      </button>
      {onRemove && <Remove onRemove={onRemove} />}
      <ul>
        {parts.map((part, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: parts have no identity but their place
          <li key={i}>
            <EvidenceEditor
              evidence={part}
              types={types}
              onChange={(next) => change(parts.map((p, j) => (j === i ? next : p)))}
              onRemove={() => change(parts.filter((_, j) => j !== i))}
            />
          </li>
        ))}
        <li>
          <button
            type="button"
            className="word"
            onClick={() => change([...parts, { type: types[0]?.value ?? "" }])}
          >
            add a paper…
          </button>
        </li>
      </ul>
    </span>
  );
}

function Points({
  evidence,
  types,
  onChange,
  onRemove,
}: EvidenceEditorProps & { evidence: { points: number; of: PointsEntry[] } }) {
  const set = (i: number, entry: PointsEntry) =>
    onChange({ ...evidence, of: evidence.of.map((e, j) => (j === i ? trimmed(entry) : e)) });
  return (
    <span className="sentence-group">
      <span className="sentence">
        <InputNumber
          size="small"
          aria-label="Points needed"
          min={1}
          value={evidence.points}
          onChange={(points) => onChange({ ...evidence, points: points ?? 1 })}
          style={{ width: 70 }}
        />
        <span>points, where</span>
        {onRemove && <Remove onRemove={onRemove} />}
      </span>
      <ul>
        {evidence.of.map((entry, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: entries have no identity but their place
          <li key={i} className="sentence">
            <TypePicker types={types} value={entry.type} onChange={(type) => set(i, { ...entry, type })} />
            <span>gives</span>
            <InputNumber
              size="small"
              aria-label="Points"
              min={1}
              value={entry.points}
              onChange={(points) => set(i, { ...entry, points: points ?? 1 })}
              style={{ width: 64 }}
            />
            <span>each, at most</span>
            <InputNumber
              size="small"
              aria-label="At most"
              min={1}
              placeholder="any"
              value={entry.atMost ?? null}
              onChange={(atMost) => set(i, { ...entry, atMost })}
              style={{ width: 60 }}
            />
            <span>of them</span>
            <Limits limits={entry} onChange={(limits) => set(i, { ...entry, ...limits })} />
            <Remove onRemove={() => onChange({ ...evidence, of: evidence.of.filter((_, j) => j !== i) })} />
          </li>
        ))}
        <li>
          <button
            type="button"
            className="word"
            onClick={() =>
              onChange({
                ...evidence,
                of: [...evidence.of, { type: types[0]?.value ?? "", points: 25, atMost: 1 }],
              })
            }
          >
            add a paper…
          </button>
          <button
            type="button"
            className="word"
            onClick={() => onChange({ type: evidence.of[0]?.type ?? types[0]?.value ?? "" })}
          >
            a single paper instead
          </button>
        </li>
      </ul>
    </span>
  );
}
