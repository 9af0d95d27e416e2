import { useQueryClient } from "@tanstack/react-query";
import { Checkbox } from "antd";
import { createContext, type DragEvent, useContext, useState } from "react";
import { useSearchParams } from "react-router";
import type { Shape } from "../../api/client";
import { documentStateWords } from "../../ui/documentStates";
import { useMayChange } from "../asof/asOf";
import { documentOptions } from "../documents/documentQueries";
import { draggedPaper, useReadAddress } from "../documents/readAddress";
import { useNewVersion } from "../documents/useNewVersion";

/** More papers beside each other are hardly readable on any screen. */
const MOST_BY_KEY = 4;

/** Which papers of the ledger are chosen for something done with all of them. */
export const ChosenPapers = createContext<{
  chosen: ReadonlySet<string>;
  choose: (ids: string[], isChosen: boolean) => void;
}>({ chosen: new Set(), choose: () => {} });

/** Opens a paper in Read; whoever reads the whole file goes on in it. */
export function useOpenPaper() {
  const [, setSearch] = useSearchParams();
  return (id: string) =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      params.set("paper", id);
      params.delete("beside");
      if (params.get("view") !== "whole") {
        params.set("view", "read");
      }
      return params;
    });
}

/** One paper in the ledger: choosing it opens it in Read; a file dropped on it becomes its newest version. */
export function PaperLine({ paper }: { paper: Shape<"LedgerPaper"> }) {
  const open = useOpenPaper();
  const address = useReadAddress();
  const { chosen, choose } = useContext(ChosenPapers);
  const mayChange = useMayChange();
  const drop = useDropVersion(paper.id);
  const queries = useQueryClient();
  const inError = paper.state === "ENTERED_IN_ERROR";
  const classes = ["paper-line", chosen.has(paper.id) && "is-chosen", drop.over && "drop"];
  return (
    <div className={classes.filter(Boolean).join(" ")} {...(mayChange && !inError ? drop.handlers : {})}>
      <Checkbox
        aria-label={`Choose ${paper.name}`}
        checked={chosen.has(paper.id)}
        onChange={(e) => choose([paper.id], e.target.checked)}
      />
      <button
        type="button"
        className={inError ? "slot-paper in-error" : "slot-paper"}
        aria-current={address.panes.some((p) => p.id === paper.id)}
        draggable
        title="Drag it next to the open paper, or press B to lay it beside"
        onDragStart={(e) => e.dataTransfer.setData(draggedPaper, paper.id)}
        onKeyDown={(e) => e.key.toLowerCase() === "b" && address.open({ id: paper.id }, MOST_BY_KEY)}
        onPointerEnter={() => queries.prefetchQuery(documentOptions(paper.id))}
        onClick={() => open(paper.id)}
      >
        <span className="ellipsis">{paper.name}</span>
        <span className="muted">
          {paper.counts || paper.state === "FILED"
            ? paper.versions > 1
              ? `v${paper.versions}`
              : ""
            : documentStateWords[paper.state]}
        </span>
      </button>
    </div>
  );
}

/** Takes a dropped file as the newest version; dropped papers of the ledger are none of it. */
function useDropVersion(id: string) {
  const [over, setOver] = useState(false);
  const renew = useNewVersion(id);
  const isFile = (e: DragEvent) => e.dataTransfer.types.includes("Files");
  const handlers = {
    onDragOver: (e: DragEvent) => {
      if (isFile(e)) {
        e.preventDefault();
        e.stopPropagation();
        setOver(true);
      }
    },
    onDragLeave: () => setOver(false),
    onDrop: (e: DragEvent) => {
      const file = e.dataTransfer.files[0];
      setOver(false);
      if (file) {
        e.preventDefault();
        e.stopPropagation();
        renew.mutate(file);
      }
    },
  };
  return { over, handlers };
}
