import type { Editor } from "@tiptap/react";
import { Button, Popover } from "antd";
import { useState } from "react";
import type { At } from "../letterQueries";
import { FRESH_PLACE, PlaceForm } from "./PlaceForm";

type PlaceButtonProps = { editor: Editor; names: { name: string; label: string }[] };

/** Puts in a place where something known will stand. */
export function PlaceButton({ editor, names }: PlaceButtonProps) {
  const [open, setOpen] = useState(false);
  const [place, setPlace] = useState<At>(FRESH_PLACE);
  const insert = () => {
    editor
      .chain()
      .focus()
      .insertContent({ type: "place", attrs: { ...place, what: place.what.trim() } })
      .run();
    setPlace(FRESH_PLACE);
    setOpen(false);
  };
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      content={
        <div className="place-form">
          <PlaceForm place={place} names={names} onChange={setPlace} />
          <Button type="primary" size="small" disabled={place.what.trim() === ""} onClick={insert}>
            Put it in
          </Button>
        </div>
      }
    >
      <Button size="small">Insert a fact …</Button>
    </Popover>
  );
}
