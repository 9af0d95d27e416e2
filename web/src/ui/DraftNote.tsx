import { Alert, Button, Space } from "antd";
import type { Drafting, Version } from "./drafts";

/** Says that what was typed is not saved, or that somebody else saved meanwhile, and offers the ways out. */
export function DraftNote<T>({
  draft,
  by,
  onDiscard,
}: {
  draft: Drafting<T, Version>;
  /** Who saved meanwhile, when that is known. */
  by?: string;
  onDiscard?: () => void;
}) {
  const discard = () => {
    draft.discard();
    onDiscard?.();
  };
  if (draft.isOutdated) {
    return (
      <Alert
        type="warning"
        className="draft-note"
        title={`${by ?? "Somebody"} changed this meanwhile. What you typed is kept.`}
        action={
          <Space>
            <Button size="small" onClick={draft.keepMine}>
              Keep mine
            </Button>
            <Button size="small" onClick={discard}>
              Take theirs
            </Button>
          </Space>
        }
      />
    );
  }
  return draft.isChanged ? (
    <div className="draft-note muted" role="status">
      Not saved yet.{" "}
      <button type="button" className="linklike" onClick={discard}>
        Discard the changes
      </button>
    </div>
  ) : null;
}
