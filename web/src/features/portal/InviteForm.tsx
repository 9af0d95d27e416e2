import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Form, Input, Select } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { relationsOptions } from "../relations/relationQueries";
import { OtherPeople } from "./OtherPeople";
import { RightsForm, USUAL } from "./RightsForm";

type InviteFormProps = {
  /** Whose files the guest is let into; of one alone the form proposes the person, or somebody around. */
  files: { id: string; name: string; email?: string | null; subject?: Shape<"FileAnswer">["subject"] }[];
  okText: string;
  onInvited: (accountId: string, name: string) => void;
};

type Invitation = Omit<Shape<"NewGuest">, "files"> & { others?: string[] };

const RELATIONS = ["the person", "guardian", "payer", "insurer", "referrer", "other"];

/** Invites someone to the portal. */
export function InviteForm({ files, okText, onInvited }: InviteFormProps) {
  const only = files.length === 1 ? files[0] : undefined;
  const queries = useQueryClient();
  const [form] = Form.useForm<Invitation>();
  const related = (
    useQuery({ ...relationsOptions(only?.id ?? ""), enabled: only !== undefined }).data ?? []
  ).filter((r) => !r.reverse && r.email);
  const invite = useMutation({
    mutationFn: ({ others, ...body }: Invitation) =>
      answer(
        api.POST("/api/guests", {
          body: {
            ...body,
            rights: { ...body.rights, until: body.rights.until ?? undefined },
            files: [...files.map((f) => f.id), ...(others ?? [])],
          },
        }),
      ),
    onSuccess: ({ accountId }, { name }) => {
      queries.invalidateQueries({ queryKey: ["files"] });
      onInvited(accountId, name);
    },
  });
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={
        only && only.subject !== "PRACTICE"
          ? { name: only.name, email: only.email ?? "", relation: "the person", rights: USUAL }
          : { name: "", email: "", relation: "other", rights: USUAL }
      }
      onFinish={(values) => invite.mutate(values)}
    >
      <p className="muted">
        A newcomer gets one mail with a link that works once, within seven days. Who has an account here gets
        no new key.
        {!only && ` The same rights hold in all ${files.length} files.`}
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
      {only && (
        <Form.Item label="For these people as well" name="others">
          <OtherPeople />
        </Form.Item>
      )}
      {invite.error && <Alert type="error" title={wordsOf(invite.error)} style={{ marginBottom: 10 }} />}
      <Button type="primary" htmlType="submit" loading={invite.isPending}>
        {okText}
      </Button>
    </Form>
  );
}
