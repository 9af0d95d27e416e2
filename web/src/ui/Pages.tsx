import { type ReactNode, useState } from "react";

type PagesProps = {
  count: number;
  /** The address of the image of a page, counted from 1. */
  source: (page: number) => string;
  /** In pixels. */
  width: number;
  name: string;
  /** Drawn over a page. */
  over?: (page: number) => ReactNode;
  onPageClick?: (page: number, left: number, top: number) => void;
};

/** The pages of a paper one below the other; images load as they come into view. */
export function Pages({ count, source, width, name, over, onPageClick }: PagesProps) {
  return (
    <>
      {Array.from({ length: count }, (_, i) => i + 1).map((page) => (
        <OnePage
          key={source(page)}
          source={source(page)}
          width={width}
          label={`${name}, page ${page} of ${count}`}
          over={over?.(page)}
          onClick={onPageClick && ((left, top) => onPageClick(page, left, top))}
        />
      ))}
    </>
  );
}

type OnePageProps = {
  source: string;
  width: number;
  label: string;
  over?: ReactNode;
  onClick?: (left: number, top: number) => void;
};

function OnePage({ source, width, label, over, onClick }: OnePageProps) {
  const [failed, setFailed] = useState(false);
  const place = (e: React.MouseEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    onClick?.((e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height);
  };
  if (failed) {
    return <p className="muted">{label} cannot be shown.</p>;
  }
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents lint/a11y/noStaticElementInteractions: a place on a page is pointed at; the default place needs no pointer
    <div className="page-sheet" style={{ width }} onClick={onClick && place}>
      <img
        src={source}
        alt={label}
        loading="lazy"
        style={{ minHeight: width }}
        onLoad={(e) => {
          e.currentTarget.style.minHeight = "0";
        }}
        onError={() => setFailed(true)}
      />
      {over}
    </div>
  );
}
