import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/react";
import { Button, Popover } from "antd";
import { useState } from "react";
import { quoted } from "../../excerpts/ExcerptsSection";
import { excerptsOptions } from "../../excerpts/excerptQueries";

/** Puts text in that was picked from a paper of the file, with its source. */
export function ExcerptButton({ editor, fileId }: { editor: Editor; fileId: string }) {
  const [open, setOpen] = useState(false);
  const excerpts = useQuery(excerptsOptions(fileId)).data ?? [];
  if (excerpts.length === 0) {
    return null;
  }
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      content={
        <ul className="plain-list excerpts-offered">
          {excerpts.map((excerpt) => (
            <li key={excerpt.id}>
              <button
                type="button"
                className="linklike"
                onClick={() => {
                  editor
                    .chain()
                    .focus()
                    .insertContent({ type: "text", text: quoted(excerpt) })
                    .run();
                  setOpen(false);
                }}
              >
                {excerpt.words.length > 90 ? `${excerpt.words.slice(0, 90)}…` : excerpt.words}
              </button>
              <div className="muted">{excerpt.paper}</div>
            </li>
          ))}
        </ul>
      }
    >
      <Button size="small">Excerpt …</Button>
    </Popover>
  );
}
