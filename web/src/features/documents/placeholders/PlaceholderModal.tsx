import { useQueryClient } from "@tanstack/react-query";
import { Alert, Form, Input, Modal } from "antd";
import { useState } from "react";
import { api, fieldWords, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { useAsOf } from "../../asof/asOf";
import { TypePicker } from "../../catalog/TypePicker";
import { usePaperAction } from "../usePaperAction";

/** Notes a paper of which no page is here: it is awaited, or its original lies on paper. */
export function PlaceholderModal({
  fileId,
  awaited,
  onClose,
}: {
  fileId: string;
  awaited: boolean;
  onClose: () => void;
}) {
  const { today } = useAsOf();
  const [type, setType] = useState<string>();
  const [chosen, setDated] = useState<string | null>();
  const dated = chosen === undefined ? today : chosen;
  const [words, setWords] = useState("");
  const queries = useQueryClient();
  const act = usePaperAction();
  const wrong = fieldWords(act.error, "words");
  return (
    <Modal
      title={awaited ? "An awaited paper" : "An original on paper"}
      open
      okText="Note it"
      okButtonProps={{ disabled: !type || !dated || (!awaited && !words.trim()), loading: act.isPending }}
      onOk={() =>
        type &&
        dated &&
        act.mutate({
          call: () =>
            api.POST("/api/placeholders", {
              body: {
                awaited,
                words: words.trim() || undefined,
                details: { fileId, type, documentDate: dated, furtherTypes: [], fields: {} },
              },
            }),
          said: awaited
            ? "Noted. It fills its slot once it comes."
            : "Noted. It counts like any other paper.",
          after: () => {
            queries.invalidateQueries({ queryKey: ["files"] });
            onClose();
          },
        })
      }
      onCancel={onClose}
      width={460}
    >
      <p className="muted">
        {awaited
          ? "It stands in the file as awaited and fills no slot. Drop the paper on it when it comes, or file one of its type."
          : "No page of it is here; the file tells where it lies, and it fills its slot."}
      </p>
      <Form layout="vertical">
        <Form.Item label="Type" htmlFor="placeholder-type">
          <TypePicker id="placeholder-type" fileId={fileId} value={type} onChange={setType} />
        </Form.Item>
        <Form.Item label="Dated" htmlFor="placeholder-dated">
          <DayField id="placeholder-dated" value={dated} onChange={setDated} />
        </Form.Item>
        <Form.Item
          label={awaited ? "From whom, and what was agreed" : "Where it lies"}
          htmlFor="placeholder-words"
          validateStatus={wrong ? "error" : undefined}
          help={wrong}
        >
          <Input
            id="placeholder-words"
            maxLength={200}
            placeholder={awaited ? undefined : "such as: office, cabinet 3"}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </Form.Item>
      </Form>
      {act.error && !wrong && <Alert type="error" title={wordsOf(act.error)} />}
    </Modal>
  );
}
