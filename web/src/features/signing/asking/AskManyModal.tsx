import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal, Select } from "antd";
import { useRef, useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { TypePicker } from "../../catalog/TypePicker";
import { typesOptions } from "../../catalog/typeQueries";
import { colleaguesOptions } from "../../handover/colleagues";
import { useUploads } from "../../uploads/Uploads";
import "./asking.css";

type AskManyModalProps = { people: { id: string; name: string }[]; onClose: () => void };

/** The same form for many people: each gets their own copy in their file, and is asked to sign it. */
export function AskManyModal({ people, onClose }: AskManyModalProps) {
  const [form, setForm] = useState<File>();
  const [type, setType] = useState<string>();
  const [colleagues, setColleagues] = useState<Record<string, string>>({});
  const [words, setWords] = useState("");
  const [dueOn, setDueOn] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const { sendAll } = useUploads();
  const queries = useQueryClient();
  const { message, modal } = App.useApp();
  const signers = useQuery(typesOptions).data?.find((t) => t.code === type)?.signers ?? [];
  const staff = useQuery(colleaguesOptions).data ?? [];
  const ask = useMutation({
    mutationFn: async () => {
      const [result] = await sendAll([
        {
          file: form as File,
          take: async (upload: string, end: () => void) => {
            const asked = await answer(
              api.POST("/api/signature-requests/many", {
                body: {
                  upload,
                  type: type ?? "",
                  files: people.map((p) => p.id),
                  colleagues,
                  message: words.trim() || null,
                  dueOn,
                  remindEveryDays: 5,
                },
              }),
            );
            end();
            return asked;
          },
        },
      ]);
      return result;
    },
    onSuccess: (result) => {
      if (result) {
        queries.invalidateQueries({ queryKey: ["files"] });
        queries.invalidateQueries({ queryKey: ["board"] });
        queries.invalidateQueries({ queryKey: ["signature-requests"] });
        told(result);
        onClose();
      }
    },
  });
  const told = ({ asked, notAsked }: Shape<"ManyAsked">) => {
    message.success(`Asked ${asked} ${asked === 1 ? "person" : "people"}.`);
    if (notAsked.length > 0) {
      modal.warning({
        title: `${notAsked.length} could not be asked`,
        content: (
          <ul>
            {notAsked.map((n) => (
              <li key={n.fileId}>
                <strong>{n.name}</strong>: {n.why}
              </li>
            ))}
          </ul>
        ),
      });
    }
  };
  return (
    <Modal
      open
      title={`The same form for ${people.length === 1 ? "1 person" : `${people.length} people`}`}
      okText="File it and ask"
      okButtonProps={{ disabled: !form || !type }}
      confirmLoading={ask.isPending}
      onOk={() => ask.mutate()}
      onCancel={onClose}
      destroyOnHidden
    >
      <div className="ask-who">
        <p className="muted">
          Each person gets their own copy, filed, and is asked to sign it. Who signs follows the type, age and
          relations.
        </p>
        <input
          ref={picker}
          type="file"
          hidden
          accept=".pdf,application/pdf"
          aria-label="The form"
          onChange={(e) => {
            setForm(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
        <Button onClick={() => picker.current?.click()}>{form ? form.name : "Choose the form, a PDF"}</Button>
        <TypePicker id="ask-many-type" label="What it is" value={type} onChange={setType} />
        {type && signers.length === 0 && (
          <Alert type="warning" title="Papers of this type ask for no signature. Choose another type." />
        )}
        {signers.map((signer) => (
          <div key={signer.role} className="ask-line">
            <span>{signer.label}</span>
            <Select
              allowClear
              aria-label={`Who signs as ${signer.label}`}
              style={{ flex: 1 }}
              placeholder="as each file says"
              value={colleagues[signer.role]}
              onChange={(id) =>
                setColleagues((before) => {
                  const { [signer.role]: _, ...rest } = before;
                  return id ? { ...rest, [signer.role]: id } : rest;
                })
              }
              options={staff.map((c) => ({ value: c.id, label: c.name }))}
            />
          </div>
        ))}
        <Input.TextArea
          rows={2}
          aria-label="Message"
          placeholder="message, may stay empty"
          maxLength={2000}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <div className="ask-line">
          <span>Wanted by</span>
          <DayField label="Wanted by" value={dueOn ?? ""} onChange={(day) => setDueOn(day || null)} />
        </div>
        {ask.error && <Alert type="error" title={wordsOf(ask.error)} />}
      </div>
    </Modal>
  );
}
