import { useQuery } from "@tanstack/react-query";
import { Select } from "antd";
import { useState } from "react";
import { enterWhenClosed } from "../../ui/enter";
import { kindOfFileOptions } from "../people/fileQueries";
import { typesOptions } from "./typeQueries";

function beginsWith(label: string, typed: string): number {
  return label.toLowerCase().startsWith(typed.toLowerCase()) ? 1 : 0;
}

type TypeChoice = { value: string; label: string; words: string };

/**
 * Types found by any part of their name or of another word for them; those that begin so come first. Of a known file
 * only those that such a file has.
 */
function useTypeChoices(fileId: string | null | undefined, chosen: string[]) {
  const all = useQuery(typesOptions).data ?? [];
  const kind = useQuery({ ...kindOfFileOptions(fileId ?? ""), enabled: Boolean(fileId) }).data;
  const types = all.filter(
    (t) => !kind || !t.subject || t.subject === kind.subject || chosen.includes(t.code),
  );
  const options: TypeChoice[] = types.map((t) => ({
    value: t.code,
    label: t.label,
    words: [t.label, ...t.synonyms].join(" ").toLowerCase(),
  }));
  return {
    options,
    search: {
      filterOption: (typed: string, option?: TypeChoice) =>
        option?.words.includes(typed.toLowerCase()) ?? false,
      filterSort: (a: TypeChoice, b: TypeChoice, { searchValue }: { searchValue: string }) =>
        beginsWith(b.label, searchValue) - beginsWith(a.label, searchValue),
    },
  };
}

/** Finds a type by any part of its name or of another word for it. */
export function TypePicker({
  id = "filing-type",
  label,
  fileId,
  value,
  placeholder = "any part of its name, or another word for it",
  onChange,
  onEnter,
}: {
  id?: string;
  /** Its name for who does not see what stands beside it. */
  label?: string;
  /** Whose paper it is, where that is known. */
  fileId?: string | null;
  value?: string | null;
  placeholder?: string;
  onChange: (code: string) => void;
  /** Enter was pressed while its list is closed: whoever chose goes on. */
  onEnter?: () => void;
}) {
  const { options, search } = useTypeChoices(fileId, value ? [value] : []);
  const [open, setOpen] = useState(false);
  return (
    <Select
      id={id}
      aria-label={label}
      value={value ?? undefined}
      open={open}
      onOpenChange={setOpen}
      onChange={onChange}
      onInputKeyDown={enterWhenClosed(open || !value, onEnter)}
      options={options}
      placeholder={placeholder}
      showSearch={search}
      notFoundContent="No type is called so."
    />
  );
}

/** What else a paper is, besides its type. */
export function FurtherTypes({
  id,
  besides,
  fileId,
  value,
  focus,
  onChange,
  onEnter,
}: {
  id: string;
  besides: string;
  /** Whose paper it is, where that is known. */
  fileId?: string | null;
  /** Ready to be typed into at once. */
  focus?: boolean;
  value: string[];
  onChange: (codes: string[]) => void;
  /** Enter was pressed while its list is closed. */
  onEnter?: () => void;
}) {
  const { options, search } = useTypeChoices(fileId, value);
  const [open, setOpen] = useState(focus ?? false);
  return (
    <Select
      id={id}
      mode="multiple"
      autoFocus={focus}
      open={open}
      onOpenChange={setOpen}
      value={value}
      onChange={(codes) => {
        setOpen(false);
        onChange(codes);
      }}
      onInputKeyDown={enterWhenClosed(open, onEnter)}
      options={options.filter((o) => o.value !== besides)}
      placeholder="nothing else; it could fill several slots"
      showSearch={search}
      notFoundContent="No type is called so."
    />
  );
}
