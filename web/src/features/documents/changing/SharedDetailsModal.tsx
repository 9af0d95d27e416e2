import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Form, Input, Modal } from "antd";
import { useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { TypePicker } from "../../catalog/TypePicker";

type Shared = Shape<"SharedDetails">;

type SharedDetailsModalProps = {
  papers: { id: string; name: string; changes: number }[];
  onClose: () => void;
  onDone?: () => void;
};

const NAMED = 6;

/** Changes the same details of several papers: all of them, or none; and takes it back. */
export function SharedDetailsModal({ papers, onClose, onDone }: SharedDetailsModalProps) {
  const [draft, setDraft] = useState<Shared>({});
  const { message } = App.useApp();
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["files"] });
  const undo = async (before: Shape<"Before">[]) => {
    try {
      await done(api.POST("/api/documents/details/undo", { body: { before } }));
      message.success("Taken back.");
    } catch (error) {
      message.error(wordsOf(error));
    }
    refresh();
  };
  const change = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/details", {
          body: { documents: papers.map(({ id, changes }) => ({ id, changes })), details: draft },
        }),
      ),
    onSuccess: (before) => {
      message.success(
        <span>
          Changed {before.length} papers.{" "}
          <button type="button" className="linklike" onClick={() => undo(before)}>
            Undo
          </button>
        </span>,
        10,
      );
      refresh();
      onClose();
      onDone?.();
    },
  });
  const names = papers.map((p) => p.name);
  const asked = Object.values(draft).some((v) => v !== undefined && v !== null && v !== "");
  const set = (part: Shared) => setDraft({ ...draft, ...part });
  return (
    <Modal
      title={`Change ${papers.length} papers in one go`}
      open
      okText={`Change ${papers.length} papers`}
      okButtonProps={{ disabled: !asked, loading: change.isPending }}
      onOk={() => change.mutate()}
      onCancel={onClose}
      width={500}
    >
      <p className="muted">What is left empty stays as it is with each paper.</p>
      <ul className="plain-list shared-names">
        {names.slice(0, NAMED).map((name) => (
          <li key={name} className="ellipsis">
            {name}
          </li>
        ))}
        {names.length > NAMED && <li className="muted">and {names.length - NAMED} more</li>}
      </ul>
      {change.error && <Alert type="error" title={wordsOf(change.error)} />}
      <Form layout="vertical">
        <Form.Item label="Type" htmlFor="shared-type">
          <TypePicker id="shared-type" value={draft.type} onChange={(type) => set({ type })} />
        </Form.Item>
        <div className="form-grid">
          <Form.Item label="Dated" htmlFor="shared-dated">
            <DayField
              id="shared-dated"
              value={draft.documentDate}
              onChange={(documentDate) => set({ documentDate })}
            />
          </Form.Item>
          <Form.Item label="Expires" htmlFor="shared-expires">
            <DayField
              id="shared-expires"
              value={draft.statedExpiry}
              onChange={(statedExpiry) => set({ statedExpiry })}
            />
          </Form.Item>
        </div>
        <Form.Item label="Description" htmlFor="shared-description">
          <Input.TextArea
            id="shared-description"
            rows={2}
            maxLength={1000}
            value={draft.description ?? ""}
            onChange={(e) => set({ description: e.target.value || undefined })}
          />
        </Form.Item>
      </Form>
    </Modal>
  );
}
