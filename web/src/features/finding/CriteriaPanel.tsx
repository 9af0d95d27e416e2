import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Collapse, Input, InputNumber, Select } from "antd";
import { useEffect, useId, useState } from "react";
import { DayField } from "../../ui/DayField";
import { typesOptions } from "../arrivals/arrivalQueries";
import { useStaff } from "../handover/colleagues";
import { kindsOptions } from "../people/fileQueries";
import { type Counts, type Criteria, isEmpty } from "./findQueries";

type CriteriaPanelProps = { criteria: Criteria; counts?: Counts; onChange: (criteria: Criteria) => void };
type ListKey = "kinds" | "sections" | "types" | "states" | "sources" | "filedBy" | "teams";
type Named = { name: string; value: string };

/** All that can be said of wanted papers; values are offered with how many papers have them. */
export function CriteriaPanel({ criteria, counts, onChange }: CriteriaPanelProps) {
  const set = (part: Partial<Criteria>) => onChange({ ...criteria, ...part });
  const list = (key: ListKey, label: string, values: Counts["kinds"] = []) => ({
    key,
    label: chosenLabel(label, criteria[key]?.length),
    children: (
      <Values
        label={label}
        values={values}
        chosen={criteria[key] ?? []}
        onChange={(chosen) => set({ [key]: chosen })}
      />
    ),
  });
  const rangeCount = [
    criteria.datedFrom,
    criteria.datedTo,
    criteria.receivedFrom,
    criteria.receivedTo,
    criteria.storedFrom,
    criteria.storedTo,
  ].filter(Boolean).length;
  return (
    <aside className="find-panel" aria-label="What the papers are like">
      <Text
        label="Words on the paper"
        value={criteria.words}
        placeholder="all of these words"
        onChange={(words) => set({ words })}
        autoFocus
      />
      <div className="find-pair">
        <Text
          label="Person"
          value={criteria.person}
          placeholder="name, number"
          onChange={(person) => set({ person })}
        />
        <Text
          label="Paper's name"
          value={criteria.name}
          placeholder="begins with"
          onChange={(name) => set({ name })}
        />
      </div>
      <Collapse
        ghost
        size="small"
        defaultActiveKey={["types", "states"]}
        items={[
          {
            key: "words",
            label: chosenLabel(
              "More about words",
              [criteria.anyOf, criteria.exact, criteria.without].filter(Boolean).length,
            ),
            children: (
              <>
                <Text label="Any of these" value={criteria.anyOf} onChange={(anyOf) => set({ anyOf })} />
                <Text
                  label="Exactly as written"
                  value={criteria.exact}
                  onChange={(exact) => set({ exact })}
                />
                <Text
                  label="None of these"
                  value={criteria.without}
                  onChange={(without) => set({ without })}
                />
              </>
            ),
          },
          list("types", "Type", counts?.types),
          list("sections", "Section", counts?.sections),
          list("states", "State", counts?.states),
          {
            key: "reviewer",
            label: chosenLabel("Waits for review with", criteria.reviewer ? 1 : 0),
            children: <Reviewer value={criteria.reviewer} onChange={(reviewer) => set({ reviewer })} />,
          },
          list("kinds", "Kind of file", counts?.kinds),
          list(
            "teams",
            "Team",
            counts?.teams?.filter((t) => t.value !== ""),
          ),
          {
            key: "days",
            label: chosenLabel("Days", rangeCount),
            children: (
              <>
                <Days
                  label="Dated"
                  from={criteria.datedFrom}
                  to={criteria.datedTo}
                  onChange={(datedFrom, datedTo) => set({ datedFrom, datedTo })}
                />
                <Days
                  label="Received"
                  from={criteria.receivedFrom}
                  to={criteria.receivedTo}
                  onChange={(receivedFrom, receivedTo) => set({ receivedFrom, receivedTo })}
                />
                <Days
                  label="Filed"
                  from={criteria.storedFrom}
                  to={criteria.storedTo}
                  onChange={(storedFrom, storedTo) => set({ storedFrom, storedTo })}
                />
              </>
            ),
          },
          {
            key: "facts",
            label: chosenLabel(
              "Facts and fields",
              (criteria.facts?.length ?? 0) + (criteria.fields?.length ?? 0),
            ),
            children: <FactsAndFields criteria={criteria} set={set} />,
          },
          list("sources", "How it came", counts?.sources),
          list("filedBy", "Filed by", counts?.filedBy),
          {
            key: "size",
            label: chosenLabel(
              "Pages and size",
              [
                criteria.leastPages,
                criteria.mostPages,
                criteria.leastSize,
                criteria.mostSize,
                criteria.unreadable,
              ].filter(Boolean).length,
            ),
            children: (
              <>
                <Numbers
                  label="Pages"
                  least={criteria.leastPages}
                  most={criteria.mostPages}
                  onChange={(leastPages, mostPages) => set({ leastPages, mostPages })}
                />
                <Numbers
                  label="Size in kB"
                  least={criteria.leastSize && criteria.leastSize / 1000}
                  most={criteria.mostSize && criteria.mostSize / 1000}
                  onChange={(least, most) =>
                    set({
                      leastSize: least && Math.round(least * 1000),
                      mostSize: most && Math.round(most * 1000),
                    })
                  }
                />
                <Checkbox
                  checked={criteria.unreadable ?? false}
                  onChange={(e) => set({ unreadable: e.target.checked })}
                >
                  With pages that hold no readable text
                </Checkbox>
              </>
            ),
          },
        ]}
      />
      {!isEmpty(criteria) && (
        <Button type="link" onClick={() => onChange({})}>
          Clear everything
        </Button>
      )}
    </aside>
  );
}

function Reviewer({ value, onChange }: { value?: string | null; onChange: (id?: string) => void }) {
  const staff = useStaff();
  return (
    <Select
      aria-label="Waits for review with"
      allowClear
      size="small"
      style={{ width: "100%" }}
      placeholder="a colleague"
      showSearch={{ optionFilterProp: "label" }}
      value={value ?? undefined}
      options={staff}
      onChange={(id?: string) => onChange(id)}
    />
  );
}

function chosenLabel(label: string, count = 0) {
  return (
    <span>
      {label} {count > 0 && <span className="find-chosen">{count}</span>}
    </span>
  );
}

const PAUSE = 250;

/** A line of text that asks once the typing pauses. */
function Text({
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
function Values({
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

function Days({
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

function Numbers({
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

function FactsAndFields({ criteria, set }: { criteria: Criteria; set: (part: Partial<Criteria>) => void }) {
  const kinds = useQuery(kindsOptions).data ?? [];
  const types = useQuery(typesOptions).data ?? [];
  const facts = [...new Map(kinds.flatMap((k) => k.facts).map((f) => [f.name, f.label])).entries()];
  const fields = [...new Set(types.flatMap((t) => t.fields))].sort();
  return (
    <>
      <NamedValues
        label="Facts of the person"
        names={facts.map(([value, label]) => ({ value, label }))}
        values={criteria.facts ?? []}
        onChange={(values) => set({ facts: values })}
      />
      <NamedValues
        label="Fields of the paper"
        names={fields.map((f) => ({ value: f, label: f }))}
        values={criteria.fields ?? []}
        onChange={(values) => set({ fields: values })}
      />
    </>
  );
}

function NamedValues({
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
          <Text
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
