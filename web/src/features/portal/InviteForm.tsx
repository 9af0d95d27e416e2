import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Select } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";

type InviteFormProps = {
  file: Shape<"FileAnswer">;
  okText: string;
  onInvited: (accountId: string, name: string) => void;
};

const RELATIONS = ["the person", "guardian", "payer", "insurer", "referrer", "other"];

/** Invites someone to the portal for one file; the form proposes the person himself. */
export function InviteForm({ file, okText, onInvited }: InviteFormProps) {
  const queries = useQueryClient();
  const invite = useMutation({
    mutationFn: (body: Shape<"InviteRequest">) =>
      answer(api.POST("/api/files/{id}/guests", { params: { path: { id: file.id } }, body })),
    onSuccess: ({ accountId }, { name }) => {
      queries.invalidateQueries({ queryKey: ["files", file.id] });
      onInvited(accountId, name);
    },
  });
  return (
    <Form
      layout="vertical"
      requiredMark={false}
      initialValues={{ name: file.name, email: file.email, relation: "the person" }}
      onFinish={invite.mutate}
    >
      <p className="muted">A newcomer gets a mail with a link that works once, within seven days.</p>
      <Form.Item
        label="Name of the guest"
        name="name"
        rules={[{ required: true, whitespace: true, message: "A name is needed." }]}
      >
        <Input />
      </Form.Item>
      <Form.Item
        label="Mail address of the guest"
        name="email"
        help={fieldWords(invite.error, "email")}
        rules={[{ required: true, type: "email", message: "A mail address is needed." }]}
      >
        <Input />
      </Form.Item>
      <Form.Item label="Who this is" name="relation">
        <Select options={RELATIONS.map((r) => ({ value: r, label: r }))} />
      </Form.Item>
      {invite.error && <Alert type="error" title={wordsOf(invite.error)} style={{ marginBottom: 10 }} />}
      <Button type="primary" htmlType="submit" loading={invite.isPending}>
        {okText}
      </Button>
    </Form>
  );
}
