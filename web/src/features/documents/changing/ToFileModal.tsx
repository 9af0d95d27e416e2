import { Form, Modal, Radio } from "antd";
import { useState } from "react";
import { api } from "../../../api/client";
import { PersonPicker } from "../../people/PersonPicker";
import { usePaperAction } from "../usePaperAction";

type ToFileModalProps = { ids: string[]; onClose: () => void; onDone?: () => void };

/** Moves or copies papers to another person's file. */
export function ToFileModal({ ids, onClose, onDone }: ToFileModalProps) {
  const [way, setWay] = useState<"move" | "copy">("move");
  const [fileId, setFileId] = useState<string>();
  const act = usePaperAction();
  const papers = ids.length === 1 ? "the paper" : `${ids.length} papers`;
  const send = (to: string) => {
    const body = { documents: ids, fileId: to };
    act.mutate({
      call: () =>
        way === "move"
          ? api.POST("/api/documents/move", { body })
          : api.POST("/api/documents/copy", { body }),
      said: `${way === "move" ? "Moved" : "Copied"} ${papers}.`,
      after: () => {
        onClose();
        onDone?.();
      },
    });
  };
  return (
    <Modal
      title="To another file"
      open
      okText={way === "move" ? "Move" : "Copy"}
      okButtonProps={{ disabled: !fileId, loading: act.isPending }}
      onOk={() => fileId && send(fileId)}
      onCancel={onClose}
      width={460}
    >
      <Form layout="vertical">
        <Form.Item label="Whose file" htmlFor="to-file">
          <PersonPicker id="to-file" value={fileId} known={[]} onChange={setFileId} />
        </Form.Item>
        <Radio.Group
          value={way}
          onChange={(e) => setWay(e.target.value)}
          options={[
            { value: "move", label: "Move, with all versions and decisions" },
            { value: "copy", label: "Copy the newest version" },
          ]}
        />
        <p className="muted">
          {way === "move"
            ? "Guests of this file no longer see what is moved. Both trails tell of it."
            : "Decisions and signatures stay with the paper they were given on."}
        </p>
      </Form>
    </Modal>
  );
}
