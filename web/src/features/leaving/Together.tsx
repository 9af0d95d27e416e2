import { Alert, Button, Input, Radio } from "antd";
import { wordsOf } from "../../api/client";
import { InOrder } from "../../ui/InOrder";
import type { As } from "./fetchCopies";

type TogetherProps = {
  papers: { id: string; name: string }[];
  onPapers: (papers: { id: string; name: string }[]) => void;
  as: As;
  onAs: (as: As) => void;
  title: string;
  onTitle: (title: string) => void;
  /** Undefined for a bundle that is kept already. */
  keep?: { isPending: boolean; error: unknown; mutate: () => void };
};

/** Several papers that leave together: their order, what they become, and what they are called. */
export function Together({ papers, onPapers, as, onAs, title, onTitle, keep }: TogetherProps) {
  return (
    <div className="copy-together">
      <InOrder items={papers} onItems={onPapers} />
      <Radio.Group
        value={as}
        onChange={(e) => onAs(e.target.value)}
        options={[
          { value: "JOINED", label: "one PDF with contents and bookmarks" },
          { value: "ZIP", label: "a ZIP" },
        ]}
      />
      <div className="copy-title">
        <Input
          aria-label="Title"
          placeholder="title, such as Inspections of the yard"
          maxLength={120}
          value={title}
          onChange={(e) => onTitle(e.target.value)}
        />
        {keep && (
          <Button disabled={title.trim() === ""} loading={keep.isPending} onClick={() => keep.mutate()}>
            Save as a bundle
          </Button>
        )}
      </div>
      {keep?.error ? <Alert type="error" title={wordsOf(keep.error)} /> : null}
    </div>
  );
}
