import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Select } from "antd";
import { useState } from "react";
import { day } from "../../ui/days";
import { foundOptions } from "./fileQueries";

type Known = { id: string; name: string; number: string };
type PersonPickerProps = {
  id: string;
  value?: string | null;
  /** Persons that can be chosen though nothing was typed. */
  known: Known[];
  onChange: (fileId: string) => void;
};

/** Finds a person as one types; like-named people are told apart by number and birth date. */
export function PersonPicker({ id, value, known, onChange }: PersonPickerProps) {
  const [text, setText] = useState("");
  const found = useQuery({ ...foundOptions(text), placeholderData: keepPreviousData });
  const people = (text ? found.data : undefined) ?? [];
  const options = people.map((p) => ({
    value: p.id,
    label: `${p.name} · ${p.number}`,
    detail: [p.number, p.birthDate && `born ${day(p.birthDate)}`, p.team].filter(Boolean).join(" · "),
    name: p.name,
  }));
  for (const person of known) {
    if (!options.some((o) => o.value === person.id)) {
      options.push({
        value: person.id,
        label: `${person.name} · ${person.number}`,
        detail: person.number,
        name: person.name,
      });
    }
  }
  return (
    <Select
      id={id}
      value={value ?? undefined}
      placeholder="name, number or birth date"
      options={options}
      onChange={onChange}
      showSearch={{ filterOption: false, onSearch: setText }}
      notFoundContent={text && found.isFetched ? "Nobody is found by that." : null}
      optionRender={(option) => (
        <span>
          <strong>{option.data.name}</strong> <span className="muted">{option.data.detail}</span>
        </span>
      )}
    />
  );
}
