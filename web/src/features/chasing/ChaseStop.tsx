import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal } from "antd";
import { useState } from "react";
import { api, done, wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { useMayChange } from "../asof/asOf";
import { chaseStopOptions } from "./planQueries";

/** Whether plans tell about a person; they can be stopped for a while, with a reason. */
export function ChaseStop({ fileId }: { fileId: string }) {
  const stop = useQuery(chaseStopOptions(fileId)).data?.stop;
  const mayChange = useMayChange();
  const [stops, setStops] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const goOn = useMutation({
    mutationFn: () => done(api.DELETE("/api/files/{id}/chase-stop", { params: { path: { id: fileId } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["files", fileId] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <p className="chase-stop">
      {stop ? (
        <>
          <span className="ochre">
            No plan tells about this person{stop.until ? ` until ${day(stop.until)}` : ""}: {stop.reason}
          </span>{" "}
          <span className="muted">({stop.by})</span>{" "}
          {mayChange && (
            <button type="button" className="linklike" onClick={() => goOn.mutate()}>
              Let them go on
            </button>
          )}
        </>
      ) : (
        <>
          <span className="muted">Plans tell about this person as they say.</span>{" "}
          {mayChange && (
            <button type="button" className="linklike" onClick={() => setStops(true)}>
              Stop for a while
            </button>
          )}
        </>
      )}
      {stops && <StopModal fileId={fileId} onClose={() => setStops(false)} />}
    </p>
  );
}

/** Told in the head of a file: mails to somebody around the person come back. */
export function ComesBack({ fileId }: { fileId: string }) {
  const unreachable = useQuery(chaseStopOptions(fileId)).data?.unreachable ?? [];
  return unreachable.length === 0 ? null : (
    <span className="clay" title={unreachable.map((u) => u.why).join(", ")}>
      mails to {unreachable.map((u) => u.address).join(", ")} come back
    </span>
  );
}

function StopModal({ fileId, onClose }: { fileId: string; onClose: () => void }) {
  const queries = useQueryClient();
  const [reason, setReason] = useState("");
  const [until, setUntil] = useState<string | null>(null);
  const stop = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/files/{id}/chase-stop", {
          params: { path: { id: fileId } },
          body: { reason, until: until ?? undefined },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ["files", fileId] });
      onClose();
    },
  });
  return (
    <Modal open title="Stop notices about this person" onCancel={onClose} footer={null} width={440}>
      <div className="words-form">
        <label htmlFor="stop-reason">Reason</label>
        <Input
          id="stop-reason"
          autoFocus
          value={reason}
          maxLength={300}
          onChange={(e) => setReason(e.target.value)}
        />
        <label htmlFor="stop-until">Until</label>
        <DayField id="stop-until" value={until} onChange={setUntil} />
      </div>
      {stop.error && <Alert type="error" title={wordsOf(stop.error)} />}
      <div className="buttons stop-foot">
        <Button type="primary" loading={stop.isPending} onClick={() => stop.mutate()}>
          Stop
        </Button>
        <Button onClick={onClose}>Cancel</Button>
        <span className="muted">Without a day, until somebody lets them go on.</span>
      </div>
    </Modal>
  );
}
