import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import type { Shape } from "../../api/client";
import { sharedOptions } from "../people/fileQueries";
import { InviteForm } from "../portal/InviteForm";
import type { Copies } from "./useCopies";

type InThePortalProps = {
  copies: Copies;
  fileId: string | undefined;
  /** Undefined when nobody can be invited. */
  onInvite: (() => void) | undefined;
};

/** Whether the reader is a guest already, and what they see. */
export function InThePortal({ copies, fileId, onInvite }: InThePortalProps) {
  const { reader, known, papers } = copies;
  const shared = useQuery({ ...sharedOptions(fileId ?? ""), enabled: fileId !== undefined }).data;
  const seen = papers.filter((p) =>
    shared?.shares.some((s) => s.accountId === known?.accountId && s.documentId === p.id),
  ).length;
  if (known?.accountId) {
    return seen === 0 ? null : (
      <p className="muted copy-portal">
        {known.name} sees {seen === papers.length ? (seen === 1 ? "it" : "all of them") : `${seen} of them`}{" "}
        already. Shared again, they see this copy.
      </p>
    );
  }
  return (
    <div className="copy-portal">
      {reader.trim() !== "" && <p className="clay">{reader.trim()} is not a guest of this file yet.</p>}
      {onInvite && (
        <Button size="small" onClick={onInvite}>
          Invite a guest
        </Button>
      )}
    </div>
  );
}

type InviteFirstProps = {
  file: Shape<"FileAnswer">;
  /** Undefined where the file has no guest to choose instead. */
  onBack: (() => void) | undefined;
  onInvited: (name: string) => void;
};

/** Before anything can be shown to somebody they are a guest. */
export function InviteFirst({ file, onBack, onInvited }: InviteFirstProps) {
  return (
    <>
      {!onBack && <p>Nobody outside sees anything of this file yet. Invite somebody first.</p>}
      <InviteForm files={[file]} okText="Invite" onInvited={(_, name) => onInvited(name)} />
      {onBack && (
        <Button size="small" type="text" onClick={onBack}>
          Choose an existing guest
        </Button>
      )}
    </>
  );
}
