import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal } from "antd";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { meOptions } from "../access/sessionQueries";
import { holdOptions } from "./keepingQueries";
import "./keeping.css";

/** Told administrators in the head of a file: it stays, whatever the rules of keeping say. */
export function OnHold({ fileId }: { fileId: string }) {
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const hold = useQuery({ ...holdOptions(fileId), enabled: isAdministrator }).data?.hold;
  return hold ? (
    <span className="ochre" title={`${hold.reason} (${hold.by})`}>
      on hold{hold.until ? ` until ${day(hold.until)}` : ""}
    </span>
  ) : null;
}

/** Whether somebody keeps a file beyond the rules, and how that begins and ends. */
export function KeepingHold({ fileId }: { fileId: string }) {
  const hold = useQuery(holdOptions(fileId)).data?.hold;
  const [holds, setHolds] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const release = useMutation({
    mutationFn: () => done(api.DELETE("/api/files/{id}/keeping-hold", { params: { path: { id: fileId } } })),
    onSuccess: () => queries.invalidateQueries(),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <p className="keeping-hold">
      {hold ? (
        <>
          <span className="ochre">
            This file is on hold{hold.until ? ` until ${day(hold.until)}` : ""}: {hold.reason}
          </span>{" "}
          <span className="muted">({hold.by})</span>{" "}
          <button type="button" className="linklike" onClick={() => release.mutate()}>
            End the hold
          </button>
        </>
      ) : (
        <>
          <span className="muted">This file is kept as the rules of keeping say.</span>{" "}
          <button type="button" className="linklike" onClick={() => setHolds(true)}>
            Put it on hold
          </button>
        </>
      )}
      {holds && <HoldModal fileId={fileId} onClose={() => setHolds(false)} />}
    </p>
  );
}

export function HoldModal({ fileId, onClose }: { fileId: string; onClose: () => void }) {
  const queries = useQueryClient();
  const [reason, setReason] = useState("");
  const [until, setUntil] = useState<string | null>(null);
  const hold = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/files/{id}/keeping-hold", {
          params: { path: { id: fileId } },
          body: { reason, until: until ?? undefined },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries();
      onClose();
    },
  });
  return (
    <Modal open title="Put this file on hold" onCancel={onClose} footer={null} width={460}>
      <p className="muted">While it is on hold nobody can destroy it, such as while a claim is open.</p>
      <div className="words-form">
        <label htmlFor="hold-reason">Reason</label>
        <Input
          id="hold-reason"
          autoFocus
          value={reason}
          maxLength={300}
          onChange={(e) => setReason(e.target.value)}
        />
        <label htmlFor="hold-until">Until</label>
        <DayField id="hold-until" value={until} onChange={setUntil} />
      </div>
      {hold.error && <Alert type="error" title={wordsOf(hold.error)} />}
      <div className="buttons keeping-foot">
        <Button type="primary" loading={hold.isPending} onClick={() => hold.mutate()}>
          Put on hold
        </Button>
        <Button onClick={onClose}>Cancel</Button>
        <span className="muted">Without a day, until somebody ends it.</span>
      </div>
    </Modal>
  );
}
