import { CloseOutlined, DownloadOutlined, LinkOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { App, Button, Dropdown, Select } from "antd";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { Problem, type Shape } from "../../../api/client";
import { useKept } from "../../../ui/kept";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { useMayChange } from "../../asof/asOf";
import "../documents.css";
import { foundAddress, foundPlace } from "../../finding/foundTrail";
import { CopyOutModal } from "../../leaving/CopyOutModal";
import { marksOptions, useMarking } from "../../marks/markQueries";
import { PaperReader, type ReaderHandle } from "../../reading/PaperReader";
import type { Zoom } from "../../reading/placing";
import { differencesOptions } from "../../reading/readingQueries";
import { documentOptions } from "../documentQueries";
import { draggedPaper, LEAST_WIDTH, type Pane, useReadAddress } from "../readAddress";
import { NotInFile } from "./NotInFile";
import { PaperCard } from "./PaperCard";
import { useMarksOfPane } from "./useMarksOfPane";

type ReadViewProps = { file: Shape<"FileAnswer">; ledger?: Shape<"LedgerAnswer"> };

/** The chosen paper with what is known about it, or several papers side by side. */
export function ReadView({ file, ledger }: ReadViewProps) {
  const address = useReadAddress();
  const first =
    ledger?.sections.flatMap((s) => s.slots.flatMap((slot) => slot.papers))[0] ?? ledger?.otherPapers[0];
  const panes = address.panes.length > 0 ? address.panes : first ? [{ id: first.id }] : [];
  const drop = useDropBeside(address.open);
  if (panes.length === 0) {
    return (
      <QuietEmpty title="No paper in this file yet">
        <p>Drop one on an empty slot at the left, or use “Add papers”.</p>
      </QuietEmpty>
    );
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: papers can also be laid beside by key and button
    <div ref={drop.box} className="read-drop" onDragOver={drop.over} onDrop={drop.drop}>
      <Panes panes={panes} file={file} ledger={ledger} room={drop.room} />
    </div>
  );
}

/** Takes papers that are dragged from the ledger, as many as stay readable beside each other. */
function useDropBeside(open: (pane: Pane, most: number) => boolean) {
  const box = useRef<HTMLDivElement>(null);
  const { message } = App.useApp();
  const [room, setRoom] = useState(2);
  useEffect(() => {
    if (!box.current || typeof ResizeObserver === "undefined") {
      return;
    }
    const observer = new ResizeObserver(([entry]) =>
      setRoom(Math.max(2, Math.floor((entry?.contentRect.width ?? 0) / LEAST_WIDTH))),
    );
    observer.observe(box.current);
    return () => observer.disconnect();
  }, []);
  return {
    box,
    room,
    over: (event: DragEvent) => {
      if (event.dataTransfer.types.includes(draggedPaper)) {
        event.preventDefault();
      }
    },
    drop: (event: DragEvent) => {
      const id = event.dataTransfer.getData(draggedPaper);
      if (id) {
        event.preventDefault();
        if (!open({ id }, room)) {
          message.info(`At most ${room} papers stay readable beside each other in this window.`);
        }
      }
    },
  };
}

type PanesProps = ReadViewProps & { panes: Pane[]; room: number };

function Panes({ panes, file, ledger, room }: PanesProps) {
  const [zoom, setZoom] = useState<Zoom>("width");
  const [zooms, setZooms] = useState<Record<number, Zoom>>({});
  const [linked, setLinked] = useState(true);
  const readers = useRef<(ReaderHandle | null)[]>([]);
  const leads = useRef<{ pane: number; until: number }>({ pane: -1, until: 0 });
  const shown = panes.slice(0, Math.max(room, 1));
  const several = shown.length > 1;
  // the pane that is scrolled by hand leads the others; what they tell while they follow is not listened to
  const follow = (pane: number, place: number) => {
    const now = performance.now();
    if (!several || !linked || (leads.current.pane !== pane && now < leads.current.until)) {
      return;
    }
    leads.current = { pane, until: now + 160 };
    readers.current.forEach((reader, i) => {
      if (i !== pane) {
        reader?.scrollTo(place);
      }
    });
  };
  const compared = useDifferences(shown);
  return (
    <div
      className={several ? "panes" : "panes alone"}
      style={{ gridTemplateColumns: `repeat(${shown.length}, minmax(0, 1fr))` }}
    >
      {shown.map((pane, i) => (
        <PaneOf
          key={`${pane.id}@${pane.version ?? ""}`}
          pane={pane}
          place={i}
          several={several}
          differences={compared?.[i]}
          file={file}
          ledger={ledger}
          linked={linked}
          onLinked={setLinked}
          zoom={linked ? zoom : (zooms[i] ?? zoom)}
          onZoom={(next) => (linked ? setZoom(next) : setZooms({ ...zooms, [i]: next }))}
          onPlace={(place) => follow(i, place)}
          reader={(handle) => {
            readers.current[i] = handle;
          }}
        />
      ))}
    </div>
  );
}

type DifferencesOfPane = { kind: "gone" | "new"; pages: Shape<"PageWords">[] };

/** For two versions of one paper beside each other: in each the words that the other does not have. */
function useDifferences(panes: Pane[]): DifferencesOfPane[] | undefined {
  const [first, second] = panes;
  const document = useQuery({ ...documentOptions(first?.id ?? ""), enabled: first !== undefined }).data;
  const newest = document?.versions.length ?? 0;
  const [a, b] = [first?.version ?? newest, second?.version ?? newest];
  const isOne = panes.length === 2 && first?.id === second?.id && a !== b && newest > 0;
  const found = useQuery({
    ...differencesOptions(first?.id ?? "", Math.min(a, b), Math.max(a, b)),
    enabled: isOne,
  }).data;
  if (!isOne || !found) {
    return undefined;
  }
  const older: DifferencesOfPane = { kind: "gone", pages: found.before };
  const newer: DifferencesOfPane = { kind: "new", pages: found.after };
  return a < b ? [older, newer] : [newer, older];
}

type PaneProps = {
  differences?: DifferencesOfPane;
  pane: Pane;
  place: number;
  several: boolean;
  file: Shape<"FileAnswer">;
  ledger?: Shape<"LedgerAnswer">;
  linked: boolean;
  onLinked: (linked: boolean) => void;
  zoom: Zoom;
  onZoom: (zoom: Zoom) => void;
  onPlace: (place: number) => void;
  reader: (handle: ReaderHandle | null) => void;
};

function PaneOf(props: PaneProps) {
  const document = useQuery(documentOptions(props.pane.id));
  if (document.error instanceof Problem && document.error.status === 404) {
    return <NotInFile id={props.pane.id} fileId={props.file.id} />;
  }
  return <Loaded query={document}>{(paper) => <OnePane {...props} paper={paper} />}</Loaded>;
}

function OnePane(props: PaneProps & { paper: Shape<"DocumentAnswer"> }) {
  const { versions } = props.paper;
  const version = versions.find((v) => v.number === props.pane.version) ?? versions[versions.length - 1];
  return version ? <OneVersion {...props} version={version} /> : null;
}

function OneVersion({
  paper,
  version,
  differences,
  pane,
  place,
  several,
  file,
  ledger,
  linked,
  onLinked,
  zoom,
  onZoom,
  onPlace,
  reader,
}: PaneProps & { paper: Shape<"DocumentAnswer">; version: Shape<"VersionAnswer"> }) {
  const [dark, setDark] = useKept("dark-reading", false);
  const [leaves, setLeaves] = useState(false);
  const address = useReadAddress(pane);
  const navigate = useNavigate();
  const mayChange = useMayChange() && !paper.enteredInErrorOn;
  const handle = useRef<ReaderHandle>(null);
  const marks = useMarksOfPane({ paper, version, ledger, mayChange, reader: handle });
  const beyond = (step: 1 | -1) => {
    const place = several ? undefined : foundPlace(address.words, paper.id);
    const next = step === 1 ? place?.after : place?.before;
    if (next) {
      navigate(foundAddress(next, address.words));
    }
    return next !== undefined;
  };
  const tools = (
    <>
      {paper.versions.length > 1 && (
        <Select
          size="small"
          variant="borderless"
          aria-label="Version"
          value={version.number}
          options={[...paper.versions]
            .reverse()
            .map((v) => ({ value: v.number, label: `version ${v.number}` }))}
          onChange={(number) => address.showVersion(place, number)}
        />
      )}
      {marks.tool}
      <Download paper={paper} version={version} onCopy={() => setLeaves(true)} />
    </>
  );
  return (
    <div className={several ? "pane" : "read"}>
      {several && (
        <div className="pane-head">
          <strong className="ellipsis" title={paper.name}>
            {paper.name}
          </strong>
          {tools}
          {place === 0 && (
            <Button
              type="text"
              size="small"
              icon={<LinkOutlined />}
              aria-label="Scroll and zoom together"
              title="Scroll and zoom together"
              aria-pressed={linked}
              onClick={() => onLinked(!linked)}
            />
          )}
          <Button
            type="text"
            size="small"
            icon={<CloseOutlined />}
            aria-label={`Close ${paper.name}`}
            onClick={() => address.close(place)}
          />
        </div>
      )}
      <PaperReader
        ref={(is) => {
          handle.current = is;
          reader(is);
        }}
        paper={paper}
        version={version}
        zoom={zoom}
        onZoom={onZoom}
        dark={dark}
        onDark={setDark}
        onOthersMarks={marks.onOthersMarks}
        words={address.words}
        onWords={address.search}
        onBeyond={beyond}
        differences={differences}
        mayChange={mayChange}
        onPlace={onPlace}
        over={marks.over}
        onPage={marks.onPage}
        startAt={marks.startAt}
        tools={several ? undefined : tools}
      />
      {!several && marks.margin && (
        <div className="paper-side">
          <div className="paper-side-head">
            <h2>Marks</h2>
            <Button type="text" size="small" onClick={marks.close}>
              About the paper
            </Button>
          </div>
          {marks.margin}
        </div>
      )}
      {!several && !marks.margin && (
        <PaperCard
          paper={paper}
          file={file}
          ledger={ledger}
          version={version.number}
          onVersion={(number) => address.showVersion(place, number)}
          onCompare={(number) => address.open({ id: paper.id, version: number }, 2)}
        />
      )}
      {marks.modal}
      {leaves && (
        <CopyOutModal
          fileId={paper.fileId}
          file={file}
          papers={[{ id: paper.id, name: paper.name }]}
          onClose={() => setLeaves(false)}
        />
      )}
    </div>
  );
}

type DownloadProps = {
  paper: Shape<"DocumentAnswer">;
  version: Shape<"VersionAnswer">;
  onCopy: () => void;
};

function Download({ paper, version, onCopy }: DownloadProps) {
  const { opensCovers } = useMarking();
  const covered = useQuery({
    ...marksOptions(paper.id, version.number),
    enabled: version.pages > 0,
  }).data?.some((m) => m.shape.kind === "COVER");
  const isNewest = version.number === paper.versions.length;
  const base = `/api/documents/${paper.id}/versions/${version.number}`;
  return (
    <Dropdown
      trigger={["click"]}
      menu={{
        items: [
          ...(isNewest && version.pages > 0
            ? [{ key: "copy", label: "A copy for …", onClick: onCopy }, { type: "divider" as const }]
            : []),
          {
            key: "content",
            label: <a href={`${base}/content`}>{covered ? "For us, covers closed" : "For us, as it came"}</a>,
          },
          ...(covered && opensCovers
            ? [{ key: "open", label: <a href={`${base}/content?open=true`}>For us, covers open</a> }]
            : []),
          {
            key: "archive",
            disabled: version.pages === 0,
            label: <a href={`${base}/archive`}>For us, archive copy (PDF/A-2b)</a>,
          },
        ],
      }}
    >
      <Button type="text" size="small" icon={<DownloadOutlined />} aria-label="Download" title="Download" />
    </Dropdown>
  );
}
