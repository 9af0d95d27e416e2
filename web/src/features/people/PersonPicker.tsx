import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Select } from "antd";
import { type ReactNode, useState } from "react";
import { day } from "../../ui/days";
import { enterWhenClosed } from "../../ui/enter";
import { fileOptions, foundOptions } from "./fileQueries";

type Known = { id: string; name: string; number: string };
type PersonPickerProps = {
  id: string;
  value?: string | null;
  /** Persons that can be chosen though nothing was typed. */
  known: Known[];
  onChange: (fileId: string) => void;
  /** Enter was pressed while its list is closed: whoever chose goes on. */
  onEnter?: () => void;
  /** Offered below what was found, such as making a new file. */
  footer?: (typed: string) => ReactNode;
};

/** Finds a person as one types; like-named people are told apart by number and birth date. */
export function PersonPicker({ id, value, known, onChange, onEnter, footer }: PersonPickerProps) {
  const [text, setText] = useState("");
  const [open, setOpen] = useState(false);
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
        label: [person.name, person.number].filter(Boolean).join(" · "),
        detail: person.number,
        name: person.name,
      });
    }
  }
  const isNamed = !value || options.some((o) => o.value === value);
  const other = useQuery({ ...fileOptions(value ?? ""), enabled: !isNamed }).data;
  if (other && !isNamed) {
    const { id: of, name, number } = other;
    options.push({ value: of, label: `${name} · ${number}`, detail: number, name });
  }
  return (
    <Select
      id={id}
      value={value ?? undefined}
      placeholder="name, number or birth date"
      options={options}
      open={open}
      onOpenChange={setOpen}
      onChange={onChange}
      onInputKeyDown={enterWhenClosed(open || !value, onEnter)}
      popupRender={(list) => (
        <>
          {list}
          {text && footer?.(text)}
        </>
      )}
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
