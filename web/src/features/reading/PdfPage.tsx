import type { PDFDocumentProxy } from "pdfjs-dist";
import { useEffect, useRef, useState } from "react";
import "pdfjs-dist/web/pdf_viewer.css";
import { pdfLibrary } from "./pdf";
import type { Size, Turn } from "./placing";

/** A canvas of more pixels is drawn coarser. */
const MOST_PIXELS = 16_000_000;

type PdfPageProps = {
  document: PDFDocumentProxy;
  page: number;
  /** How it is turned besides its own turning. */
  turn: Turn;
  /** Pixels of the page on the screen. */
  width: number;
  label: string;
  onSize: (size: Size) => void;
  onFailed: () => void;
};

/** One page of a PDF, drawn, with its words to be picked. */
export function PdfPage({ document, page, turn, width, label, onSize, onFailed }: PdfPageProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const words = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(1);
  const told = useRef({ onSize, onFailed });
  told.current = { onSize, onFailed };
  useEffect(() => {
    let gone = false;
    let end: (() => void) | undefined;
    const draw = async () => {
      const [library, open] = await Promise.all([pdfLibrary(), document.getPage(page)]);
      if (gone) {
        return;
      }
      const rotation = (open.rotate + turn) % 360;
      const natural = open.getViewport({ scale: 1, rotation: open.rotate });
      told.current.onSize({ width: natural.width, height: natural.height });
      const whole = open.getViewport({ scale: 1, rotation });
      const shown = width / whole.width;
      setScale(shown);
      const dense = Math.min(window.devicePixelRatio || 1, 2);
      const limit = Math.sqrt(MOST_PIXELS / (whole.width * whole.height));
      const viewport = open.getViewport({ scale: Math.min(shown * dense, limit), rotation });
      if (!canvas.current) {
        return;
      }
      // a canvas is emptied by its new size, so that comes first
      canvas.current.width = Math.ceil(viewport.width);
      canvas.current.height = Math.ceil(viewport.height);
      const task = open.render({ canvas: canvas.current, viewport });
      end = () => {
        task.cancel();
        // what was decoded can be let go of only once the drawing has ended, in whatever way
        const letGo = () => open.cleanup();
        task.promise.then(letGo, letGo);
      };
      await task.promise;
      if (gone || !words.current) {
        return;
      }
      words.current.replaceChildren();
      await new library.TextLayer({
        textContentSource: open.streamTextContent(),
        container: words.current,
        viewport: open.getViewport({ scale: shown, rotation }),
      }).render();
    };
    draw().catch((error) => {
      if (!gone && error?.name !== "RenderingCancelledException") {
        told.current.onFailed();
      }
    });
    return () => {
      gone = true;
      end?.();
    };
  }, [document, page, turn, width]);
  return (
    <>
      <canvas ref={canvas} role="img" aria-label={label} className="sheet-canvas" />
      <div
        ref={words}
        className="textLayer"
        style={
          {
            "--total-scale-factor": scale,
            "--scale-round-x": "1px",
            "--scale-round-y": "1px",
          } as React.CSSProperties
        }
      />
    </>
  );
}
