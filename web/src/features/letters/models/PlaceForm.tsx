import { AutoComplete, Checkbox, Input, Select } from "antd";
import type { At } from "../letterQueries";

const FORMATS: { value: At["format"]; label: string }[] = [
  { value: "PLAIN", label: "as it is" },
  { value: "LONG_DATE", label: "day, month in words" },
  { value: "MONEY", label: "amount of money" },
  { value: "MASKED", label: "all but the last three hidden" },
  { value: "CAPITALS", label: "capitals" },
];

export const FRESH_PLACE: At = { what: "", format: "PLAIN", mustBeKnown: false };

type PlaceFormProps = {
  place: At;
  names: { name: string; label: string }[];
  onChange: (place: At) => void;
};

/** What stands at a place, and how. */
export function PlaceForm({ place, names, onChange }: PlaceFormProps) {
  const typed = place.what.trim().toLowerCase();
  const offered = names
    .filter((n) => `${n.label} ${n.name}`.toLowerCase().includes(typed) && n.name !== place.what)
    .slice(0, 40)
    .map((n) => ({ value: n.name, label: `${n.label} (${n.name})` }));
  return (
    <>
      <label htmlFor="place-what">What stands here?</label>
      <AutoComplete
        id="place-what"
        value={place.what}
        placeholder="such as the name, or day + 6 months"
        options={offered}
        open={offered.length === 0 ? false : undefined}
        onChange={(what: string) => onChange({ ...place, what })}
      />
      <Select
        aria-label="Written as"
        value={place.format}
        options={FORMATS}
        onChange={(format) => onChange({ ...place, format })}
      />
      <Checkbox
        checked={place.mustBeKnown}
        onChange={(e) => onChange({ ...place, mustBeKnown: e.target.checked })}
      >
        must be known before it is filed
      </Checkbox>
      {!place.mustBeKnown && (
        <Input
          aria-label="Otherwise"
          placeholder="otherwise, such as Dear friend"
          maxLength={200}
          value={place.otherwise ?? ""}
          onChange={(e) => {
            const { otherwise: _, ...others } = place;
            onChange(e.target.value ? { ...others, otherwise: e.target.value } : others);
          }}
        />
      )}
    </>
  );
}
