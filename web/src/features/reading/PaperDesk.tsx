import type { PDFDocumentProxy } from "pdfjs-dist";
import {
  type ReactNode,
  type Ref,
  useCallback,
  useEffect,
  useImperativeHandle,
  useRef,
  useState,
} from "react";
import { PdfPage } from "./PdfPage";
import { A4, asTurn, pixels, type Size, scaleOf, type Turn, turned, type Zoom } from "./placing";

/** Room around the pages on the desk. */
const MARGIN = 4;

export type DeskHandle = { goTo: (page: number, top?: number) => void; scrollTo: (place: number) => void };

type PaperDeskProps = {
  pages: number;
  /** Of a PDF that is open; without it the server draws the pages. */
  pdf?: PDFDocumentProxy;
  /** The address of the drawn page. */
  image: (page: number, width: number, turn: Turn) => string;
  name: string;
  zoom: Zoom;
  turnOf: (page: number) => Turn;
  over: (page: number) => ReactNode;
  onPage: (page: number) => void;
  onScale: (scale: number) => void;
  /** Where it is scrolled to: the page, and how far down in it, as one number. */
  onPlace?: (place: number) => void;
  ref?: Ref<DeskHandle>;
};

/** The pages of a paper one below the other; only those near the window are drawn. */
export function PaperDesk(props: PaperDeskProps) {
  const { pages, pdf, image, name, zoom, turnOf, over, onPage, onScale, onPlace, ref } = props;
  const desk = useRef<HTMLElement>(null);
  const [room, setRoom] = useState<Size>({ width: 600, height: 500 });
  const [sizes, setSizes] = useState<ReadonlyMap<number, Size>>(new Map());
  const [near, setNear] = useState<ReadonlySet<number>>(new Set([1]));
  const [failed, setFailed] = useState<ReadonlySet<number>>(new Set());
  const usual = sizes.get(1) ?? sizes.values().next().value ?? A4;
  const sizeOf = (page: number) => turned(sizes.get(page) ?? usual, turnOf(page));
  const scale = scaleOf(zoom, turned(usual, turnOf(1)), {
    width: room.width - 2 * MARGIN,
    height: room.height - 2 * MARGIN,
  });
  useEffect(() => onScale(scale), [scale, onScale]);
  useEffect(() => {
    if (!desk.current || typeof ResizeObserver === "undefined") {
      return;
    }
    const observer = new ResizeObserver(([entry]) => {
      if (entry) {
        setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
      }
    });
    observer.observe(desk.current);
    return () => observer.disconnect();
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: other pages are other elements to be watched
  useEffect(() => {
    if (!desk.current || typeof IntersectionObserver === "undefined") {
      return;
    }
    const observer = new IntersectionObserver(
      (entries) =>
        setNear((before) => {
          const next = new Set(before);
          for (const entry of entries) {
            const page = Number((entry.target as HTMLElement).dataset.page);
            entry.isIntersecting ? next.add(page) : next.delete(page);
          }
          return next;
        }),
      { root: desk.current, rootMargin: "60% 0px" },
    );
    for (const sheet of desk.current.children) {
      observer.observe(sheet);
    }
    return () => observer.disconnect();
  }, [pages]);
  const sheet = useCallback(
    (page: number) => desk.current?.children[page - 1] as HTMLElement | undefined,
    [],
  );
  useImperativeHandle(ref, () => ({
    goTo: (page, top = 0) => {
      const to = sheet(page);
      if (to && desk.current) {
        desk.current.scrollTop =
          to.offsetTop + (top / 10_000) * to.offsetHeight - (top > 0 ? room.height / 3 : 12);
      }
    },
    scrollTo: (place) => {
      const to = sheet(Math.floor(place));
      if (to && desk.current) {
        desk.current.scrollTop = to.offsetTop + (place % 1) * to.offsetHeight;
      }
    },
  }));
  const watch = () => {
    const top = desk.current?.scrollTop ?? 0;
    const at = pageAt(desk.current, top + room.height / 3);
    onPage(at);
    if (onPlace) {
      const first = pageAt(desk.current, top);
      const one = sheet(first);
      onPlace(first + Math.min(0.999, Math.max(0, (top - (one?.offsetTop ?? 0)) / (one?.offsetHeight || 1))));
    }
  };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard
    <section ref={desk} className="desk" tabIndex={0} aria-label="Pages" onScroll={watch}>
      {Array.from({ length: pages }, (_, i) => i + 1).map((page) => {
        const size = pixels(sizeOf(page), scale);
        const turn = turnOf(page);
        const label = `${name}, page ${page} of ${pages}`;
        const width = Math.round(size.width);
        return (
          <div
            key={page}
            data-page={page}
            className="sheet"
            style={{ width, height: Math.round(size.height) }}
          >
            {near.has(page) &&
              (pdf && !failed.has(page) ? (
                <PdfPage
                  document={pdf}
                  page={page}
                  turn={turn}
                  width={width}
                  label={label}
                  onSize={(of) => setSizes((before) => known(before, page, of))}
                  onFailed={() => setFailed((before) => new Set(before).add(page))}
                />
              ) : (
                <Drawn
                  source={image(page, width > 900 ? 1400 : 900, turn)}
                  label={label}
                  onSize={(of) => setSizes((before) => known(before, page, turned(of, turn)))}
                />
              ))}
            {over(page)}
          </div>
        );
      })}
    </section>
  );
}

function known(before: ReadonlyMap<number, Size>, page: number, size: Size): ReadonlyMap<number, Size> {
  const old = before.get(page);
  return old && Math.abs(old.width - size.width) < 1 && Math.abs(old.height - size.height) < 1
    ? before
    : new Map(before).set(page, size);
}

/** The page that stands at a height of the desk. */
function pageAt(desk: HTMLElement | null, height: number): number {
  const sheets = desk?.children ?? [];
  let low = 0;
  let high = sheets.length - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((sheets[middle] as HTMLElement).offsetTop <= height) {
      low = middle;
    } else {
      high = middle - 1;
    }
  }
  return low + 1;
}

/** A page as the server drew it. */
function Drawn({ source, label, onSize }: { source: string; label: string; onSize: (size: Size) => void }) {
  const [failed, setFailed] = useState(false);
  return failed ? (
    <p className="muted sheet-note">{label} cannot be shown.</p>
  ) : (
    <img
      className="sheet-canvas"
      src={source}
      alt={label}
      draggable={false}
      onError={() => setFailed(true)}
      onLoad={(e) => {
        const { naturalWidth, naturalHeight } = e.currentTarget;
        onSize({ width: A4.width, height: (A4.width * naturalHeight) / Math.max(1, naturalWidth) });
      }}
    />
  );
}

export { asTurn };
