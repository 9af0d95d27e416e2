import { Button, Checkbox, Input, InputNumber, Select } from "antd";
import { useEffect, useId, useState } from "react";
import { DayField } from "../../ui/DayField";
import type { Counts } from "./findQueries";

export type Named = { name: string; value: string };

const PAUSE = 250;

/** A line of text that asks once the typing pauses. */
export function CriteriaText({
  label,
  value,
  placeholder,
  autoFocus,
  onChange,
}: {
  label: string;
  value?: string | null;
  placeholder?: string;
  autoFocus?: boolean;
  onChange: (value: string) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState(value ?? "");
  useEffect(() => setTyped(value ?? ""), [value]);
  useEffect(() => {
    if (typed === (value ?? "")) {
      return;
    }
    const timer = setTimeout(() => onChange(typed), PAUSE);
    return () => clearTimeout(timer);
  });
  return (
    <div className="find-field">
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        allowClear
        value={typed}
        placeholder={placeholder}
        autoFocus={autoFocus}
        onChange={(e) => setTyped(e.target.value)}
        onPressEnter={() => onChange(typed)}
      />
    </div>
  );
}

const SHOWN = 8;

/** Values that can be ticked, those most papers have first; chosen ones stay even when nothing has them any more. */
export function Values({
  label,
  values,
  chosen,
  onChange,
}: {
  label: string;
  values: Counts["kinds"];
  chosen: string[];
  onChange: (chosen: string[]) => void;
}) {
  const [all, setAll] = useState(false);
  const gone = chosen
    .filter((c) => !values.some((v) => v.value === c))
    .map((c) => ({ value: c, label: c, papers: 0 }));
  const shown = [...gone, ...(all ? values : values.filter((v, i) => i < SHOWN || chosen.includes(v.value)))];
  return (
    <fieldset aria-label={label} className="find-values">
      {shown.length === 0 && <span className="muted">Values show once something is asked for.</span>}
      {shown.map((v) => (
        <Checkbox
          key={v.value}
          checked={chosen.includes(v.value)}
          onChange={(e) =>
            onChange(e.target.checked ? [...chosen, v.value] : chosen.filter((c) => c !== v.value))
          }
        >
          {v.label} <span className="muted tabular">{v.papers}</span>
        </Checkbox>
      ))}
      {!all && values.length > SHOWN && (
        <Button type="link" size="small" onClick={() => setAll(true)}>
          {values.length - SHOWN} more
        </Button>
      )}
    </fieldset>
  );
}

/** Two ends of a range of days, both inclusive; an empty one is open. */
export function Days({
  label,
  from,
  to,
  onChange,
}: {
  label: string;
  from?: string | null;
  to?: string | null;
  onChange: (from: string | undefined, to: string | undefined) => void;
}) {
  return (
    <div className="find-field">
      <span>{label}</span>
      <div className="find-range">
        <DayField
          label={`${label} from`}
          placeholder="from"
          value={from}
          onChange={(d) => onChange(d ?? undefined, to ?? undefined)}
        />
        <DayField
          label={`${label} to`}
          placeholder="to"
          value={to}
          onChange={(d) => onChange(from ?? undefined, d ?? undefined)}
        />
      </div>
    </div>
  );
}

/** Two ends of a range of numbers, both inclusive; an empty one is open. */
export function Numbers({
  label,
  least,
  most,
  onChange,
}: {
  label: string;
  least?: number | null;
  most?: number | null;
  onChange: (least: number | undefined, most: number | undefined) => void;
}) {
  return (
    <div className="find-field">
      <span>{label}</span>
      <div className="find-range">
        <InputNumber
          aria-label={`${label} at least`}
          placeholder="at least"
          min={0}
          value={least}
          onChange={(n) => onChange(n ?? undefined, most ?? undefined)}
        />
        <InputNumber
          aria-label={`${label} at most`}
          placeholder="at most"
          min={0}
          value={most}
          onChange={(n) => onChange(least ?? undefined, n ?? undefined)}
        />
      </div>
    </div>
  );
}

/** Names that were chosen, each with what its value must hold. */
export function NamedValues({
  label,
  names,
  values,
  onChange,
}: {
  label: string;
  names: { value: string; label: string }[];
  values: Named[];
  onChange: (values: Named[]) => void;
}) {
  return (
    <div className="find-field">
      <span>{label}</span>
      {values.map((v, i) => (
        <div key={v.name} className="find-range">
          <span className="find-name">{names.find((n) => n.value === v.name)?.label ?? v.name}</span>
          <CriteriaText
            label={`What ${v.name} holds`}
            value={v.value}
            placeholder="holds"
            onChange={(value) => onChange(values.map((old, j) => (j === i ? { ...old, value } : old)))}
          />
          <Button
            size="small"
            type="text"
            aria-label={`Without ${v.name}`}
            onClick={() => onChange(values.filter((_, j) => j !== i))}
          >
            ×
          </Button>
        </div>
      ))}
      <Select
        aria-label={label}
        placeholder="choose one"
        value={null}
        showSearch={{ optionFilterProp: "label" }}
        options={names.filter((n) => !values.some((v) => v.name === n.value))}
        onChange={(name: string | null) => name && onChange([...values, { name, value: "" }])}
      />
    </div>
  );
}
