import { useMutation } from "@tanstack/react-query";
import { type Editor, useEditorState } from "@tiptap/react";
import { Alert, Button, Input, InputNumber, Popover } from "antd";
import { useState } from "react";
import { answer, api, wordsOf } from "../../../api/client";
import { FileButton, sent } from "./FileButton";

/** As wide as the text of a page, in mm. */
const WIDEST = 164;

type Picture = { id: string; width: number; shows: string };

/** Puts a picture in, or changes the one that is chosen. */
export function PictureButton({ editor }: { editor: Editor }) {
  const [open, setOpen] = useState(false);
  const [picture, setPicture] = useState<Picture>();
  const chosen = useEditorState({
    editor,
    selector: ({ editor: e }) => (e.isActive("picture") ? (e.getAttributes("picture") as Picture) : null),
  });
  const send = useMutation({
    mutationFn: (file: File) =>
      answer(api.POST("/api/set-up/letter-images", { body: { file: "" }, bodySerializer: () => sent(file) })),
    onSuccess: ({ id }) => setPicture((p) => ({ id, width: p?.width ?? 80, shows: p?.shows ?? "" })),
  });
  const show = (next: boolean) => {
    setOpen(next);
    setPicture(next && chosen ? { ...chosen } : undefined);
    send.reset();
  };
  const put = () => {
    const run = editor.chain().focus();
    if (chosen) {
      run.updateAttributes("picture", picture ?? {}).run();
    } else {
      run.insertContent({ type: "picture", attrs: picture }).run();
    }
    show(false);
  };
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={show}
      content={
        <div className="place-form">
          <FileButton
            words={picture ? "Choose another …" : "Choose a picture …"}
            label="Choose the picture"
            accept="image/png,image/jpeg,image/gif"
            isBusy={send.isPending}
            onFile={send.mutate}
          />
          {send.error ? <Alert type="error" title={wordsOf(send.error)} /> : null}
          {picture && (
            <>
              <img src={`/api/letter-images/${picture.id}`} alt={picture.shows} className="picture-preview" />
              <Input
                aria-label="What it shows"
                placeholder="what it shows, for those who cannot see it"
                maxLength={300}
                value={picture.shows}
                onChange={(e) => setPicture({ ...picture, shows: e.target.value })}
              />
              <div>
                Width on the page{" "}
                <InputNumber
                  aria-label="Width on the page in mm"
                  min={5}
                  max={WIDEST}
                  precision={0}
                  value={picture.width}
                  onChange={(width) => setPicture({ ...picture, width: width ?? 80 })}
                />{" "}
                mm
              </div>
              <Button type="primary" size="small" disabled={picture.shows.trim() === ""} onClick={put}>
                {chosen ? "Change it" : "Put it in"}
              </Button>
            </>
          )}
        </div>
      }
    >
      <Button size="small">Picture …</Button>
    </Popover>
  );
}
