import type { PDFDocumentProxy } from "pdfjs-dist";
import { useEffect, useState } from "react";
import { pdfLibrary } from "./pdf";

/** A mark that another program put on a page of the PDF itself (ISO 32000-1, 12.5). */
export type OthersMark = {
  id: string;
  page: number;
  /** What it is, as people say. */
  kind: string;
  /** What it says; empty for nothing. */
  text: string;
  /** Empty when nobody is named. */
  author: string;
  /** The day on which it was last changed, as `2026-05-04`; undefined when that is not told. */
  on?: string;
  /** How far down the page it begins, in ten-thousandths of its height. */
  top: number;
};

/** Pages that are looked through; what comes behind them is shown on the page only. */
const MOST_PAGES = 300;

const KINDS: Record<string, string> = {
  Caret: "Insertion",
  Circle: "Circle",
  FileAttachment: "Attached file",
  FreeText: "Words",
  Highlight: "Highlight",
  Ink: "Drawing",
  Line: "Line",
  PolyLine: "Line",
  Polygon: "Shape",
  Square: "Frame",
  Squiggly: "Underline",
  Stamp: "Stamp",
  StrikeOut: "Struck out",
  Text: "Note",
  Underline: "Underline",
};

export type Annotation = {
  id?: string;
  subtype?: string;
  rect?: number[];
  hidden?: boolean;
  contentsObj?: { str?: string };
  titleObj?: { str?: string };
  modificationDate?: string | null;
};

/** @param topOf how far down the page a place of the PDF is, in parts of its height */
export function othersMark(
  from: Annotation,
  page: number,
  topOf: (rect: number[]) => number,
  dateOf: (written: string) => Date | null,
): OthersMark | undefined {
  const kind = KINDS[from.subtype ?? ""];
  if (!kind || !from.rect || from.hidden) {
    return undefined;
  }
  const date = from.modificationDate ? dateOf(from.modificationDate) : null;
  return {
    id: `${page} ${from.id}`,
    page,
    kind,
    text: from.contentsObj?.str?.trim() ?? "",
    author: from.titleObj?.str?.trim() ?? "",
    ...(date && { on: date.toISOString().slice(0, 10) }),
    top: Math.round(Math.min(1, Math.max(0, topOf(from.rect))) * 10_000),
  };
}

async function marksOf(document: PDFDocumentProxy, gone: () => boolean): Promise<OthersMark[]> {
  const { PDFDateString } = await pdfLibrary();
  const all: OthersMark[] = [];
  for (let number = 1; number <= Math.min(document.numPages, MOST_PAGES) && !gone(); number++) {
    const page = await document.getPage(number);
    const viewport = page.getViewport({ scale: 1 });
    const topOf = ([x1 = 0, y1 = 0, x2 = 0, y2 = 0]: number[]) => {
      const [, one = 0] = viewport.convertToViewportPoint(x1, y1);
      const [, other = 0] = viewport.convertToViewportPoint(x2, y2);
      return Math.min(one, other) / viewport.height;
    };
    for (const annotation of await page.getAnnotations()) {
      const mark = othersMark(annotation, number, topOf, (written) => PDFDateString.toDateObject(written));
      if (mark) {
        all.push(mark);
      }
    }
  }
  return all.sort((a, b) => a.page - b.page || a.top - b.top);
}

/** What others marked in a PDF, once its pages were looked through; nothing until then. */
export function useOthersMarks(document: PDFDocumentProxy | undefined): OthersMark[] {
  const [marks, setMarks] = useState<OthersMark[]>([]);
  useEffect(() => {
    setMarks([]);
    if (!document) {
      return;
    }
    let gone = false;
    // a page that cannot be looked into is told of where it is shown
    marksOf(document, () => gone).then(
      (found) => !gone && setMarks(found),
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [document]);
  return marks;
}
