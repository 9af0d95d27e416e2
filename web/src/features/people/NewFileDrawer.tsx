import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Drawer, Form, Segmented, Space } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, fieldWords, Problem, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { day } from "../../ui/days";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { useFormDraft } from "../../ui/useFormDraft";
import { useAsOf } from "../asof/asOf";
import { FromDirectory } from "./FromDirectory";
import { directoryOptions, kindsOptions } from "./fileQueries";
import { PersonFields, type PersonValues, personDetails } from "./PersonFields";

type NewFileProps = {
  onClose: () => void;
  /** What is known of the person beforehand. */
  first?: Partial<PersonValues>;
  okText?: string;
  /** What is done with the new file; undefined to open it. */
  onMade?: (file: Shape<"FileAnswer">) => void;
};

/** Makes a new file; shows the slots it will have while the person is typed. */
export function NewFileDrawer({ open, ...props }: NewFileProps & { open: boolean }) {
  return (
    <Drawer title="New file" size={820} open={open} onClose={props.onClose} destroyOnHidden>
      <NewFile {...props} />
    </Drawer>
  );
}

function NewFile({ onClose, first, okText = "Make the file", onMade }: NewFileProps) {
  const kinds = useQuery(kindsOptions).data ?? [];
  const directory = useQuery(directoryOptions);
  const [chosen, setKind] = useState<string>();
  const kind = chosen ?? kinds.find((k) => k.code === "employee")?.code ?? kinds[0]?.code ?? "";
  const known = kinds.find((k) => k.code === kind);
  // another person's papers begin with what is known of that person
  const { draft, form, props, show } = useFormDraft<PersonValues>(
    `new file ${JSON.stringify(first ?? {})}`,
    { familyName: "", givenName: "", ...first },
    0,
  );
  const values = Form.useWatch([], form) as PersonValues | undefined;
  const { today } = useAsOf();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const create = useMutation({
    mutationFn: (evenIfLike: boolean) =>
      answer(
        api.POST("/api/files", {
          body: { person: starting(today, personDetails(kind, form.getFieldsValue())), evenIfLike },
        }),
      ),
    onSuccess: (file) => {
      queries.invalidateQueries({ queryKey: ["files"] });
      draft.discard();
      onClose();
      if (onMade) {
        onMade(file);
      } else {
        navigate(`/files/${file.id}`);
      }
    },
  });
  const exists =
    create.error instanceof Problem && create.error.code === "person-exists" ? create.error : null;
  return (
    <div className="drawer-columns">
      <Form layout="vertical" requiredMark={false} {...props} onFinish={() => create.mutate(false)}>
        <DraftNote
          draft={draft}
          onDiscard={() => {
            form.resetFields();
            show();
          }}
        />
        <Form.Item label="Kind">
          <Segmented
            value={kind}
            onChange={(k) => setKind(String(k))}
            options={kinds.map((k) => ({ label: k.label, value: k.code }))}
          />
        </Form.Item>
        {directory.data?.on && known?.subject !== "PRACTICE" && (
          <FromDirectory
            onFound={({ facts, givenName, familyName, ...found }) =>
              form.setFieldsValue({
                ...found,
                givenName: givenName ?? "",
                familyName: familyName ?? "",
                facts: { ...form.getFieldValue("facts"), ...facts },
              })
            }
          />
        )}
        <PersonFields
          subject={known?.subject ?? "PERSON"}
          facts={known?.facts ?? []}
          errors={(field) => fieldWords(create.error, field)}
        />
        {exists ? (
          <Alert
            type="warning"
            title={wordsOf(exists)}
            action={
              <Space>
                <Button size="small" onClick={() => navigate(`/files/${exists.more.fileId}`)}>
                  Open that file
                </Button>
                <Button size="small" onClick={() => create.mutate(true)}>
                  {known?.subject === "PRACTICE" ? "Make another one" : "Another person"}
                </Button>
              </Space>
            }
          />
        ) : (
          create.error && <Alert type="error" title={wordsOf(create.error)} />
        )}
        <Button type="primary" htmlType="submit" loading={create.isPending} style={{ marginTop: 12 }}>
          {okText}
        </Button>
      </Form>
      <WillHave person={personDetails(kind, values ?? { familyName: "", givenName: "" })} />
    </div>
  );
}

/** Where no first day was typed it is today, as the empty field says. */
function starting(today: string, person: Shape<"PersonDetails">): Shape<"PersonDetails"> {
  return { ...person, activeFrom: person.activeFrom ?? today };
}

function WillHave({ person }: { person: Shape<"PersonDetails"> }) {
  const { kind, birthDate, activeFrom, facts } = person;
  const slots = useQuery({
    queryKey: ["newcomer", kind, birthDate, activeFrom, facts],
    queryFn: () =>
      answer(api.POST("/api/coverage/newcomer", { body: { kind, birthDate, activeFrom, facts } })),
    enabled: kind !== "",
    placeholderData: (before) => before,
  });
  return (
    <aside className="will-have" aria-label="Slots of the new file">
      <h3>This file will hold</h3>
      <ul className="plain-list">
        {slots.data?.map((slot) => (
          <li key={slot.label}>
            <StatusGlyph status={slot.status} />
            <span>
              {slot.label}
              {slot.due && <span className="muted"> · due {day(slot.due)}</span>}
              {!slot.blocking && <span className="muted"> · advisory</span>}
            </span>
          </li>
        ))}
      </ul>
      {slots.data?.length === 0 && <p className="muted">Nothing is asked of this kind yet.</p>}
    </aside>
  );
}
