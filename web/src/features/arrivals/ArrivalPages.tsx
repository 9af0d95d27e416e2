import {
  DeleteOutlined,
  DownOutlined,
  RotateLeftOutlined,
  RotateRightOutlined,
  ScissorOutlined,
  UpOutlined,
} from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, InputNumber, Popover, Tooltip } from "antd";
import { useEffect, useRef, useState } from "react";
import { answer, api, type Shape } from "../../api/client";
import { useKeys } from "../../ui/keys";
import { QuietEmpty } from "../../ui/Quiet";
import { meOptions } from "../access/sessionQueries";
import { LinkedPaper } from "../links/LinkedPaper";
import { type Arrival, arrivalOptions, pageImage } from "./arrivalQueries";
import { usePageEdits } from "./usePageEdits";

type ArrivalPagesProps = {
  arrival: Arrival;
  previous?: Arrival;
  onChoose: (id: string) => void;
  onKeys: () => void;
};

/** The pages of the chosen paper, with what can be done to them by key or pointer. */
export function ArrivalPages({ arrival, previous, onChoose, onKeys }: ArrivalPagesProps) {
  const [at, setAt] = useState(0);
  const detail = useQuery(arrivalOptions(arrival)).data;
  const edits = usePageEdits(arrival, previous, onChoose);
  const may = (useQuery(meOptions).data?.mayChange ?? false) && arrival.state === "WAITING";
  const last = arrival.pages.length - 1;
  const page = Math.min(at, Math.max(0, last));
  const step = (by: number) => setAt(Math.max(0, Math.min(last, page + by)));
  useKeys({
    arrowdown: () => step(1),
    arrowup: () => step(-1),
    ...(may && {
      s: () => edits.split(page),
      t: () => edits.turn(page, 90),
      d: () => edits.drop(page),
      "[": () => edits.move(page, -1),
      "]": () => edits.move(page, 1),
      b: edits.join,
      z: edits.undo,
    }),
  });
  return (
    <div className="arrival-pages">
      <div className="arrival-tools">
        <strong className="ellipsis">{arrival.fileName}</strong>
        <span className="muted nowrap">{pageCount(arrival)}</span>
        <span className="grow" />
        {may && arrival.pages.length > 1 && <SplitBySigns onSplit={edits.splitByRules} />}
        {may && (detail?.steps.length ?? 0) > 0 && (
          <Tooltip title={`Undo: ${detail?.steps[0]?.words}`}>
            <Button type="text" size="small" onClick={edits.undo}>
              Undo <kbd>Z</kbd>
            </Button>
          </Tooltip>
        )}
        <Button type="text" size="small" onClick={onKeys}>
          Keys <kbd>?</kbd>
        </Button>
        <Button type="text" size="small" href={`/api/arrivals/${arrival.id}/content`} download>
          Download
        </Button>
      </div>
      {arrival.pages.length === 0 ? (
        <Unpaged arrival={arrival} link={detail?.link} />
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard
        <section className="page-desk" tabIndex={0} aria-label="Pages">
          {arrival.begins && <p className="begins">{sentence(arrival.begins)}</p>}
          {arrival.pages.map((ref, i) => (
            <ArrivalPage
              key={`${ref.sha256}-${ref.page}`}
              source={pageImage(arrival, i + 1, 900)}
              label={`${arrival.fileName}, page ${i + 1} of ${arrival.pages.length}`}
              chosen={i === page}
              onChoose={() => setAt(i)}
              tools={
                may && (
                  <PageTools
                    first={i === 0}
                    last={i === last}
                    onSplit={() => edits.split(i)}
                    onTurn={(by) => edits.turn(i, by)}
                    onMove={(by) => edits.move(i, by)}
                    onDrop={() => edits.drop(i)}
                  />
                )
              }
            />
          ))}
          {may && detail && detail.leftOut.length > 0 && (
            <div className="left-out">
              <span className="muted">Left out of this batch:</span>
              {detail.leftOut.map((p) => (
                <Button key={`${p.sha256}-${p.page}`} size="small" onClick={() => edits.bringBack(p)}>
                  Bring back page {p.page}
                </Button>
              ))}
            </div>
          )}
        </section>
      )}
    </div>
  );
}

function sentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

function pageCount(arrival: Arrival): string {
  const { length } = arrival.pages;
  const reading = arrival.reading;
  const pages = length === 0 ? "" : length === 1 ? "1 page" : `${length} pages`;
  return reading?.state === "QUEUED" && length > 0
    ? `${pages} · reading, ${reading.pagesRead} done`
    : reading?.state === "FAILED"
      ? `${pages} · not read: ${reading.reason}`
      : pages;
}

