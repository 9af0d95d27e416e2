import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Collapse, Select } from "antd";
import { typesOptions } from "../catalog/typeQueries";
import { useStaff } from "../handover/colleagues";
import { kindsOptions } from "../people/fileQueries";
import { CriteriaText, Days, NamedValues, Numbers, Values } from "./criteriaFields";
import { type Counts, type Criteria, isEmpty } from "./findQueries";

type CriteriaPanelProps = { criteria: Criteria; counts?: Counts; onChange: (criteria: Criteria) => void };
type ListKey = "kinds" | "sections" | "types" | "states" | "sources" | "filedBy" | "teams";

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
      <CriteriaText
        label="Words on the paper"
        value={criteria.words}
        placeholder="all of these words"
        onChange={(words) => set({ words })}
        autoFocus
      />
      <div className="find-pair">
        <CriteriaText
          label="Person"
          value={criteria.person}
          placeholder="name, number"
          onChange={(person) => set({ person })}
        />
        <CriteriaText
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
                <CriteriaText
                  label="Any of these"
                  value={criteria.anyOf}
                  onChange={(anyOf) => set({ anyOf })}
                />
                <CriteriaText
                  label="Exactly as written"
                  value={criteria.exact}
                  onChange={(exact) => set({ exact })}
                />
                <CriteriaText
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
