import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Modal } from "antd";
import { useState } from "react";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import { PaperNames } from "../documents/PaperNames";
import { sharedOptions } from "../people/fileQueries";
import { InviteForm } from "./InviteForm";

type ShareModalProps = {
  papers: { id: string; name: string }[];
  file: Shape<"FileAnswer">;
  open: boolean;
  onClose: () => void;
};

/** Makes papers visible to a guest of the file, inviting him first if he is new. */
export function ShareModal({ papers, file, open, onClose }: ShareModalProps) {
  return (
    <Modal
      title={papers.length === 1 ? `Share “${papers[0]?.name}”` : `Share ${papers.length} papers`}
      open={open}
      onCancel={onClose}
      footer={null}
      destroyOnHidden
    >
      {open && <Share papers={papers} file={file} onClose={onClose} />}
    </Modal>
  );
}

function Share({ papers, file, onClose }: Omit<ShareModalProps, "open">) {
  const shared = useQuery(sharedOptions(file.id));
  const [invites, setInvites] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const share = useMutation({
    mutationFn: ({ accountId }: { accountId: string; name: string }) =>
      done(api.POST("/api/shares", { body: { accountId, documents: papers.map((p) => p.id) } })),
    onSuccess: (_, { name }) => {
      message.success(`Shared with ${name}.`);
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  return (
    <Loaded query={shared}>
      {({ guests, shares }) => (
        <>
          {papers.length > 1 && <PaperNames names={papers.map((p) => p.name)} />}
          <ul className="plain-list shared-list">
            {guests.map((guest) => {
              const has = papers.every((paper) =>
                shares.some((s) => s.accountId === guest.accountId && s.documentId === paper.id),
              );
              return (
                <li key={guest.accountId}>
                  <span>
                    <strong>{guest.name}</strong>{" "}
                    <span className="muted">
                      {guest.relation} · {guest.email}
                    </span>
                  </span>
                  <Button size="small" disabled={has} onClick={() => share.mutate(guest)}>
                    {has ? "Shared" : "Share"}
                  </Button>
                </li>
              );
            })}
          </ul>
          {share.error && <Alert type="error" title={wordsOf(share.error)} style={{ marginBottom: 10 }} />}
          {invites || guests.length === 0 ? (
            <InviteForm
              files={[file]}
              okText="Invite and share"
              onInvited={(accountId, name) => share.mutate({ accountId, name })}
            />
          ) : (
            <Button onClick={() => setInvites(true)}>Invite another guest</Button>
          )}
        </>
      )}
    </Loaded>
  );
}
