import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Input, Modal, Radio, Select } from "antd";
import { useState } from "react";
import type { Shape } from "../../../api/client";
import { arrivalsOptions } from "../../arrivals/arrivalQueries";

import { papersOptions } from "../documentQueries";
import { type PlacedPage, pagesTyped } from "./pageMoves";

export type PutIn =
  | { pages: PlacedPage[]; throwAway?: { id: string; name: string } | undefined }
  | { arrival: Shape<"ArrivalAnswer"> };

type PutInPagesProps = {
  paper: Shape<"DocumentAnswer">;
  /** Pages of a paper from Arrivals are put in at once, so nothing else may wait to be saved. */
  mayArrive: boolean;
  onTake: (what: PutIn) => void;
  onClose: () => void;
};

/** Which pages are put in: of another paper of the file, or of one that waits in Arrivals, such as a scan. */
export function PutInPages({ paper, mayArrive, onTake, onClose }: PutInPagesProps) {
  const [from, setFrom] = useState<"paper" | "arrival">("paper");
  const [chosen, setChosen] = useState<string>();
  const [typed, setTyped] = useState("");
  const [throwsAway, setThrowsAway] = useState(false);
  const papers = (useQuery(papersOptions(paper.fileId)).data ?? []).filter(
    (p) => p.id !== paper.id && p.pages > 0 && p.state !== "ENTERED_IN_ERROR",
  );
  const arrivals = (useQuery(arrivalsOptions).data ?? []).filter(
    (a) => a.state === "WAITING" && a.pages.length > 0,
  );
  const other = papers.find((p) => p.id === chosen);
  const arrival = arrivals.find((a) => a.id === chosen);
  const pages = other ? pagesTyped(typed, other.pages) : undefined;
  const isAll = other !== undefined && pages?.length === other.pages;
  const take = () => {
    if (from === "arrival" && arrival) {
      onTake({ arrival });
    } else if (other && pages) {
      onTake({
        pages: pages.map((page) => ({
          key: `${other.id} ${page}`,
          document: other.id,
          label: `page ${page} of ${other.name}`,
          page,
          turn: 0,
          image: `/api/documents/${other.id}/versions/${other.version}/pages/${page}?width=160`,
        })),
        throwAway: throwsAway && isAll ? { id: other.id, name: other.name } : undefined,
      });
    }
  };
  return (
    <Modal
      title="Put pages in"
      open
      width={520}
      onCancel={onClose}
      footer={
        <Button type="primary" disabled={from === "paper" ? !pages : !arrival} onClick={take}>
          Put in
        </Button>
      }
    >
      <div className="paging-from">
        <Radio.Group
          value={from}
          onChange={(e) => {
            setFrom(e.target.value);
            setChosen(undefined);
          }}
          options={[
            { value: "paper", label: "of another paper of this file" },
            { value: "arrival", label: "of a paper in Arrivals", disabled: !mayArrive },
          ]}
        />
        {!mayArrive && (
          <p className="muted">Save first what you changed; a paper from Arrivals is put in at once.</p>
        )}
        <Select
          aria-label="Which paper"
          placeholder={from === "paper" ? "Choose the paper" : "Choose what came, such as a scan"}
          showSearch={{ optionFilterProp: "label" }}
          value={chosen}
          onChange={setChosen}
          notFoundContent="There is none with pages."
          options={
            from === "paper"
              ? papers.map((p) => ({ value: p.id, label: `${p.name} · ${pagesOf(p.pages)}` }))
              : arrivals.map((a) => ({ value: a.id, label: `${a.fileName} · ${pagesOf(a.pages.length)}` }))
          }
        />
        {other && (
          <>
            <label htmlFor="paging-which">Which pages</label>
            <Input
              id="paging-which"
              placeholder={`all ${other.pages}, or such as 1-2, 4`}
              status={pages ? "" : "error"}
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
            />
            {!pages && <p className="clay">Write pages from 1 to {other.pages}, such as 1-2, 4.</p>}
            {isAll && (
              <Checkbox checked={throwsAway} onChange={(e) => setThrowsAway(e.target.checked)}>
                join them: the other paper goes to the wastebasket
              </Checkbox>
            )}
          </>
        )}
      </div>
    </Modal>
  );
}

function pagesOf(count: number): string {
  return count === 1 ? "1 page" : `${count} pages`;
}
