import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Form, Input, Modal, Select } from "antd";
import { useEffect } from "react";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { sharedOptions } from "../people/fileQueries";

type AskModalProps = { fileId: string; slot: Shape<"SlotAnswer">; open: boolean; onClose: () => void };

/** Asks one guest of the file for the paper of one slot; nobody else is told. */
export function AskModal({ fileId, slot, open, onClose }: AskModalProps) {
  const [form] = Form.useForm<{ accountId: string; words?: string }>();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const guests = useQuery({ ...sharedOptions(fileId), enabled: open }).data?.guests.filter((g) => !g.closed);
  const only = guests?.length === 1 ? guests[0]?.accountId : undefined;
  useEffect(() => {
    if (open && only) {
      form.setFieldValue("accountId", only);
    }
  }, [open, only, form]);
  const ask = useMutation({
    mutationFn: ({ accountId, words }: { accountId: string; words?: string }) =>
      done(
        api.POST("/api/files/{id}/asks", {
          params: { path: { id: fileId } },
          body: { accountId, checklist: slot.checklist, requirement: slot.requirement, words },
        }),
      ),
    onSuccess: () => {
      message.success("It is asked for in the portal.");
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
      okButtonProps={{ disabled: !guests?.length }}
      confirmLoading={ask.isPending}
      destroyOnHidden
    >
      {guests?.length === 0 && (
        <Alert type="info" title="This file has no guests yet. Invite one under “Shared” first." />
      )}
      <Form form={form} layout="vertical" onFinish={ask.mutate}>
        <Form.Item
          label="Whom"
          name="accountId"
          rules={[{ required: true, message: "Choose a guest of this file." }]}
        >
          <Select
            placeholder="A guest of this file"
            options={(guests ?? []).map((g) => ({ value: g.accountId, label: `${g.name}, ${g.relation}` }))}
          />
        </Form.Item>
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
