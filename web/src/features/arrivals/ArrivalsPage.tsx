import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Modal } from "antd";
import { type DragEvent, useCallback, useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api } from "../../api/client";
import { useKeys } from "../../ui/keys";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { droppedFiles } from "../uploads/droppedFiles";
import { useUploads } from "../uploads/Uploads";
import { ArrivalList, groupOf, inOrder } from "./ArrivalList";
import { ArrivalPages } from "./ArrivalPages";
import "./arrivals.css";
import {
  type Arrival,
  arrivalOptions,
  arrivalsOptions,
  complete,
  pageImage,
  previewOptions,
  proposedDraft,
} from "./arrivalQueries";
import { FilingSheet } from "./FilingSheet";
import { GonePaper } from "./GonePaper";
import { SetAsideSheet } from "./SetAsideSheet";
import { useFiling } from "./useFiling";

/** Waiting papers, the pages of the chosen one, and the sheet that files it. */
export function ArrivalsPage() {
  const arrivals = useQuery(arrivalsOptions);
  const { send } = useUploads();
  const [dragging, setDragging] = useState(false);
  const drop = {
    onDragOver: (e: DragEvent) => {
      e.preventDefault();
      setDragging(true);
    },
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      setDragging(false);
      droppedFiles(e.dataTransfer).then((files) => send(files.map((file) => ({ file, details: {} }))));
    },
  };
  return (
    <div style={{ height: "100%", position: "relative" }} {...drop}>
      <Loaded query={arrivals}>{(list) => <Desk list={inOrder(list)} />}</Loaded>
      {dragging && (
        // biome-ignore lint/a11y/noStaticElementInteractions: see above
        <div className="drop-here" onDragLeave={() => setDragging(false)}>
          Let go to put the papers into Arrivals
        </div>
      )}
    </div>
  );
}

function Desk({ list }: { list: Arrival[] }) {
  const [search, setSearch] = useSearchParams();
  const [showsKeys, setShowsKeys] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const latest = useRef(setSearch);
  latest.current = setSearch;
  const choose = useCallback((id?: string) => latest.current(id ? { paper: id } : {}, { replace: true }), []);
  const { at, isGone } = usePlace(list, search.get("paper"), choose);
  const chosen = isGone ? undefined : list[at];
  // where a paper is gone, the one that took its place is the next one
  const from = isGone ? at - 1 : at;
  const step = (by: number) =>
    choose(list[Math.max(0, Math.min(list.length - 1, isGone && by < 0 ? at + by : from + by))]?.id);
  const tick = useCallback(
    (id: string) =>
      setTicked((old) => {
        const now = new Set(old);
        return now.delete(id) ? now : now.add(id);
      }),
    [],
  );
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    " ": () => chosen && tick(chosen.id),
    "?": () => setShowsKeys(true),
  });
  usePresence(chosen?.state === "WAITING" ? chosen.id : undefined);
  usePrefetch(list[at + 1]);
  const others = list.filter((a) => ticked.has(a.id) && a.id !== chosen?.id && a.state === "WAITING");
  const gone = () => {
    const left = new Set([chosen?.id, ...others.map((o) => o.id)]);
    const onward = [...list.slice(at + 1), ...list.slice(0, at).reverse()].filter((a) => !left.has(a.id));
    setTicked(new Set());
    choose((onward.find((a) => a.state === "WAITING") ?? onward[0])?.id);
  };
  const { file, undo } = useFiling(gone, choose);
  useKeys({ u: undo });
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
      <ArrivalList list={list} chosen={chosen} ticked={ticked} onTick={tick} onChoose={choose} />
      {chosen ? (
        <>
          <ArrivalPages
            key={`pages of ${chosen.id}`}
            arrival={chosen}
            previous={before(list, at)}
            onChoose={choose}
            onKeys={() => setShowsKeys(true)}
          />
          {chosen.state === "WAITING" ? (
            <FilingSheet arrival={chosen} others={others} onFile={file} />
          ) : (
            <SetAsideSheet key={chosen.id} arrival={chosen} onGone={gone} />
          )}
        </>
      ) : isGone ? (
        <GonePaper id={search.get("paper") ?? ""} onNext={() => step(1)} hasNext={list.length > 0} />
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

/**
 * Where the asked paper stands in the list. One that is gone stays asked for, so that no other one slips under a key; the
 * place is then that of what follows it.
 */
function usePlace(list: Arrival[], asked: string | null, choose: (id?: string) => void) {
  const last = useRef(0);
  const found = list.findIndex((a) => a.id === asked);
  const first = list[0]?.id;
  useEffect(() => {
    // whoever names none looks at the first one, and goes on looking at it whatever comes before it
    if (!asked && first) {
      choose(first);
    }
  }, [asked, first, choose]);
  const at = found >= 0 ? found : asked ? Math.max(0, Math.min(last.current, list.length - 1)) : 0;
  last.current = at;
  return { at, isGone: asked !== null && found < 0 };
}

/** The waiting paper before it in the same group, which it can be joined to. */
function before(list: Arrival[], at: number): Arrival | undefined {
  const [previous, chosen] = [list[at - 1], list[at]];
  return previous && chosen && previous.state === "WAITING" && groupOf(previous) === groupOf(chosen)
    ? previous
    : undefined;
}

/** Tells colleagues which paper is open here. */
function usePresence(id?: string) {
  useEffect(() => {
    if (!id) {
      return;
    }
    const look = () =>
      api.POST("/api/arrivals/{id}/presence", { params: { path: { id } } }).catch(() => undefined);
    look();
    const timer = setInterval(look, 20_000);
    return () => clearInterval(timer);
  }, [id]);
}

/** Has the next paper at hand before it is asked for. */
function usePrefetch(next?: Arrival) {
  const queries = useQueryClient();
  const id = next?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each next paper
  useEffect(() => {
    if (next?.state === "WAITING") {
      queries.prefetchQuery(arrivalOptions(next)).then(() => {
        const draft = proposedDraft(next, queries.getQueryData(arrivalOptions(next).queryKey));
        if (complete(draft)) {
          queries.prefetchQuery(previewOptions(next.id, draft));
        }
      });
      if (next.pages.length > 0) {
        new Image().src = pageImage(next, 1, 900);
      }
    }
  }, [id]);
}

function Keys({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal title="Keys in Arrivals" open={open} onCancel={onClose} footer={null} width={440}>
      <dl className="key-list">
        {KEYS.map(([keys, words]) => (
          <div key={words}>
            <dt>
              {keys.map((k) => (
                <kbd key={k}>{k}</kbd>
              ))}
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}

const KEYS: [string[], string][] = [
  [["J"], "next paper"],
  [["K"], "previous paper"],
  [["Enter"], "file and go on"],
  [["1", "5"], "take a proposed person, from the first to the fifth"],
  [["6", "0"], "take a proposed type, from the first to the fifth"],
  [["P"], "type a person"],
  [["Y"], "type a type"],
  [["A"], "say what else the paper is"],
  [["Space"], "choose several for the same details"],
  [["X"], "set aside"],
  [["U"], "undo the last filing"],
  [["↑", "↓"], "go from page to page"],
  [["S"], "a new paper begins with this page"],
  [["B"], "join with the paper before"],
  [["T"], "turn the page"],
  [["[", "]"], "move the page earlier or later"],
  [["D"], "leave the page out"],
  [["Z"], "undo the last change of pages"],
  [["/"], "find a person or paper"],
];
