import { Input, Select } from "antd";
import { KIND_WORDS, type MarkKind } from "./markQueries";

type MarkFiltersProps = {
  words: string;
  onWords: (words: string) => void;
  kind: MarkKind | undefined;
  onKind: (kind: MarkKind | undefined) => void;
  /** Where words are looked for. */
  hint: string;
};

/** Narrows a list of marks by words and by kind. */
export function MarkFilters({ words, onWords, kind, onKind, hint }: MarkFiltersProps) {
  return (
    <div className="mark-filters">
      <Input
        size="small"
        allowClear
        aria-label="Find marks"
        placeholder={hint}
        value={words}
        onChange={(e) => onWords(e.target.value)}
      />
      <Select
        size="small"
        allowClear
        aria-label="Kind of mark"
        placeholder="all"
        value={kind}
        onChange={onKind}
        options={Object.entries(KIND_WORDS).map(([value, label]) => ({ value, label }))}
      />
    </div>
  );
}
