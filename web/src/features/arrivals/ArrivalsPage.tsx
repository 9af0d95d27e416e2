import { useQuery } from "@tanstack/react-query";
import { Button, Modal } from "antd";
import { type DragEvent, useState } from "react";
import { useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { useKeys } from "../../ui/keys";
import { Pages } from "../../ui/Pages";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { ArrivalList, inOrder } from "./ArrivalList";
import "./arrivals.css";
import { arrivalsOptions } from "./arrivalQueries";
import { FilingSheet } from "./FilingSheet";
import { SetAsideSheet } from "./SetAsideSheet";
import { useUploads } from "./useUploads";

export type Arrival = Shape<"ArrivalAnswer">;

/** Waiting papers, the pages of the chosen one, and the sheet that files it. */
export function ArrivalsPage() {
  const arrivals = useQuery(arrivalsOptions);
  const uploads = useUploads();
  const [dragging, setDragging] = useState(false);
  const drop = {
    onDragOver: (e: DragEvent) => {
      e.preventDefault();
      setDragging(true);
    },
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      setDragging(false);
      uploads.send([...e.dataTransfer.files]);
    },
  };
  return (
    <div style={{ height: "100%", position: "relative" }} {...drop}>
      <Loaded query={arrivals}>{(list) => <Desk list={inOrder(list)} uploads={uploads} />}</Loaded>
      {dragging && (
        // biome-ignore lint/a11y/noStaticElementInteractions: see above
        <div className="drop-here" onDragLeave={() => setDragging(false)}>
          Let go to put the papers into Arrivals
        </div>
      )}
    </div>
  );
}

function Desk({ list, uploads }: { list: Arrival[]; uploads: ReturnType<typeof useUploads> }) {
  const [search, setSearch] = useSearchParams();
  const [showsKeys, setShowsKeys] = useState(false);
  const at = Math.max(
    0,
    list.findIndex((a) => a.id === search.get("paper")),
  );
  const chosen = list[at];
  const choose = (arrival?: Arrival) => setSearch(arrival ? { paper: arrival.id } : {}, { replace: true });
  useKeys({
    j: () => choose(list[Math.min(at + 1, list.length - 1)]),
    k: () => choose(list[Math.max(at - 1, 0)]),
    "?": () => setShowsKeys(true),
  });
  return (
    <div className="arrivals">
      <Where>
        <strong>Arrivals</strong>
        {list.length > 0 && (
          <span className="muted">
            {" "}
            · {at + 1} of {list.length}
          </span>
        )}
      </Where>
      <ArrivalList list={list} chosen={chosen} onChoose={choose} uploads={uploads} />
      {chosen ? (
        <Chosen
          key={chosen.id}
          arrival={chosen}
          onGone={() => choose(list[at + 1] ?? list[at - 1])}
          onKeys={() => setShowsKeys(true)}
        />
      ) : (
        <div style={{ gridColumn: "2 / 4" }}>
          <QuietEmpty title="Nothing waits">
            <p>Drop papers here, or save scans into a pickup folder; they show up by themselves.</p>
          </QuietEmpty>
        </div>
      )}
      <Keys open={showsKeys} onClose={() => setShowsKeys(false)} />
    </div>
  );
}

function Chosen({ arrival, onGone, onKeys }: { arrival: Arrival; onGone: () => void; onKeys: () => void }) {
  const waits = arrival.state === "WAITING";
  return (
    <>
      <div className="arrival-pages">
        <div className="arrival-tools">
          <strong className="ellipsis">{arrival.fileName}</strong>
          <span className="muted">
            {arrival.pages > 0 && `${arrival.pages} ${arrival.pages === 1 ? "page" : "pages"}`}
          </span>
          <span className="grow" />
          <Button type="text" size="small" onClick={onKeys}>
            Keys <kbd>?</kbd>
          </Button>
          <Button type="text" size="small" href={`/api/arrivals/${arrival.id}/content`} download>
            Download
          </Button>
        </div>
        {arrival.pages > 0 ? (
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard
          <section className="page-desk" tabIndex={0} aria-label="Pages">
            <Pages
              count={arrival.pages}
              width={540}
              name={arrival.fileName}
              source={(page) => `/api/arrivals/${arrival.id}/pages/${page}?width=900`}
            />
          </section>
        ) : (
          <QuietEmpty title="No page of this paper can be shown">
            <p>{arrival.reason}</p>
          </QuietEmpty>
        )}
      </div>
      {waits ? (
        <FilingSheet arrival={arrival} onGone={onGone} />
      ) : (
        <SetAsideSheet arrival={arrival} onGone={onGone} />
      )}
    </>
  );
}

function Keys({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal title="Keys in Arrivals" open={open} onCancel={onClose} footer={null} width={360}>
      <div className="key-list">
        <kbd>J</kbd> next paper
        <kbd>K</kbd> previous paper
        <kbd>Enter</kbd> file and go on
        <kbd>X</kbd> set aside
        <kbd>U</kbd> undo the last filing
        <kbd>/</kbd> find a person
      </div>
    </Modal>
  );
}
