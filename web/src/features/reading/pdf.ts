import type { PDFDocumentProxy, PDFWorker } from "pdfjs-dist";
import workerAddress from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { useEffect, useState } from "react";

type Library = typeof import("pdfjs-dist");

let library: Promise<Library> | undefined;

/** The PDF library, loaded when the first PDF is read or expected to be. */
export function pdfLibrary(): Promise<Library> {
  library ??= import("pdfjs-dist").then((loaded) => {
    loaded.GlobalWorkerOptions.workerSrc = workerAddress;
    return loaded;
  });
  return library;
}

/** A worker that reads nothing at the moment: the first page shows sooner when none has to be started. */
let idle: PDFWorker | undefined;

async function takeWorker(): Promise<PDFWorker> {
  const lib = await pdfLibrary();
  const taken = idle ?? new lib.PDFWorker();
  idle = undefined;
  return taken;
}

function giveBack(worker: PDFWorker) {
  if (idle) {
    worker.destroy();
  } else {
    idle = worker;
  }
}

/** Has library and worker ready before a paper is opened. */
export function useReadyForPdf() {
  useEffect(() => {
    takeWorker().then(giveBack, () => undefined);
  }, []);
}

const FILES = "/assets/pdfjs";

/** Only the parts of the file that the shown pages need are asked for. */
const CHUNK = 256 * 1024;

export type OpenPdf = { document?: PDFDocumentProxy; failed?: boolean };

/**
 * Opens a PDF in ranges; no script of it is run and nothing outside of it is loaded.
 *
 * @param size of the file in bytes
 */
export function usePdf(address: string | null, size: number): OpenPdf {
  const [open, setOpen] = useState<OpenPdf>({});
  useEffect(() => {
    if (address === null) {
      return;
    }
    let gone = false;
    let end: (() => void) | undefined;
    setOpen({});
    Promise.all([pdfLibrary(), takeWorker()])
      .then(async ([lib, worker]) => {
        const stop = new AbortController();
        const range = inRanges(lib, address, size, stop.signal, () => !gone && setOpen({ failed: true }));
        const task = lib.getDocument({
          range,
          worker,
          rangeChunkSize: CHUNK,
          disableAutoFetch: true,
          disableStream: true,
          enableXfa: false,
          // decoders in plain script, so that the page's policy needs no exception
          useWasm: false,
          cMapUrl: `${FILES}/cmaps/`,
          standardFontDataUrl: `${FILES}/standard_fonts/`,
          wasmUrl: `${FILES}/wasm/`,
          iccUrl: `${FILES}/iccs/`,
        });
        end = () => {
          stop.abort();
          task.destroy().then(() => giveBack(worker));
        };
        if (gone) {
          end();
          return;
        }
        const document = await task.promise;
        if (!gone) {
          setOpen({ document });
        }
      })
      .catch(() => !gone && setOpen({ failed: true }));
    return () => {
      gone = true;
      end?.();
    };
  }, [address, size]);
  return open;
}

/** Asks for the parts of a file of which the size is known, without asking for the whole first. */
function inRanges(lib: Library, address: string, size: number, stop: AbortSignal, onFailed: () => void) {
  const range = new lib.PDFDataRangeTransport(size, null);
  range.requestDataRange = (begin, end) => {
    fetch(address, { headers: { Range: `bytes=${begin}-${end - 1}` }, signal: stop })
      .then((answer) => (answer.ok ? answer.arrayBuffer() : Promise.reject(answer.status)))
      .then(
        (bytes) => range.onDataRange(begin, new Uint8Array(bytes)),
        () => !stop.aborted && onFailed(),
      );
  };
  return range;
}
