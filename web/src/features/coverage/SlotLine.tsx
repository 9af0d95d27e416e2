import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { type Shape, upload, wordsOf } from "../../api/client";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { statuses } from "../../ui/statuses";
import { useMayChange } from "../asof/asOf";
import { AskModal } from "../portal/AskModal";
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
      {wanting && mayChange && <SlotActions file={file} slot={slot} onAdd={drop.send} />}
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
  onAdd: (file: File) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const [asks, setAsks] = useState(false);
  const [waives, setWaives] = useState(false);
  return (
    <div className="slot-actions">
      <input
        ref={picker}
        type="file"
        hidden
        accept=".pdf,.jpg,.jpeg,.png,.tif,.tiff"
        aria-label={`Choose a file for ${slot.label}`}
        onChange={(e) => e.target.files?.[0] && onAdd(e.target.files[0])}
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
      <Button size="small" onClick={() => setWaives(true)} aria-label={`Waive ${slot.label}`}>
        Waive
      </Button>
      <AskModal fileId={file.id} slot={slot} open={asks} onClose={() => setAsks(false)} />
      <WaiveModal fileId={file.id} slot={slot} open={waives} onClose={() => setWaives(false)} />
    </div>
  );
}

/** Takes a file for a slot: it goes to Arrivals with person and type chosen, where its dates are confirmed. */
function useDropOnSlot(fileId: string, type: string) {
  const [over, setOver] = useState(false);
  const { message } = App.useApp();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const taken = useMutation({
    mutationFn: (file: File) => upload("/api/arrivals", file, { fileId, type }, () => {}),
    onSuccess: ({ id }) => {
      queries.invalidateQueries({ queryKey: ["arrivals"] });
      navigate(`/arrivals?paper=${id}`);
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  const handlers = {
    onDragOver: (e: DragEvent) => {
      e.preventDefault();
      setOver(true);
    },
    onDragLeave: () => setOver(false),
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      setOver(false);
      const file = e.dataTransfer.files[0];
      if (file) {
        taken.mutate(file);
      }
    },
  };
  return { over, handlers, send: taken.mutate };
}
