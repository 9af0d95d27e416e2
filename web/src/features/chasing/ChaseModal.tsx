import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal } from "antd";
import { useState } from "react";
import { api, done, Problem, type Shape, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { chaseOptions } from "./noticeQueries";

type ChaseModalProps = { fileId: string; open: boolean; onClose: () => void };

/** Shows what the person will be told, in one mail, and sends it. */
export function ChaseModal({ fileId, open, onClose }: ChaseModalProps) {
  return (
    <Modal
      title="Chase what is missing"
      open={open}
      onCancel={onClose}
      footer={null}
      width={620}
      destroyOnHidden
    >
      {open && <Chase fileId={fileId} onClose={onClose} />}
    </Modal>
  );
}

function Chase({ fileId, onClose }: { fileId: string; onClose: () => void }) {
  const preview = useQuery(chaseOptions(fileId));
  return (
    <Loaded query={preview}>{(data) => <Letter fileId={fileId} preview={data} onClose={onClose} />}</Loaded>
  );
}

function Letter({
  fileId,
  preview,
  onClose,
}: {
  fileId: string;
  preview: Shape<"ChasePreview">;
  onClose: () => void;
}) {
  const [body, setBody] = useState(preview.body);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: (again: boolean) =>
      done(api.POST("/api/files/{id}/chase", { params: { path: { id: fileId } }, body: { body, again } })),
    onSuccess: () => {
      message.success("On its way. The notices show when it arrived.");
      queries.invalidateQueries({ queryKey: ["notices"] });
      queries.invalidateQueries({ queryKey: ["files", fileId] });
      onClose();
    },
  });
  if (preview.wanted.length === 0) {
    return <p>Nothing is missing or about to lapse in this file, so there is nothing to chase.</p>;
  }
  if (!preview.recipient) {
    return <Alert type="warning" title="The file holds no mail address. Add one under Details first." />;
  }
  const twice =
    preview.chasedToday != null || (send.error instanceof Problem && send.error.code === "chased-today");
  return (
    <>
      <p>
        To <strong>{preview.recipient}</strong> · {preview.subject}
      </p>
      <Input.TextArea
        aria-label="Text of the mail"
        value={body}
        rows={13}
        onChange={(e) => setBody(e.target.value)}
      />
      {twice && (
        <Alert
          type="warning"
          style={{ marginTop: 10 }}
          title={`Chased today already${preview.chasedToday ? ` (${preview.chasedToday})` : ""}. A second mail on the same day may annoy.`}
        />
      )}
      {send.error && !twice && <Alert type="error" style={{ marginTop: 10 }} title={wordsOf(send.error)} />}
      <div style={{ display: "flex", gap: 8, justifyContent: "flex-end", marginTop: 12 }}>
        <Button onClick={onClose}>Not now</Button>
        <Button type="primary" danger={twice} loading={send.isPending} onClick={() => send.mutate(twice)}>
          {twice ? "Send again all the same" : "Send"}
        </Button>
      </div>
    </>
  );
}
