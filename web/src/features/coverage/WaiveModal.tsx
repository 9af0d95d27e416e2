import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Form, Input, Modal } from "antd";
import { api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";

type WaiveModalProps = { fileId: string; slot: Shape<"SlotAnswer">; open: boolean; onClose: () => void };

/** Stops asking for one requirement for a while, with a reason. */
export function WaiveModal({ fileId, slot, open, onClose }: WaiveModalProps) {
  const [form] = Form.useForm<{ to?: string; reason: string }>();
  const queries = useQueryClient();
  const waive = useMutation({
    mutationFn: (values: { to?: string; reason: string }) =>
      done(
        api.POST("/api/files/{id}/waivers", {
          params: { path: { id: fileId } },
          body: { checklist: slot.checklist, requirement: slot.requirement, ...values },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  return (
    <Modal
      title={`Waive “${slot.label}”`}
      open={open}
      onCancel={onClose}
      onOk={form.submit}
      okText="Waive"
      confirmLoading={waive.isPending}
      destroyOnHidden
    >
      <Form form={form} layout="vertical" requiredMark={false} onFinish={waive.mutate}>
        <Form.Item
          label="Until, included"
          name="to"
          extra="Leave empty to waive it for good."
          help={fieldWords(waive.error, "to")}
        >
          <DayField />
        </Form.Item>
        <Form.Item
          label="Reason"
          name="reason"
          rules={[
            { required: true, whitespace: true, message: "A reason is needed; an inspector will read it." },
          ]}
        >
          <Input.TextArea rows={3} maxLength={400} />
        </Form.Item>
      </Form>
      {waive.error && <Alert type="error" title={wordsOf(waive.error)} />}
    </Modal>
  );
}
