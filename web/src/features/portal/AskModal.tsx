import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Form, Input, Modal } from "antd";
import { api, done, type Shape, wordsOf } from "../../api/client";

type AskModalProps = { fileId: string; slot: Shape<"SlotAnswer">; open: boolean; onClose: () => void };

/** Asks the guests of the file for the paper of one slot. */
export function AskModal({ fileId, slot, open, onClose }: AskModalProps) {
  const [form] = Form.useForm<{ words?: string }>();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const ask = useMutation({
    mutationFn: ({ words }: { words?: string }) =>
      done(
        api.POST("/api/files/{id}/asks", {
          params: { path: { id: fileId } },
          body: { checklist: slot.checklist, requirement: slot.requirement, words },
        }),
      ),
    onSuccess: () => {
      message.success("The guests of this file see it in the portal.");
      queries.invalidateQueries({ queryKey: ["files", fileId] });
      onClose();
    },
  });
  return (
    <Modal
      title={`Ask for “${slot.label}”`}
      open={open}
      onCancel={onClose}
      onOk={form.submit}
      okText="Ask"
      confirmLoading={ask.isPending}
      destroyOnHidden
    >
      <Form form={form} layout="vertical" onFinish={ask.mutate}>
        <Form.Item
          label="In your words"
          name="words"
          extra="May stay empty; the guest is told what is missing and why in any case."
        >
          <Input.TextArea rows={3} maxLength={400} />
        </Form.Item>
      </Form>
      {ask.error && <Alert type="error" title={wordsOf(ask.error)} />}
    </Modal>
  );
}
