import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal, Select } from "antd";
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
  const [to, setTo] = useState(preview.recipient ?? undefined);
  const [typed, setTyped] = useState<string>();
  const chosen = preview.addressees.find((a) => a.email === to);
  const body = typed ?? chosen?.body ?? "";
  const { message } = App.useApp();
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: (again: boolean) =>
      done(
        api.POST("/api/files/{id}/chase", { params: { path: { id: fileId } }, body: { to, body, again } }),
      ),
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
  if (preview.addressees.length === 0) {
    return (
      <Alert
        type="warning"
        title="Nobody can be written to: neither the file nor a guardian has an email address. Add one under Details first."
      />
    );
  }
  const twice =
    preview.chasedToday != null || (send.error instanceof Problem && send.error.code === "chased-today");
  return (
    <>
      <div className="chase-to">
        <label htmlFor="chase-to">To</label>
        <Select
          id="chase-to"
          value={to}
          placeholder="Choose whom to write to"
          onChange={setTo}
          options={preview.addressees.map((a) => ({
            value: a.email,
            label: `${a.name}${a.words ? `, ${a.words}` : ""} · ${a.email}`,
          }))}
        />
        <span className="muted">{preview.subject}</span>
      </div>
      {chosen && !chosen.fits && (
        <Alert
          type="info"
          title={`One would not usually write to ${chosen.name} about this file. Check that it is meant.`}
        />
      )}
      {chosen?.unreachable && (
        <Alert
          type="error"
          title={`Mails to ${chosen.email} came back: ${chosen.unreachable}. Mend the address under Details first.`}
        />
      )}
      <Input.TextArea
        aria-label="Text of the mail"
        value={body}
        rows={13}
        onChange={(e) => setTyped(e.target.value)}
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
        <Button
          type="primary"
          danger={twice}
          disabled={!chosen || chosen.unreachable != null}
          loading={send.isPending}
          onClick={() => send.mutate(twice)}
        >
          {twice ? "Send again all the same" : "Send"}
        </Button>
      </div>
    </>
  );
}
