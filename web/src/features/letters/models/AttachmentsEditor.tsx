import { useMutation } from "@tanstack/react-query";
import { Alert, Button, Checkbox, Input } from "antd";
import { answer, api, wordsOf } from "../../../api/client";
import type { Attachment } from "../letterQueries";
import { FileButton, sent } from "./FileButton";

type AttachmentsEditorProps = {
  attachments: Attachment[];
  onChange: (attachments: Attachment[]) => void;
};

/** PDFs that follow each letter, or those whose writer chooses so. */
export function AttachmentsEditor({ attachments, onChange }: AttachmentsEditorProps) {
  const send = useMutation({
    mutationFn: (file: File) =>
      answer(api.POST("/api/set-up/letter-forms", { body: { file: "" }, bodySerializer: () => sent(file) })),
    onSuccess: ({ id, name }) =>
      onChange([...attachments, { formId: id, name: name.replace(/\.pdf$/i, ""), always: true }]),
  });
  const change = (formId: string, part: Partial<Attachment>) =>
    onChange(attachments.map((a) => (a.formId === formId ? { ...a, ...part } : a)));
  return (
    <section className="model-block" aria-label="Attachments">
      <div className="model-block-head">
        <strong>Attachments</strong>
        <span className="muted">PDFs that follow the letter and become part of its paper</span>
      </div>
      <ul className="plain-list">
        {attachments.map((a) => (
          <li key={a.formId} className="attachment-line">
            <Input
              size="small"
              aria-label="Name of the attachment"
              maxLength={120}
              value={a.name}
              onChange={(e) => change(a.formId, { name: e.target.value })}
            />
            <Checkbox checked={a.always} onChange={(e) => change(a.formId, { always: e.target.checked })}>
              always
            </Checkbox>
            <Button
              size="small"
              type="text"
              aria-label={`Remove ${a.name}`}
              onClick={() => onChange(attachments.filter((other) => other.formId !== a.formId))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <FileButton
        words="Attach a PDF …"
        size="small"
        label="Choose the attachment"
        accept="application/pdf,.pdf"
        isBusy={send.isPending}
        onFile={send.mutate}
      />
      {send.error ? <Alert type="error" title={wordsOf(send.error)} /> : null}
    </section>
  );
}
