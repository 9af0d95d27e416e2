import { useQuery } from "@tanstack/react-query";
import { Select } from "antd";
import { typesOptions } from "./arrivalQueries";

function beginsWith(label: string, typed: string): number {
  return label.toLowerCase().startsWith(typed.toLowerCase()) ? 1 : 0;
}

/** Finds a type by any part of its name or of another word for it. */
export function TypePicker({
  id = "filing-type",
  label,
  value,
  placeholder = "any part of its name, or another word for it",
  onChange,
}: {
  id?: string;
  /** Its name for who does not see what stands beside it. */
  label?: string;
  value?: string | null;
  placeholder?: string;
  onChange: (code: string) => void;
}) {
  const types = useQuery(typesOptions).data ?? [];
  const options = types.map((t) => ({
    value: t.code,
    label: t.label,
    words: [t.label, ...t.synonyms].join(" ").toLowerCase(),
  }));
  return (
    <Select
      id={id}
      aria-label={label}
      value={value ?? undefined}
      onChange={onChange}
      options={options}
      placeholder={placeholder}
      showSearch={{
        filterOption: (typed, option) => option?.words.includes(typed.toLowerCase()) ?? false,
        filterSort: (a, b, { searchValue }) =>
          beginsWith(b.label, searchValue) - beginsWith(a.label, searchValue),
      }}
      notFoundContent="No type is called so."
    />
  );
}
