import { CloseOutlined } from "@ant-design/icons";
import { Button, Input, InputNumber, Select } from "antd";
import type { Shape } from "../../api/client";
import type { Condition, Scalar } from "./rules";

export type KnownFacts = { kinds: { code: string; label: string }[]; facts: Shape<"FactDefinition">[] };

type ConditionEditorProps = {
  condition: Condition | null | undefined;
  known: KnownFacts;
  onChange: (condition: Condition | null) => void;
  /** What is said when there is no condition. */
  none: string;
};

/** Whom something concerns, as a sentence: facts and ages, joined by “all of” or “any of”, to any depth. */
export function ConditionEditor({ condition, known, onChange, none }: ConditionEditorProps) {
  if (!condition || ("all" in condition && condition.all.length === 0)) {
    return (
      <span className="sentence">
        <span>{none}</span>
        <AddCondition known={known} words="only those whose…" onAdd={onChange} />
      </span>
    );
  }
  return <Part condition={condition} known={known} onChange={onChange} />;
}

type PartProps = { condition: Condition; known: KnownFacts; onChange: (condition: Condition | null) => void };

function Part({ condition, known, onChange }: PartProps) {
  if ("all" in condition) {
    return (
      <Group
        words="all of"
        parts={condition.all}
        known={known}
        onChange={(parts) => onChange(joined("all", parts))}
        onTurn={() => onChange({ any: condition.all })}
      />
    );
  }
  if ("any" in condition) {
    return (
      <Group
        words="any of"
        parts={condition.any}
        known={known}
        onChange={(parts) => onChange(joined("any", parts))}
        onTurn={() => onChange({ all: condition.any })}
      />
    );
  }
  if ("not" in condition) {
    return (
      <span className="sentence">
        <button type="button" className="word" title="Turn round" onClick={() => onChange(condition.not)}>
          not
        </button>
        <Part
          condition={condition.not}
          known={known}
          onChange={(part) => onChange(part ? { not: part } : null)}
        />
      </span>
    );
  }
  return (
    <span className="sentence">
      <Comparison condition={condition} known={known} onChange={onChange} />
      <button
        type="button"
        className="word"
        onClick={() => onChange({ all: [condition, fresh(known)] })}
        title="Add a condition that must hold as well"
      >
        and…
      </button>
      <button
        type="button"
        className="word"
        onClick={() => onChange({ any: [condition, fresh(known)] })}
        title="Add a condition of which one is enough"
      >
        or…
      </button>
      <button
        type="button"
        className="word"
        onClick={() => onChange({ not: condition })}
        title="Turn it round"
      >
        not
      </button>
      <Button
        type="text"
        size="small"
        icon={<CloseOutlined />}
        aria-label="Remove this condition"
        onClick={() => onChange(null)}
      />
    </span>
  );
}

/** A group of one is that one; an empty one is nothing. */
function joined(word: "all" | "any", parts: Condition[]): Condition | null {
  if (parts.length === 0) {
    return null;
  }
  const only = parts.length === 1 ? parts[0] : undefined;
  return only ?? (word === "all" ? { all: parts } : { any: parts });
}

function Group({
  words,
  parts,
  known,
  onChange,
  onTurn,
}: {
  words: string;
  parts: Condition[];
  known: KnownFacts;
  onChange: (parts: Condition[]) => void;
  onTurn: () => void;
}) {
  return (
    <span className="sentence-group">
      <button type="button" className="word" onClick={onTurn} title="Change between all of and any of">
        {words}
      </button>
      <ul>
        {parts.map((part, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: parts have no identity but their place
          <li key={i}>
            <Part
              condition={part}
              known={known}
              onChange={(next) =>
                onChange(next ? parts.map((p, j) => (j === i ? next : p)) : parts.filter((_, j) => j !== i))
              }
            />
          </li>
        ))}
        <li>
          <AddCondition known={known} words="add…" onAdd={(next) => onChange([...parts, next])} />
        </li>
      </ul>
    </span>
  );
}

function fresh(known: KnownFacts): Condition {
  const fact = known.facts[0];
  return fact ? { fact: fact.name, is: firstValue(fact) } : { ageAtLeast: 18 };
}

function firstValue(fact: Shape<"FactDefinition">): Scalar {
  switch (fact.form) {
    case "YES_NO":
      return true;
    case "NUMBER":
      return 1;
    default:
      return fact.choices[0] ?? "…";
  }
}

