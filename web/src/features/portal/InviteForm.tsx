import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Select } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { relationsOptions } from "../relations/relationQueries";

type InviteFormProps = {
  file: Shape<"FileAnswer">;
  okText: string;
  onInvited: (accountId: string, name: string) => void;
};

const RELATIONS = ["the person", "guardian", "payer", "insurer", "referrer", "other"];

/** Invites someone to the portal for one file; the form proposes the person himself. */
export function InviteForm({ file, okText, onInvited }: InviteFormProps) {
  const queries = useQueryClient();
  const [form] = Form.useForm<Shape<"InviteRequest">>();
  const related = (useQuery(relationsOptions(file.id)).data ?? []).filter((r) => !r.reverse && r.email);
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
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={{ name: file.name, email: file.email, relation: "the person" }}
      onFinish={invite.mutate}
    >
      <p className="muted">A newcomer gets a mail with a link that works once, within seven days.</p>
      {related.length > 0 && (
        <div className="invite-related">
          {related.map((r) => (
            <Button
              key={r.id}
              size="small"
              onClick={() =>
                form.setFieldsValue({
                  name: r.name,
                  email: r.email ?? "",
                  relation: RELATIONS.includes(r.words) ? r.words : "other",
                })
              }
            >
              {r.name}, {r.words}
            </Button>
          ))}
        </div>
      )}
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
