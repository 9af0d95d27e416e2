import type { Editor } from "@tiptap/react";
import { Button, Input, Popover } from "antd";
import { useState } from "react";

type SignLineButtonProps = {
  editor: Editor;
  /** What those who sign papers of the type are called, such as guardian. */
  signers: string[];
};

/** Puts in a line to sign on, which is found by itself when signatures are asked for. */
export function SignLineButton({ editor, signers }: SignLineButtonProps) {
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const insert = (under: string) => {
    editor
      .chain()
      .focus()
      .insertContent({ type: "signLine", attrs: { words: under.trim() } })
      .run();
    setWords("");
    setOpen(false);
  };
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      content={
        <div className="place-form">
          {signers.map((signer) => (
            <Button key={signer} size="small" onClick={() => insert(`Signature of ${signer}`)}>
              Signature of {signer}
            </Button>
          ))}
          <Input
            aria-label="Under the line"
            placeholder="or other words, such as Unterschrift"
            maxLength={80}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            onPressEnter={() => words.trim() !== "" && insert(words)}
          />
          <Button type="primary" size="small" disabled={words.trim() === ""} onClick={() => insert(words)}>
            Put it in
          </Button>
        </div>
      }
    >
      <Button size="small">Signature …</Button>
    </Popover>
  );
}
