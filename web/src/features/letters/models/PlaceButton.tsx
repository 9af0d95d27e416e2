import type { Editor } from "@tiptap/react";
import { AutoComplete, Button, Checkbox, Input, Popover, Select } from "antd";
import { useState } from "react";
import type { At } from "../letterQueries";

const FORMATS: { value: At["format"]; label: string }[] = [
  { value: "PLAIN", label: "as it is" },
  { value: "LONG_DATE", label: "day, month in words" },
  { value: "MONEY", label: "amount of money" },
  { value: "MASKED", label: "all but the last three hidden" },
  { value: "CAPITALS", label: "capitals" },
];

const FRESH: At = { what: "", format: "PLAIN", mustBeKnown: false };

type PlaceButtonProps = { editor: Editor; names: { name: string; label: string }[] };

/** Puts in a place where something known will stand. */
export function PlaceButton({ editor, names }: PlaceButtonProps) {
  const [open, setOpen] = useState(false);
  const [place, setPlace] = useState<At>(FRESH);
  const typed = place.what.trim().toLowerCase();
  const offered = names
    .filter((n) => `${n.label} ${n.name}`.toLowerCase().includes(typed) && n.name !== place.what)
    .slice(0, 40)
    .map((n) => ({ value: n.name, label: `${n.label} (${n.name})` }));
  const insert = () => {
    editor
      .chain()
      .focus()
      .insertContent({ type: "place", attrs: { ...place, what: place.what.trim() } })
      .run();
    setPlace(FRESH);
    setOpen(false);
  };
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      content={
        <div className="place-form">
          <label htmlFor="place-what">What stands here?</label>
          <AutoComplete
            id="place-what"
            value={place.what}
            placeholder="such as the name, or day + 6 months"
            options={offered}
            open={offered.length === 0 ? false : undefined}
            onChange={(what: string) => setPlace({ ...place, what })}
          />
          <Select
            aria-label="Written as"
            value={place.format}
            options={FORMATS}
            onChange={(format) => setPlace({ ...place, format })}
          />
          <Checkbox
            checked={place.mustBeKnown}
            onChange={(e) => setPlace({ ...place, mustBeKnown: e.target.checked })}
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
                setPlace(e.target.value ? { ...others, otherwise: e.target.value } : others);
              }}
            />
          )}
          <Button type="primary" size="small" disabled={typed === ""} onClick={insert}>
            Put it in
          </Button>
        </div>
      }
    >
      <Button size="small">Insert a fact …</Button>
    </Popover>
  );
}
