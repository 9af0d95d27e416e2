import { DetailedError, Upload } from "tus-js-client";
import { csrfToken, Problem, problemOf } from "../../api/client";
import { sessionEnded } from "../../api/session";

/**
 * Takes over what was sent whole, and answers what it became; asked again for the same upload, it does nothing new.
 * @param end tells the server that the bytes need not be kept there any longer
 */
export type Taking<T> = (upload: string, end: () => void) => Promise<T>;

export type Sending<T> = { taken: Promise<T>; stop: () => void; goOn: () => void };

const PAUSES = [0, 1_000, 3_000, 6_000, 12_000, 24_000];

/**
 * Sends a file by the open protocol tus 1.0.0: after a lost connection, or when the same file is dropped again, it goes
 * on where it broke off. Only the whole file is taken over.
 */
export function sendResumably<T>(
  file: File,
  take: Taking<T>,
  /** Its bytes may come before; it is taken over only after this, so that papers stay in their order. */
  turn: Promise<void>,
  onProgress: (part: number) => void,
  onBroken: (problem: Problem) => void,
): Sending<T> {
  let stopped: (reason: Problem) => void = () => undefined;
  let begun: Upload | undefined;
  const taken = new Promise<T>((resolve, reject) => {
    stopped = reject;
    const end = () => {
      upload.abort(true).catch(() => undefined);
    };
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
        } else if (problem.status === 401) {
          sessionEnded().then((isBack) => (isBack ? upload.start() : reject(problem)));
        } else {
          reject(problem);
        }
      },
      onSuccess: () => {
        const id = upload.url?.split("/").pop() ?? "";
        turn.then(() => untilAnswered(() => take(id, end))).then(resolve, reject);
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
    taken,
    stop: () => {
      begun?.abort(true).catch(() => undefined);
      stopped(new Problem(0, "stopped", "Stopped.", [], {}));
    },
    goOn: () => begun?.start(),
  };
}

/** Asks again after a lost answer. */
async function untilAnswered<T>(ask: () => Promise<T>): Promise<T> {
  for (const pause of [...PAUSES, undefined]) {
    try {
      return await ask();
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
