import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { kindsOptions } from "./fileQueries";

type BecomeKindProps = { file: Shape<"FileAnswer">; version: number };

/** A file that becomes one of another kind, such as an applicant who starts to work here. */
export function BecomeKind({ file, version }: BecomeKindProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [isOpen, setOpen] = useState(false);
  const [kind, setKind] = useState<string>();
  const [startsOn, setStartsOn] = useState<string | null>(null);
  const kinds = (useQuery(kindsOptions).data ?? []).filter(
    (k) => k.subject === file.subject && k.code !== file.kind,
  );
  const become = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/files/{id}/kind", {
          params: { path: { id: file.id } },
          body: { version, kind: kind ?? "", startsOn: startsOn ?? "" },
        }),
      ),
    onSuccess: (now) => {
      message.success(`${now.name} is ${now.kindLabel} ${now.number} now.`);
      setOpen(false);
      return queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  if (kinds.length === 0) {
    return null;
  }
  return (
    <>
      <Button onClick={() => setOpen(true)}>Becomes another kind …</Button>
      <Modal
        title={`${file.name}, ${file.kindLabel} ${file.number}`}
        open={isOpen}
        onCancel={() => setOpen(false)}
        okText="Make it so"
        okButtonProps={{ disabled: !kind || !startsOn, loading: become.isPending }}
        onOk={() => become.mutate()}
      >
        <div className="become-kind">
          <label htmlFor="become-kind">Becomes</label>
          <Select
            id="become-kind"
            style={{ width: 220 }}
            {...(kind ? { value: kind } : {})}
            onChange={setKind}
            options={kinds.map((k) => ({ value: k.code, label: k.label }))}
          />
          <label htmlFor="become-from">from</label>
          <DayField id="become-from" value={startsOn} placeholder="first day" onChange={setStartsOn} />
        </div>
        <p className="muted">
          All papers stay. The file gets a new number, and the old one still finds it. From that day it is
          asked what others of the new kind are asked; facts that the new kind does not have end.
        </p>
        {become.error ? <Alert type="error" title={wordsOf(become.error)} /> : null}
      </Modal>
    </>
  );
}