function Unpaged({ arrival, link }: { arrival: Arrival; link?: Shape<"Link"> }) {
  if (link) {
    const params = { path: { id: arrival.id } };
    return (
      <LinkedPaper link={link} check={() => answer(api.POST("/api/arrivals/{id}/link-check", { params }))} />
    );
  }
  const source = `/api/arrivals/${arrival.id}/content`;
  if (arrival.mediaType.startsWith("audio/")) {
    return (
      <div className="page-desk recording">
        {/* biome-ignore lint/a11y/useMediaCaption: a received recording has no captions */}
        <audio controls src={source} />
      </div>
    );
  }
  if (arrival.mediaType.startsWith("video/")) {
    return (
      <div className="page-desk recording">
        {/* biome-ignore lint/a11y/useMediaCaption: a received recording has no captions */}
        <video controls src={source} />
      </div>
    );
  }
  return (
    <QuietEmpty title="No page of this paper can be shown">
      <p>{arrival.reason ?? "It is kept as it came; download it to look at it."}</p>
    </QuietEmpty>
  );
}

type ArrivalPageProps = {
  source: string;
  label: string;
  chosen: boolean;
  onChoose: () => void;
  tools: React.ReactNode;
};

function ArrivalPage({ source, label, chosen, onChoose, tools }: ArrivalPageProps) {
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  const [shows, setShows] = useState(false);
  const scrolls = useRef(false);
  useEffect(() => {
    if (chosen && scrolls.current) {
      box.current?.scrollIntoView({ block: "nearest" });
    }
    scrolls.current = true;
  }, [chosen]);
  return (
    <div ref={box} className={chosen ? "arrival-page chosen" : "arrival-page"}>
      <button
        type="button"
        className="page-sheet"
        aria-current={chosen}
        onClick={(e) => {
          // chosen by pointer, it needs no focus: the keys are the page’s again
          if (e.detail > 0) {
            e.currentTarget.blur();
          }
          onChoose();
        }}
      >
        {failed ? (
          <span className="muted">{label} cannot be shown.</span>
        ) : (
          <img
            src={source}
            alt={label}
            loading="lazy"
            onError={() => setFailed(true)}
            onLoad={() => setShows(true)}
            className={shows ? undefined : "page-to-come"}
          />
        )}
      </button>
      {tools}
    </div>
  );
}

type PageToolsProps = {
  first: boolean;
  last: boolean;
  onSplit: () => void;
  onTurn: (by: number) => void;
  onMove: (by: number) => void;
  onDrop: () => void;
};

function PageTools({ first, last, onSplit, onTurn, onMove, onDrop }: PageToolsProps) {
  const tool = (title: string, icon: React.ReactNode, act: () => void, disabled = false) => (
    <Tooltip title={title} placement="right">
      <Button type="text" size="small" aria-label={title} icon={icon} disabled={disabled} onClick={act} />
    </Tooltip>
  );
  return (
    <div className="page-tools">
      {tool("A new paper begins with this page (S)", <ScissorOutlined />, onSplit, first)}
      {tool("Turn right (T)", <RotateRightOutlined />, () => onTurn(90))}
      {tool("Turn left", <RotateLeftOutlined />, () => onTurn(-90))}
      {tool("One place earlier ([)", <UpOutlined />, () => onMove(-1), first)}
      {tool("One place later (])", <DownOutlined />, () => onMove(1), last)}
      {tool("Leave this page out (D)", <DeleteOutlined />, onDrop, first && last)}
    </div>
  );
}

type Signs = { blankPages: boolean; pageCounts: boolean; everyPages: number; dropBlank: boolean };

/** Which signs end a document; cover and separator sheets always do. */
function SplitBySigns({ onSplit }: { onSplit: (signs: Signs) => void }) {
  const [open, setOpen] = useState(false);
  const [signs, setSigns] = useState<Signs>({
    blankPages: false,
    pageCounts: true,
    everyPages: 0,
    dropBlank: false,
  });
  const tick = (name: "blankPages" | "pageCounts" | "dropBlank", words: string) => (
    <Checkbox checked={signs[name]} onChange={(e) => setSigns({ ...signs, [name]: e.target.checked })}>
      {words}
    </Checkbox>
  );
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      placement="bottomRight"
      title="A new paper begins"
      content={
        <div className="split-signs">
          {tick("pageCounts", "where a page says “page 1 of …”")}
          {tick("blankPages", "after an empty page")}
          <div>
            every{" "}
            <InputNumber
              size="small"
              min={0}
              max={1000}
              aria-label="Pages of one paper"
              value={signs.everyPages}
              onChange={(n) => setSigns({ ...signs, everyPages: n ?? 0 })}
            />{" "}
            pages (0: never)
          </div>
          {tick("dropBlank", "and empty back sides are left out")}
          <p className="muted">Cover sheets and separator sheets always begin a new paper.</p>
          <Button
            type="primary"
            size="small"
            onClick={() => {
              setOpen(false);
              onSplit(signs);
            }}
          >
            Split
          </Button>
        </div>
      }
    >
      <Button type="text" size="small">
        Split by signs
      </Button>
    </Popover>
  );
}
