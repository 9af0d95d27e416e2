import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { upload, wordsOf } from "../../api/client";
import { bytes } from "../../ui/days";
import { practiceOptions } from "../access/sessionQueries";

type SendPaperProps = { fileId: string; askId?: string; label: string };

/** A big button to photograph a paper, a smaller one to choose a file; says what became of it. */
export function SendPaper({ fileId, askId, label }: SendPaperProps) {
  const camera = useRef<HTMLInputElement>(null);
  const picker = useRef<HTMLInputElement>(null);
  const [part, setPart] = useState(0);
  const limit = useQuery(practiceOptions).data?.uploadLimit ?? Number.POSITIVE_INFINITY;
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > limit) {
        throw new Error(`“${file.name}” has ${bytes(file.size)}; at most ${bytes(limit)} are taken.`);
      }
      const fields: Record<string, string> = askId ? { fileId, askId } : { fileId };
      return upload("/api/portal/papers", file, fields, setPart);
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["portal"] }),
  });
  const take = (e: React.ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = "";
    if (file) {
      send.mutate(file);
    }
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
      {send.error && (
        <div className="portal-told" role="alert">
          {wordsOf(send.error)}
        </div>
      )}
      <button
        type="button"
        className="portal-big"
        disabled={send.isPending}
        onClick={() => camera.current?.click()}
      >
        {send.isPending ? `Sending, ${Math.round(part * 100)} %` : "Take a photo"}
      </button>
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
