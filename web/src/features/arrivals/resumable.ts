import { DetailedError, Upload } from "tus-js-client";
import { answer, api, csrfToken, Problem, problemOf } from "../../api/client";

/** What is known of a paper before it is filed. */
export type PaperDetails = { fileId?: string; type?: string; note?: string };

export type Sending = { arrival: Promise<string>; stop: () => void; goOn: () => void };

const PAUSES = [0, 1_000, 3_000, 6_000, 12_000, 24_000];

/**
 * Sends a file by the open protocol tus 1.0.0: after a lost connection, or when the same file is dropped again, it goes
 * on where it broke off. Only the whole file becomes a paper.
 */
export function sendResumably(
  file: File,
  details: PaperDetails,
  /** Its bytes may come before; it becomes a paper only after this, so that papers stay in their order. */
  turn: Promise<void>,
  onProgress: (part: number) => void,
  onBroken: (problem: Problem) => void,
): Sending {
  let stopped: (reason: Problem) => void = () => undefined;
  let begun: Upload | undefined;
  const arrival = new Promise<string>((resolve, reject) => {
    stopped = reject;
    const upload = new Upload(file, {
      endpoint: "/api/uploads",
      retryDelays: PAUSES,
      metadata: { filename: file.name },
      removeFingerprintOnSuccess: true,
      onBeforeRequest: (request) => request.setHeader("X-XSRF-TOKEN", csrfToken()),
      onProgress: (sent, total) => onProgress(total > 0 ? sent / total : 1),
      onError: (error) => {
        const problem = problemOfUpload(error);
        if (problem.status === 0) {
          onBroken(problem);
        } else {
          reject(problem);
        }
      },
      onSuccess: () => {
        const id = upload.url?.split("/").pop() ?? "";
        turn.then(() => take(id, details)).then(resolve, reject);
      },
    });
    begun = upload;
    upload.findPreviousUploads().then((earlier) => {
      const last = earlier.at(-1);
      if (last) {
        upload.resumeFromPreviousUpload(last);
      }
      upload.start();
    });
  });
  return {
    arrival,
    stop: () => {
      begun?.abort(true).catch(() => undefined);
      stopped(new Problem(0, "stopped", "Stopped.", [], {}));
    },
    goOn: () => begun?.start(),
  };
}

/** Asked again after a lost answer, the server answers the same. */
async function take(upload: string, details: PaperDetails): Promise<string> {
  for (const pause of [...PAUSES, undefined]) {
    try {
      const { id } = await answer(api.POST("/api/arrivals/sent", { body: { upload, ...details } }));
      return id;
    } catch (error) {
      const lost = error instanceof Problem && error.status === 0;
      if (!lost || pause === undefined) {
        throw error;
      }
      await new Promise((over) => setTimeout(over, pause));
    }
  }
  throw problemOf(0, "");
}

function problemOfUpload(error: Error | DetailedError): Problem {
  const response = error instanceof DetailedError ? error.originalResponse : null;
  if (response && response.getStatus() > 0) {
    return problemOf(response.getStatus(), response.getBody() ?? "");
  }
  return new Problem(0, "unreachable", "The connection broke off. It can go on where it stopped.", [], {});
}
