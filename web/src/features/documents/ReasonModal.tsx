import { Form, Input, Modal } from "antd";
import { PaperNames } from "./PaperNames";

type ReasonModalProps = {
  title: string;
  /** What it is about, by name. */
  names?: string[];
  hint: string;
  okText: string;
  /** It cannot be taken back. */
  danger?: boolean;
  open: boolean;
  onClose: () => void;
  onReason: (reason: string) => void;
};

/** Asks for the reason of something that others will read about. */
export function ReasonModal({
  title,
  names = [],
  hint,
  okText,
  danger,
  open,
  onClose,
  onReason,
}: ReasonModalProps) {
  const [form] = Form.useForm<{ reason: string }>();
  return (
    <Modal
      title={title}
      open={open}
      onCancel={onClose}
      onOk={form.submit}
      okText={okText}
      okButtonProps={{ danger }}
      destroyOnHidden
    >
      <PaperNames names={names} />
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
