import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Select } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { relationsOptions } from "../relations/relationQueries";
import { OtherPeople } from "./OtherPeople";
import { RightsForm, USUAL } from "./RightsForm";

type InviteFormProps = {
  file: Shape<"FileAnswer">;
  okText: string;
  onInvited: (accountId: string, name: string) => void;
};

type Invitation = Omit<Shape<"NewGuest">, "files"> & { others?: string[] };

const RELATIONS = ["the person", "guardian", "payer", "insurer", "referrer", "other"];

/** Invites someone to the portal for one file; the form proposes the person himself. */
export function InviteForm({ file, okText, onInvited }: InviteFormProps) {
  const queries = useQueryClient();
  const [form] = Form.useForm<Invitation>();
  const related = (useQuery(relationsOptions(file.id)).data ?? []).filter((r) => !r.reverse && r.email);
  const invite = useMutation({
    mutationFn: ({ others, ...body }: Invitation) =>
      answer(
        api.POST("/api/guests", {
          body: {
            ...body,
            rights: { ...body.rights, until: body.rights.until ?? undefined },
            files: [file.id, ...(others ?? [])],
          },
        }),
      ),
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
      initialValues={{ name: file.name, email: file.email, relation: "the person", rights: USUAL }}
      onFinish={(values) => invite.mutate(values)}
    >
      <p className="muted">
        A newcomer gets one mail with a link that works once, within seven days. Who has an account here gets
        no new key.
      </p>
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
      <Form.Item label="May" name="rights">
        <RightsForm untilProblem={fieldWords(invite.error, "until")} />
      </Form.Item>
      <Form.Item label="For these people as well" name="others">
        <OtherPeople />
      </Form.Item>
      {invite.error && <Alert type="error" title={wordsOf(invite.error)} style={{ marginBottom: 10 }} />}
      <Button type="primary" htmlType="submit" loading={invite.isPending}>
        {okText}
      </Button>
    </Form>
  );
}