function AddCondition({
  known,
  words,
  onAdd,
}: {
  known: KnownFacts;
  words: string;
  onAdd: (condition: Condition) => void;
}) {
  const options = [
    { value: "kind", label: "kind of file" },
    ...known.facts.map((f) => ({ value: f.name, label: f.label.toLowerCase() })),
    { value: "ageUnder", label: "age is under" },
    { value: "ageAtLeast", label: "age is at least" },
  ];
  const add = (name: string) => {
    const fact = known.facts.find((f) => f.name === name);
    if (name === "ageUnder") {
      onAdd({ ageUnder: 18 });
    } else if (name === "ageAtLeast") {
      onAdd({ ageAtLeast: 18 });
    } else if (name === "kind") {
      onAdd({ fact: "kind", is: known.kinds[0]?.code ?? "" });
    } else if (fact) {
      onAdd({ fact: name, is: firstValue(fact) });
    }
  };
  return (
    <Select
      size="small"
      className="sentence-add"
      variant="borderless"
      value={null}
      placeholder={words}
      aria-label={words}
      popupMatchSelectWidth={false}
      showSearch={{ optionFilterProp: "label" }}
      options={options}
      onSelect={(name: string | null) => name && add(name)}
    />
  );
}

type Compared = Exclude<Condition, { all: Condition[] } | { any: Condition[] } | { not: Condition }>;

function Comparison({
  condition,
  known,
  onChange,
}: {
  condition: Compared;
  known: KnownFacts;
  onChange: (condition: Condition) => void;
}) {
  if ("ageUnder" in condition) {
    return (
      <>
        <span>age is under</span>
        <Years value={condition.ageUnder} onChange={(ageUnder) => onChange({ ageUnder })} />
      </>
    );
  }
  if ("ageAtLeast" in condition) {
    return (
      <>
        <span>age is at least</span>
        <Years value={condition.ageAtLeast} onChange={(ageAtLeast) => onChange({ ageAtLeast })} />
      </>
    );
  }
  const fact = known.facts.find((f) => f.name === condition.fact);
  const word = condition.in ? "in" : condition.isNot !== undefined ? "isNot" : "is";
  const value = condition.is ?? condition.isNot ?? condition.in?.[0] ?? "";
  const values = condition.in ?? [value];
  const turn = (next: string) =>
    onChange(
      next === "in"
        ? { fact: condition.fact, in: values }
        : next === "isNot"
          ? { fact: condition.fact, isNot: value }
          : { fact: condition.fact, is: value },
    );
  return (
    <>
      <span>
        {condition.fact === "kind" ? "kind of file" : (fact?.label.toLowerCase() ?? condition.fact)}
      </span>
      <Select
        size="small"
        aria-label="Comparison"
        value={word}
        popupMatchSelectWidth={false}
        onChange={turn}
        options={[
          { value: "is", label: "is" },
          { value: "isNot", label: "is not" },
          { value: "in", label: "is one of" },
        ]}
      />
      <Value
        known={known}
        name={condition.fact}
        fact={fact}
        many={word === "in"}
        values={values}
        onChange={(next) =>
          onChange(
            word === "in"
              ? { fact: condition.fact, in: next }
              : word === "isNot"
                ? { fact: condition.fact, isNot: next[0] ?? "" }
                : { fact: condition.fact, is: next[0] ?? "" },
          )
        }
      />
    </>
  );
}

function Years({ value, onChange }: { value: number; onChange: (years: number) => void }) {
  return (
    <InputNumber
      size="small"
      aria-label="Years"
      min={0}
      max={150}
      value={value}
      onChange={(years) => onChange(years ?? 0)}
      style={{ width: 64 }}
    />
  );
}

type ValueProps = {
  known: KnownFacts;
  name: string;
  fact: Shape<"FactDefinition"> | undefined;
  many: boolean;
  values: Scalar[];
  onChange: (values: Scalar[]) => void;
};

function Value({ known, name, fact, many, values, onChange }: ValueProps) {
  const choices =
    name === "kind"
      ? known.kinds.map((k) => ({ value: k.code, label: k.label.toLowerCase() }))
      : fact?.form === "CHOICE" || fact?.form === "OPEN_CHOICE"
        ? fact.choices.map((c) => ({ value: c, label: c }))
        : null;
  if (fact?.form === "YES_NO") {
    return (
      <Select
        size="small"
        aria-label="Value"
        value={values[0] === true ? "yes" : "no"}
        onChange={(word) => onChange([word === "yes"])}
        options={[
          { value: "yes", label: "yes" },
          { value: "no", label: "no" },
        ]}
      />
    );
  }
  if (choices) {
    return many ? (
      <Select
        size="small"
        mode="multiple"
        aria-label="Values"
        className="sentence-values"
        popupMatchSelectWidth={false}
        value={values.map(String)}
        onChange={(next: string[]) => onChange(next)}
        options={choices}
      />
    ) : (
      <Select
        size="small"
        aria-label="Value"
        popupMatchSelectWidth={false}
        value={String(values[0] ?? "")}
        onChange={(next: string) => onChange([next])}
        options={choices}
      />
    );
  }
  if (fact?.form === "NUMBER") {
    return (
      <InputNumber
        size="small"
        aria-label="Value"
        value={Number(values[0])}
        onChange={(next) => onChange([next ?? 0])}
      />
    );
  }
  return (
    <Input
      size="small"
      aria-label="Value"
      className="sentence-text"
      value={values.join(", ")}
      onChange={(e) => onChange(many ? e.target.value.split(",").map((v) => v.trim()) : [e.target.value])}
    />
  );
}
