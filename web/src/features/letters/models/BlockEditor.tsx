import { Button, Checkbox, Input } from "antd";
import { ConditionEditor, type KnownFacts } from "../../catalog/ConditionEditor";
import type { Block } from "../letterQueries";
import { RichEditor } from "../RichEditor";
import { PictureButton } from "./PictureButton";
import { PlaceButton } from "./PlaceButton";
import { SignLineButton } from "./SignLineButton";

type BlockEditorProps = {
  block: Block;
  number: number;
  isLast: boolean;
  names: { name: string; label: string }[];
  known: KnownFacts;
  signers: string[];
  onChange: (block: Block) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
};

/** A part of a model: its words, and for whom and how firmly they stand. */
export function BlockEditor({
  block,
  number,
  isLast,
  names,
  known,
  signers,
  onChange,
  onMove,
  onRemove,
}: BlockEditorProps) {
  const words = `part ${number}`;
  return (
    <section className="model-block" aria-label={`Part ${number}`}>
      <div className="model-block-head">
        <strong>Part {number}</strong>
        <Checkbox checked={block.locked} onChange={(e) => onChange({ ...block, locked: e.target.checked })}>
          words are fixed
        </Checkbox>
        <Checkbox
          checked={block.optional}
          onChange={(e) => onChange({ ...block, optional: e.target.checked })}
        >
          can be left out
        </Checkbox>
        {block.optional && (
          <Input
            size="small"
            aria-label={`Name of ${words}`}
            placeholder="what it is called"
            maxLength={60}
            value={block.name ?? ""}
            onChange={(e) => onChange({ ...block, name: e.target.value })}
          />
        )}
        <ConditionEditor
          condition={block.when}
          known={known}
          none="for everybody"
          onChange={(when) => {
            const { when: _, ...others } = block;
            onChange(when ? { ...others, when } : others);
          }}
        />
        <span>
          <Button
            size="small"
            type="text"
            aria-label={`Move ${words} up`}
            disabled={number === 1}
            onClick={() => onMove(-1)}
          >
            ↑
          </Button>
          <Button
            size="small"
            type="text"
            aria-label={`Move ${words} down`}
            disabled={isLast}
            onClick={() => onMove(1)}
          >
            ↓
          </Button>
          <Button size="small" type="text" aria-label={`Remove ${words}`} onClick={onRemove}>
            Remove
          </Button>
        </span>
      </div>
      <RichEditor
        pieces={block.content}
        label={`Words of ${words}`}
        onChange={(content) => onChange({ ...block, content })}
        more={(editor) => (
          <>
            <PlaceButton editor={editor} names={names} />
            <SignLineButton editor={editor} signers={signers} />
            <PictureButton editor={editor} />
          </>
        )}
      />
    </section>
  );
}
