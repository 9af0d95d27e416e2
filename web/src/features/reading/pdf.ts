import type { PDFDocumentProxy } from "pdfjs-dist";
import workerAddress from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { useEffect, useState } from "react";

type Library = typeof import("pdfjs-dist");

let library: Promise<Library> | undefined;

/** The PDF library, loaded when the first PDF is read. */
export function pdfLibrary(): Promise<Library> {
  library ??= import("pdfjs-dist").then((loaded) => {
    loaded.GlobalWorkerOptions.workerSrc = workerAddress;
    return loaded;
  });
  return library;
}

const FILES = "/assets/pdfjs";

/** Only the parts of the file that the shown pages need are asked for. */
const CHUNK = 256 * 1024;

export type OpenPdf = { document?: PDFDocumentProxy; failed?: boolean };

/** Opens a PDF in ranges; no script of it is run and nothing outside of it is loaded. */
export function usePdf(address: string | null): OpenPdf {
  const [open, setOpen] = useState<OpenPdf>({});
  useEffect(() => {
    if (address === null) {
      return;
    }
    let gone = false;
    let end: (() => void) | undefined;
    setOpen({});
    pdfLibrary()
      .then(async (lib) => {
        const task = lib.getDocument({
          url: address,
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
        end = () => void task.destroy();
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
  }, [address]);
  return open;
}
