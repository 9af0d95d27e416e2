import { useMutation } from "@tanstack/react-query";
import { Alert, Modal } from "antd";
import { answer, api, wordsOf } from "../../../api/client";
import { PersonPicker } from "../../people/PersonPicker";
import { firstWords } from "../richText";
import type { ModelDraft } from "./modelDraft";

/** What a letter would say for somebody, before anything is saved. */
export function TryModel({ draft, onClose }: { draft: ModelDraft; onClose: () => void }) {
  const tried = useMutation({
    mutationFn: (fileId: string) =>
      answer(
        api.POST("/api/set-up/letter-models/try", {
          body: {
            fileId,
            version: { language: draft.language, holdsFrom: draft.holdsFrom ?? "", words: draft.words },
          },
        }),
      ),
  });
  return (
    <Modal title="Try it with somebody" open width={720} footer={null} onCancel={onClose}>
      <label htmlFor="try-person">Whose letter?</label>
      <PersonPicker id="try-person" known={[]} onChange={(fileId) => tried.mutate(fileId)} />
      {tried.error ? <Alert type="error" title={wordsOf(tried.error)} /> : null}
      {tried.data && (
        <>
          {tried.data.content.map((pieces, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: they are shown once, in their order
            <p key={i}>{firstWords(pieces, 2000)}</p>
          ))}
          {tried.data.missing.length > 0 && (
            <Alert
              type="warning"
              title="Not known of this file"
              description={tried.data.missing
                .map(
                  (m) =>
                    `${m.name}${m.mustBeKnown ? " (must be known)" : ""}${m.problem ? `: ${m.problem}` : ""}`,
                )
                .join("; ")}
            />
          )}
        </>
      )}
    </Modal>
  );
}
