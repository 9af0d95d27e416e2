import { Button, Input } from "antd";
import { useState } from "react";
import type { Shape } from "../../api/client";

type SlipProps = {
  words?: Shape<"MarkWords">;
  /** Whether words were selected, rather than a part of the page. */
  ofWords: boolean;
  onHighlight: () => void;
  onNote: (text: string) => void;
  onStamp: (text: string) => void;
  onArrow?: () => void;
  onCover: (reason?: string) => void;
  onClose: () => void;
};

/** Asks what is to become of what was selected on a page. */
export function Slip(props: SlipProps) {
  const { words, ofWords, onHighlight, onNote, onStamp, onArrow, onCover, onClose } = props;
  const [asks, setAsks] = useState<"what" | "note" | "stamp" | "cover">("what");
  const [text, setText] = useState("");
  const small = { size: "small", type: "text" } as const;
  return (
    <div
      className="slip"
      role="dialog"
      aria-label={ofWords ? "Selected words" : "Selected place"}
      onPointerDown={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key === "Escape") {
          e.stopPropagation();
          onClose();
        }
      }}
    >
      {asks === "what" && (
        <div className="slip-what">
          <Button {...small} autoFocus onClick={onHighlight}>
            Highlight
          </Button>
          <Button {...small} onClick={() => setAsks("note")}>
            Note
          </Button>
          <Button {...small} onClick={() => setAsks("stamp")}>
            Stamp
          </Button>
          {onArrow && (
            <Button {...small} onClick={onArrow}>
              Arrow
            </Button>
          )}
          <Button {...small} onClick={() => setAsks("cover")}>
            Cover
          </Button>
        </div>
      )}
      {asks === "note" && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            onNote(text);
          }}
        >
          <Input.TextArea
            aria-label="Note"
            autoFocus
            rows={3}
            maxLength={2000}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <Button size="small" type="primary" htmlType="submit" disabled={text.trim() === ""}>
            Save note
          </Button>
        </form>
      )}
      {asks === "stamp" && (
        <Choices
          choices={words?.stamps ?? []}
          own="Other words"
          longest={120}
          none="No stamps are set up."
          onChoose={onStamp}
        />
      )}
      {asks === "cover" && (
        <>
          <p className="muted">Covered in every copy that leaves. Why?</p>
          <Choices
            choices={words?.reasons ?? []}
            own="Another reason"
            longest={80}
            none=""
            onChoose={onCover}
            onNothing={() => onCover()}
          />
        </>
      )}
    </div>
  );
}

type ChoicesProps = {
  choices: string[];
  own: string;
  longest: number;
  none: string;
  onChoose: (words: string) => void;
  onNothing?: () => void;
};

function Choices({ choices, own, longest, none, onChoose, onNothing }: ChoicesProps) {
  const [typed, setTyped] = useState("");
  return (
    <form
      className="slip-choices"
      onSubmit={(e) => {
        e.preventDefault();
        if (typed.trim()) {
          onChoose(typed.trim());
        }
      }}
    >
      {choices.length === 0 && none && <p className="muted">{none}</p>}
      {choices.map((choice, i) => (
        <Button key={choice} size="small" autoFocus={i === 0} onClick={() => onChoose(choice)}>
          {choice}
        </Button>
      ))}
      {onNothing && (
        <Button size="small" autoFocus={choices.length === 0} onClick={onNothing}>
          No reason
        </Button>
      )}
      <Input
        size="small"
        aria-label={own}
        placeholder={own}
        maxLength={longest}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
    </form>
  );
}
