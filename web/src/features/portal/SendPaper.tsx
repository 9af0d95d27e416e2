import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { answer, api, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { bytes } from "../../ui/days";
import { type Sending, sendResumably } from "../uploads/sendResumably";
import { refused } from "../uploads/Uploads";
import { PieceTray } from "./PieceTray";
import { bytesOf, isPicture, MOST_PIECES, type Piece, papersOf, piecesOf } from "./pieces";

type SendPaperProps = { fileId: string; askId?: string; label: string };

const count = (n: number, one: string) => (n === 1 ? `one ${one}` : `${n} ${one}s`);

/**
 * A big button to photograph a paper, a smaller one to choose files. Photos can be turned, trimmed and joined before they
 * are sent; what broke off goes on; it says what became of it.
 */
export function SendPaper({ fileId, askId, label }: SendPaperProps) {
  const camera = useRef<HTMLInputElement>(null);
  const picker = useRef<HTMLInputElement>(null);
  const sending = useRef<Sending<string>>(undefined);
  const [pieces, setPieces] = useState<Piece[]>([]);
  const [part, setPart] = useState(0);
  const [broken, setBroken] = useState<string>();
  const [told, setTold] = useState<string>();
  const limit = useQuery(practiceOptions).data?.uploadLimit ?? Number.POSITIVE_INFINITY;
  const queries = useQueryClient();

  const upload = async (file: File, onPart: (part: number) => void): Promise<string> => {
    sending.current = sendResumably(
      file,
      (id) => Promise.resolve(id),
      Promise.resolve(),
      onPart,
      (problem) => setBroken(wordsOf(problem)),
    );
    return sending.current.taken;
  };
  const send = useMutation({
    mutationFn: async (all: Piece[]) => {
      let sent = 0;
      let papers = 0;
      for (const paper of papersOf(all)) {
        const uploads: string[] = [];
        for (const piece of paper) {
          const file = await bytesOf(piece);
          uploads.push(await upload(file, (p) => setPart((sent + p) / all.length)));
          sent++;
        }
        const [first = "", ...more] = uploads;
        await answer(
          api.POST("/api/portal/papers", {
            body: { upload: first, more: more.length > 0 ? more : undefined, fileId, askId },
          }),
        );
        // what has arrived is not sent again when a later one is refused
        setPieces((left) => left.filter((p) => !paper.includes(p)));
        papers++;
      }
      return papers;
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["portal"] }),
  });
  const begin = (all: Piece[]) => {
    setPart(0);
    setBroken(undefined);
    send.mutate(all);
  };
  const take = (e: React.ChangeEvent<HTMLInputElement>) => {
    const chosen = [...(e.target.files ?? [])];
    e.target.value = "";
    if (chosen.length === 0) {
      return;
    }
    send.reset();
    const wrong = chosen.map((file) => refused(file, limit)).filter((words) => words !== undefined);
    const good = chosen.filter((file) => refused(file, limit) === undefined);
    const room = Math.max(0, MOST_PIECES - pieces.length);
    setTold(
      [
        ...wrong,
        good.length > room &&
          `At most ${MOST_PIECES} at once: ${good.length} were chosen, the first ${room} are here. Send them, then choose the rest.`,
      ]
        .filter(Boolean)
        .join(" ") || undefined,
    );
    const next = piecesOf(good.slice(0, room), pieces);
    setPieces(next);
    const [only] = next;
    if (next.length === 1 && only && !isPicture(only.file)) {
      begin(next);
    }
  };
  const goOn = () => {
    setBroken(undefined);
    sending.current?.goOn();
  };
  const papers = papersOf(pieces).length;
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
        accept=".pdf,.jpg,.jpeg,.png,.tif,.tiff,.heic"
        multiple
        hidden
        aria-label={`Choose a file: ${label}`}
        onChange={take}
      />
      {send.isSuccess && (
        <div className="portal-told good" role="status">
          Thank you, {send.data === 1 ? "it has arrived" : `${send.data} papers have arrived`}.
        </div>
      )}
      {told && (
        <div className="portal-told" role="alert">
          {told}
        </div>
      )}
      {(send.error || broken) && (
        <div className="portal-told" role="alert">
          {broken ?? wordsOf(send.error)}
        </div>
      )}
      {pieces.length > 0 && !send.isPending && <PieceTray pieces={pieces} onChange={setPieces} />}
      {broken ? (
        <button type="button" className="portal-big" onClick={goOn}>
          Go on
        </button>
      ) : send.isPending ? (
        <button type="button" className="portal-big" disabled>
          {`Sending, ${Math.round(part * 100)} %`}
        </button>
      ) : pieces.length > 0 ? (
        <button type="button" className="portal-big" onClick={() => begin(pieces)}>
          Send{" "}
          {pieces.length === papers
            ? count(papers, "paper")
            : `${pieces.length} photos as ${count(papers, "paper")}`}
        </button>
      ) : (
        <button type="button" className="portal-big" onClick={() => camera.current?.click()}>
          Take a photo
        </button>
      )}
      {!send.isPending && (
        <div className="portal-more">
          {pieces.length > 0 && (
            <button type="button" className="portal-link" onClick={() => camera.current?.click()}>
              One more photo
            </button>
          )}
          <button type="button" className="portal-link" onClick={() => picker.current?.click()}>
            {pieces.length > 0 ? "More files" : "Choose files"}
          </button>
        </div>
      )}
      {Number.isFinite(limit) && (
        <div className="portal-limit">PDF, JPEG, PNG, TIFF or HEIC, at most {bytes(limit)} each</div>
      )}
    </>
  );
}
