import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { answer, api, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { bytes } from "../../ui/days";
import { type Sending, sendResumably } from "../uploads/sendResumably";
import { refused } from "../uploads/Uploads";

type SendPaperProps = { fileId: string; askId?: string; label: string };

/** A big button to photograph a paper, a smaller one to choose a file; says what became of it. */
export function SendPaper({ fileId, askId, label }: SendPaperProps) {
  const camera = useRef<HTMLInputElement>(null);
  const picker = useRef<HTMLInputElement>(null);
  const sending = useRef<Sending<unknown>>(undefined);
  const [part, setPart] = useState(0);
  const [broken, setBroken] = useState<string>();
  const limit = useQuery(practiceOptions).data?.uploadLimit ?? Number.POSITIVE_INFINITY;
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: async (file: File) => {
      const refusal = refused(file, limit);
      if (refusal) {
        throw new Error(refusal);
      }
      const take = (upload: string) =>
        answer(api.POST("/api/portal/papers", { body: { upload, fileId, askId } }));
      sending.current = sendResumably(file, take, Promise.resolve(), setPart, (problem) =>
        setBroken(wordsOf(problem)),
      );
      return sending.current.taken;
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["portal"] }),
  });
  const take = (e: React.ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (file) {
      setPart(0);
      setBroken(undefined);
      send.mutate(file);
    }
  };
  const goOn = () => {
    setBroken(undefined);
    sending.current?.goOn();
  };
  return (
    <>
      <input
        ref={camera}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={`Photograph: ${label}`}
        onChange={take}
      />
      <input
        ref={picker}
        type="file"
        accept=".pdf,.jpg,.jpeg,.png,.tif,.tiff"
        hidden
        aria-label={`Choose a file: ${label}`}
        onChange={take}
      />
      {send.isSuccess && <div className="portal-told good">Thank you, it has arrived.</div>}
      {(send.error || broken) && (
        <div className="portal-told" role="alert">
          {broken ?? wordsOf(send.error)}
        </div>
      )}
      {broken ? (
        <button type="button" className="portal-big" onClick={goOn}>
          Go on
        </button>
      ) : (
        <button
          type="button"
          className="portal-big"
          disabled={send.isPending}
          onClick={() => camera.current?.click()}
        >
          {send.isPending ? `Sending, ${Math.round(part * 100)} %` : "Take a photo"}
        </button>
      )}
      <button
        type="button"
        className="portal-link"
        disabled={send.isPending}
        onClick={() => picker.current?.click()}
      >
        Choose a file
      </button>
      {Number.isFinite(limit) && (
        <div className="muted" style={{ textAlign: "center", fontSize: 13 }}>
          PDF, JPEG, PNG or TIFF, at most {bytes(limit)}
        </div>
      )}
    </>
  );
}
