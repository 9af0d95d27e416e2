import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button } from "antd";
import { done, fieldWords, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { type Drafting, useDraft } from "../../ui/drafts";

/** A part that is saved by itself. */
export function usePart<T extends object>(key: string, kept: T, send: (value: T) => Promise<unknown>) {
  const draft = useDraft<T, string>(key, kept, JSON.stringify(kept));
  const { message } = App.useApp();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => done(send(draft.value)),
    onSuccess: async () => {
      message.success("Saved.");
      draft.discard();
      await queries.invalidateQueries();
    },
  });
  const set = (part: Partial<T>) => draft.set((before) => ({ ...before, ...part }));
  const told = (field: string) => {
    const words = fieldWords(save.error, field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  return { draft, save, set, told };
}

type Saving = { isPending: boolean; error: unknown; mutate: () => void };

/** Its title, with what saves it. */
export function PartHead<T>({
  title,
  draft,
  save,
}: {
  title: string;
  draft: Drafting<T, string>;
  save: Saving;
}) {
  return (
    <>
      <div className="checklist-head">
        <h2>{title}</h2>
        <span className="grow" />
        <Button
          type="primary"
          aria-label={`Save ${title.toLowerCase()}`}
          disabled={!draft.isChanged}
          loading={save.isPending}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </div>
      <DraftNote draft={draft} />
      {save.error ? <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" /> : null}
    </>
  );
}
