import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Select } from "antd";
import { useState } from "react";
import { foundOptions } from "./fileQueries";

type PersonNumberFieldProps = {
  id?: string;
  value?: string | null;
  onChange?: (number: string | null) => void;
};

/** Another person, kept by the number of his file and found by any part of his name. */
export function PersonNumberField({ id, value, onChange }: PersonNumberFieldProps) {
  const [text, setText] = useState("");
  const wanted = text || value || "";
  const found = useQuery({ ...foundOptions(wanted), placeholderData: keepPreviousData }).data ?? [];
  return (
    <Select
      {...(id ? { id } : {})}
      allowClear
      showSearch={{ filterOption: false, onSearch: setText }}
      value={value ?? null}
      placeholder="name or number"
      onChange={(next) => onChange?.(next ?? null)}
      options={found.map((f) => ({ value: f.number, label: `${f.name} · ${f.number}` }))}
    />
  );
}
