import { Button, Checkbox } from "antd";
import type { ModelWords, Piece, Sheet } from "../letterQueries";
import { RichEditor } from "../RichEditor";
import { PictureButton } from "./PictureButton";
import { PlaceButton } from "./PlaceButton";

const USUAL: Sheet = { head: true, top: [], foot: [], numbered: true };

type SheetEditorProps = {
  words: ModelWords;
  names: { name: string; label: string }[];
  onChange: (words: Partial<ModelWords>) => void;
};

/** What stands on each page beside the parts. */
export function SheetEditor({ words, names, onChange }: SheetEditorProps) {
  const sheet = words.sheet ?? USUAL;
  const set = (part: Partial<Sheet>) => onChange({ sheet: { ...sheet, ...part } });
  return (
    <section className="model-block" aria-label="On each page">
      <div className="model-block-head">
        <strong>On each page</strong>
        <Checkbox checked={sheet.head} onChange={(e) => set({ head: e.target.checked })}>
          the practice’s name, address and mark on the first
        </Checkbox>
        <Checkbox checked={sheet.numbered} onChange={(e) => set({ numbered: e.target.checked })}>
          page numbers
        </Checkbox>
      </div>
      <Lines where="top" pieces={sheet.top} names={names} onChange={(top) => set({ top })} />
      <Lines where="foot" pieces={sheet.foot} names={names} onChange={(foot) => set({ foot })} />
    </section>
  );
}

type LinesProps = {
  where: "top" | "foot";
  pieces: Piece[];
  names: SheetEditorProps["names"];
  onChange: (pieces: Piece[]) => void;
};

function Lines({ where, pieces, names, onChange }: LinesProps) {
  if (pieces.length === 0) {
    return (
      <Button size="small" className="sheet-add" onClick={() => onChange([{ type: "PARAGRAPH" }])}>
        Words at the {where} of each page
      </Button>
    );
  }
  return (
    <div className="sheet-lines">
      <div className="sheet-where">
        At the {where} of each page <span className="muted">up to 3 lines</span>{" "}
        <Button size="small" type="text" onClick={() => onChange([])}>
          Remove
        </Button>
      </div>
      <RichEditor
        pieces={pieces}
        label={`At the ${where} of each page`}
        onChange={onChange}
        linesOnly
        more={(editor) => (
          <>
            <PlaceButton editor={editor} names={names} />
            <PictureButton editor={editor} />
          </>
        )}
      />
    </div>
  );
}
