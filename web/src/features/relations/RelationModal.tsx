import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Form, Input, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { day } from "../../ui/days";
import { foundOptions } from "../people/fileQueries";
import { foundOutsidersOptions, relationKindsOptions } from "./relationQueries";

type Values = Shape<"OutsiderDetails"> & { kind: Shape<"RelationRequest">["kind"]; note?: string };

const NEW = "new";

/** Notes who somebody is to the person: somebody with a file, somebody known, or somebody new. */
export function RelationModal({ file, onClose }: { file: Shape<"FileAnswer">; onClose: () => void }) {
  const [form] = Form.useForm<Values>();
  const [typed, setTyped] = useState("");
  const [who, setWho] = useState<string>();
  const kinds = useQuery(relationKindsOptions).data ?? [];
  const people = useQuery({ ...foundOptions(typed), placeholderData: keepPreviousData }).data ?? [];
  const outsiders =
    useQuery({ ...foundOutsidersOptions(typed), placeholderData: keepPreviousData }).data ?? [];
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: ({ kind, note, ...details }: Values) => {
      const [sort, id] = (who ?? "").split(":");
      return answer(
        api.POST("/api/files/{id}/relations", {
          params: { path: { id: file.id } },
          body: {
            kind,
            note: note?.trim() || undefined,
            otherFile: sort === "file" ? id : undefined,
            outsider: sort === "outsider" ? id : undefined,
            newOutsider: who === NEW ? details : undefined,
          },
        }),
      );
    },
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  const options = [
    {
      label: "Outsiders",
      options: outsiders.map((o) => ({
        value: `outsider:${o.id}`,
        label: [o.name, o.organisation, o.email].filter(Boolean).join(" · "),
      })),
    },
    {
      label: "People with a file",
      options: people
        .filter((p) => p.id !== file.id)
        .map((p) => ({
          value: `file:${p.id}`,
          label: `${p.name} · ${p.number}${p.birthDate ? ` · born ${day(p.birthDate)}` : ""}`,
        })),
    },
    { label: "Not known yet", options: [{ value: NEW, label: `${typed.trim() || "Somebody"}, new` }] },
  ].filter((group) => group.options.length > 0);
  return (
    <Modal
      title={`Who is somebody to ${file.name}?`}
      open
      okText="Add"
      okButtonProps={{ disabled: !who, loading: add.isPending }}
      onOk={form.submit}
      onCancel={onClose}
      width={480}
    >
      <Form form={form} layout="vertical" requiredMark={false} onFinish={add.mutate}>
        <Form.Item
          label="What he or she is"
          name="kind"
          rules={[{ required: true, message: "Choose what the other is." }]}
        >
          <Select
            placeholder="guardian, payer, physician…"
            options={kinds.map((k) => ({ value: k.code, label: k.label }))}
          />
        </Form.Item>
        <Form.Item label="Who" htmlFor="relation-who" help={fieldWords(add.error, "otherFile")}>
          <Select
            id="relation-who"
            showSearch={{ filterOption: false, onSearch: setTyped }}
            placeholder="name, number, organisation"
            value={who}
            options={options}
            onChange={(value: string) => {
              setWho(value);
              if (value === NEW) {
                form.setFieldValue("name", typed.trim());
              }
            }}
          />
        </Form.Item>
        {who === NEW && (
          <>
            <Form.Item
              label="Name"
              name="name"
              rules={[{ required: true, whitespace: true, message: "A name is needed." }]}
            >
              <Input maxLength={120} />
            </Form.Item>
            <OutsiderFields error={add.error} />
          </>
        )}
        <Form.Item label="Note" name="note">
          <Input maxLength={200} />
        </Form.Item>
      </Form>
      {add.error && <Alert type="error" title={wordsOf(add.error)} />}
    </Modal>
  );
}

/** How an outsider can be reached. */
export function OutsiderFields({ error }: { error: unknown }) {
  return (
    <>
      <Form.Item label="Organisation" name="organisation">
        <Input maxLength={120} />
      </Form.Item>
      <Form.Item
        label="Mail address"
        name="email"
        help={fieldWords(error, "email")}
        rules={[{ type: "email", message: "This is not a mail address." }]}
      >
        <Input />
      </Form.Item>
      <Form.Item label="Phone" name="phone">
        <Input maxLength={60} />
      </Form.Item>
    </>
  );
}
