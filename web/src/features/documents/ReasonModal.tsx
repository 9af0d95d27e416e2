import { Form, Input, Modal } from "antd";

type ReasonModalProps = {
  title: string;
  hint: string;
  okText: string;
  open: boolean;
  onClose: () => void;
  onReason: (reason: string) => void;
};

/** Asks for the reason of something that others will read about. */
export function ReasonModal({ title, hint, okText, open, onClose, onReason }: ReasonModalProps) {
  const [form] = Form.useForm<{ reason: string }>();
  return (
    <Modal title={title} open={open} onCancel={onClose} onOk={form.submit} okText={okText} destroyOnHidden>
      <Form form={form} layout="vertical" requiredMark={false} onFinish={({ reason }) => onReason(reason)}>
        <Form.Item
          label="Reason"
          name="reason"
          extra={hint}
          rules={[{ required: true, whitespace: true, message: "A reason is needed." }]}
        >
          <Input.TextArea rows={3} maxLength={400} autoFocus />
        </Form.Item>
      </Form>
    </Modal>
  );
}
