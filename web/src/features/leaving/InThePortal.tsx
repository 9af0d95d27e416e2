import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import type { Shape } from "../../api/client";
import { useMayChange } from "../asof/asOf";
import { sharedOptions } from "../people/fileQueries";
import { InviteForm } from "../portal/InviteForm";
import type { Copies } from "./useCopies";

type InThePortalProps = {
  copies: Copies;
  file: Shape<"FileAnswer"> | undefined;
  fileId: string | undefined;
};

/** Whether the reader is a guest already, what they see, and how to invite who is none. */
export function InThePortal({ copies, file, fileId }: InThePortalProps) {
  const { reader, readers, known, papers, setReader } = copies;
  const [asked, setAsked] = useState<boolean>();
  const mayChange = useMayChange();
  const shared = useQuery({ ...sharedOptions(fileId ?? ""), enabled: fileId !== undefined }).data;
  const seen = papers.filter((p) =>
    shared?.shares.some((s) => s.accountId === known?.accountId && s.documentId === p.id),
  ).length;
  // the person whose file it is stands among the readers in any case
  const hasNoGuests = readers.length > 0 && readers.every((r) => !r.accountId);
  const invites = asked ?? (hasNoGuests && reader.trim() === "");
  if (invites && file && mayChange && !known?.accountId) {
    return (
      <InviteForm
        files={[file]}
        okText="Invite"
        onInvited={(_, name) => {
          setReader(name);
          setAsked(false);
        }}
      />
    );
  }
  return (
    <div className="copy-portal">
      {known?.accountId && seen > 0 && (
        <p className="muted">
          {known.name} sees {seen === papers.length ? (seen === 1 ? "it" : "all of them") : `${seen} of them`}{" "}
          already. Shared again, they see this copy.
        </p>
      )}
      {!known?.accountId && reader.trim() !== "" && (
        <p className="clay">{reader.trim()} is not a guest of this file yet.</p>
      )}
      {hasNoGuests && reader.trim() === "" && <p className="muted">The file has no guests yet.</p>}
      {file && mayChange && !known?.accountId && (
        <Button size="small" onClick={() => setAsked(true)}>
          Invite a guest
        </Button>
      )}
    </div>
  );
}
