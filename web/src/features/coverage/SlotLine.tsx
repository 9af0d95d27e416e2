import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { statuses } from "../../ui/statuses";
import { useMayChange } from "../asof/asOf";
import { modelsOptions } from "../letters/letterQueries";
import { isFor, NewLetterModal } from "../letters/NewLetterModal";
import { AskModal } from "../portal/AskModal";
import { AwaitedSignatures } from "../signing/requests/AwaitedSignatures";
import { droppedFiles, papersOf } from "../uploads/droppedFiles";
import { useUploads } from "../uploads/Uploads";
import { PaperLine } from "./PaperLine";
import { isWanting, slotWords } from "./slotWords";
import { WaiveModal } from "./WaiveModal";

type SlotLineProps = { file: Shape<"FileAnswer">; slot: Shape<"SlotAnswer">; today: string };

/** A requirement in the ledger: how it stands, the papers that fill it, and what can be done where it is empty. */
export function SlotLine({ file, slot, today }: SlotLineProps) {
  const [search] = useSearchParams();
  const mayChange = useMayChange();
  const drop = useDropOnSlot(file.id, slot.types[0] ?? "");
  const wanting = isWanting(slot);
  const chosen = slot.papers.some((p) => p.id === search.get("paper"));
  const line = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (chosen) {
      line.current?.scrollIntoView({ block: "nearest" });
    }
  }, [chosen]);
  const classes = [
    "slot",
    wanting && slot.status !== "not-yet-due" && slot.blocking && "wanting",
    chosen && "chosen",
    drop.over && "drop",
  ];
  return (
    <div ref={line} className={classes.filter(Boolean).join(" ")} {...(mayChange ? drop.handlers : {})}>
      <div className="slot-line">
        <StatusGlyph status={slot.status} />
        <strong
          style={{
            color:
              statuses[slot.status].colour === statuses["on-file"].colour
                ? undefined
                : statuses[slot.status].colour,
          }}
        >
          {slot.label}
          {!slot.blocking && <span className="muted"> · advisory</span>}
        </strong>
        <span
          className="when"
          style={{
            color: slot.status === "on-file" ? "var(--muted)" : statuses[slot.status].colour,
          }}
        >
          {slotWords(slot, today)}
        </span>
      </div>
      {slot.papers.map((paper) => (
        <PaperLine key={paper.id} paper={paper} />
      ))}
      {slot.status === "awaiting-signature" && (
        <AwaitedSignatures fileId={file.id} slot={slot} today={today} />
      )}
      {wanting && mayChange && <SlotActions file={file} slot={slot} onAdd={drop.take} />}
    </div>
  );
}

function SlotActions({
  file,
  slot,
  onAdd,
}: {
  file: Shape<"FileAnswer">;
  slot: Shape<"SlotAnswer">;
  onAdd: (files: File[]) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const [asks, setAsks] = useState(false);
  const [waives, setWaives] = useState(false);
  const [writes, setWrites] = useState(false);
  const models = useQuery(modelsOptions).data ?? [];
  const isWritten = models.some((m) => slot.types.includes(m.type) && isFor(m, [file]));
  return (
    <div className="slot-actions">
      <input
        ref={picker}
        type="file"
        hidden
        multiple
        aria-label={`Choose a file for ${slot.label}`}
        onChange={(e) => {
          onAdd(papersOf(e.target.files));
          // the same file can be chosen again
          e.target.value = "";
        }}
      />
      <Button
        size="small"
        onClick={() => picker.current?.click()}
        aria-label={`Add a paper for ${slot.label}`}
      >
        Add
      </Button>
      <Button size="small" onClick={() => setAsks(true)} aria-label={`Ask for ${slot.label}`}>
        Ask
      </Button>
      {isWritten && (
        <Button size="small" onClick={() => setWrites(true)} aria-label={`Write ${slot.label}`}>
          Write
        </Button>
      )}
      <Button size="small" onClick={() => setWaives(true)} aria-label={`Waive ${slot.label}`}>
        Waive
      </Button>
      <AskModal fileId={file.id} slot={slot} open={asks} onClose={() => setAsks(false)} />
      {writes && <NewLetterModal people={[file]} types={slot.types} onClose={() => setWrites(false)} />}
      <WaiveModal fileId={file.id} slot={slot} open={waives} onClose={() => setWaives(false)} />
    </div>
  );
}

/** Takes files for a slot: they go to Arrivals with person and type chosen, where their dates are confirmed. */
function useDropOnSlot(fileId: string, type: string) {
  const [over, setOver] = useState(false);
  const navigate = useNavigate();
  const { send } = useUploads();
  const take = async (files: File[]) => {
    const [first] = await send(files.map((file) => ({ file, details: { fileId, type } })));
    if (first) {
      navigate(`/arrivals?paper=${first}`);
    }
  };
  const handlers = {
    onDragOver: (e: DragEvent) => {
      if (e.dataTransfer.types.includes("Files")) {
        e.preventDefault();
        e.stopPropagation();
        setOver(true);
      }
    },
    onDragLeave: () => setOver(false),
    onDrop: (e: DragEvent) => {
      setOver(false);
      if (e.dataTransfer.types.includes("Files")) {
        e.preventDefault();
        e.stopPropagation();
        droppedFiles(e.dataTransfer).then(take);
      }
    },
  };
  return { over, handlers, take };
}
