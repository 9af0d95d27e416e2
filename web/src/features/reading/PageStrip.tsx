import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef } from "react";

const HEIGHT = 152;

type PageStripProps = {
  pages: number;
  page: number;
  source: (page: number) => string;
  /** Pages that hold searched words. */
  found: ReadonlySet<number>;
  onPage: (page: number) => void;
};

/** All pages small, the shown one marked. */
export function PageStrip({ pages, page, source, found, onPage }: PageStripProps) {
  const box = useRef<HTMLElement>(null);
  const rows = useVirtualizer({
    count: pages,
    getScrollElement: () => box.current,
    estimateSize: () => HEIGHT,
    overscan: 3,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the strip follows the page alone
  useEffect(() => rows.scrollToIndex(page - 1), [page]);
  return (
    <nav ref={box} className="page-strip" aria-label="Page strip">
      <div style={{ height: rows.getTotalSize(), position: "relative" }}>
        {rows.getVirtualItems().map((row) => {
          const n = row.index + 1;
          return (
            <button
              key={n}
              type="button"
              aria-label={`Page ${n}`}
              aria-current={n === page}
              className={found.has(n) ? "has-words" : undefined}
              style={{ transform: `translateY(${row.start}px)`, height: HEIGHT - 8 }}
              onClick={() => onPage(n)}
            >
              <img src={source(n)} alt="" loading="lazy" />
              <span>{n}</span>
            </button>
          );
        })}
      </div>
    </nav>
  );
}
