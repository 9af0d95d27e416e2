import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Form, Input, Modal } from "antd";
import { useState } from "react";
import { answer, api, fieldWords, wordsOf } from "../../api/client";

/** Brings in the address of a paper that is kept elsewhere. */
export function LinkModal({
  fileId,
  onClose,
  onAdded,
}: {
  /** Whose paper it is; undefined when that is said later. */
  fileId?: string;
  onClose: () => void;
  onAdded: (id: string) => void;
}) {
  const [address, setAddress] = useState("");
  const [label, setLabel] = useState("");
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/arrivals/links", { body: { address, label: label || undefined, fileId } })),
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: ["arrivals"] });
      onAdded(id);
      onClose();
    },
  });
  const wrong = add.error ? (fieldWords(add.error, "address") ?? wordsOf(add.error)) : undefined;
  return (
    <Modal
      open
      title="Link to a paper kept elsewhere"
      okText="Bring in the link"
      okButtonProps={{ disabled: !address.trim(), loading: add.isPending }}
      onOk={() => add.mutate()}
      onCancel={onClose}
    >
      <p className="muted">The link itself is filed; the paper stays where it is and is not fetched.</p>
      <Form layout="vertical" onFinish={() => address.trim() && add.mutate()}>
        <Form.Item
          label="Address"
          htmlFor="link-address"
          validateStatus={wrong ? "error" : undefined}
          help={wrong}
        >
          <Input
            id="link-address"
            value={address}
            autoFocus
            placeholder="https://"
            onChange={(e) => setAddress(e.target.value)}
            onPressEnter={() => address.trim() && add.mutate()}
          />
        </Form.Item>
        <Form.Item label="Label, as it shall be called in Arrivals" htmlFor="link-label">
          <Input id="link-label" value={label} maxLength={200} onChange={(e) => setLabel(e.target.value)} />
        </Form.Item>
      </Form>
    </Modal>
  );
}
