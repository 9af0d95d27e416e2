import { EllipsisOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Dropdown, Select, Tooltip } from "antd";
import { memo, useEffect, useRef, useState } from "react";
import { practiceOptions } from "../../api/practice";
import { bytes, moment } from "../../ui/days";
import { meOptions } from "../access/sessionQueries";
import { papersOf } from "../uploads/droppedFiles";
import { type Chosen, useUploads } from "../uploads/Uploads";
import { type Arrival, pageImage } from "./arrivalQueries";
import { BringInModal } from "./BringInModal";
import { desksOptions, useDesk } from "./deskQueries";
import { LinkModal } from "./LinkModal";

/** The heading a paper stands under. */
export function groupOf(arrival: Arrival): string {
  if (arrival.state === "SET_ASIDE") {
    return "Set aside";
  }
  switch (arrival.source) {
    case "PICKUP":
      return `Pickup “${arrival.broughtBy}”`;
    case "PORTAL":
      return "From guests";
    case "MAIL":
      return "By mail";
    case "LINK":
      return "Links";
    default:
      return "Dropped here";
  }
}

function rank(arrival: Arrival): number {
  return arrival.state === "SET_ASIDE"
    ? 5
    : ["PICKUP", "MAIL", "PORTAL", "DROP", "LINK"].indexOf(arrival.source);
}

/** Papers in the order in which the list shows them: by group, then as they came. */
export function inOrder(list: Arrival[]): Arrival[] {
  return [...list].sort(
    (a, b) =>
      rank(a) - rank(b) || groupOf(a).localeCompare(groupOf(b)) || a.receivedAt.localeCompare(b.receivedAt),
  );
}

type ArrivalListProps = {
  list: Arrival[];
  chosen?: Arrival;
  ticked: ReadonlySet<string>;
  onTick: (id: string) => void;
  onChoose: (id: string) => void;
};

export function ArrivalList({ list, chosen, ticked, onTick, onChoose }: ArrivalListProps) {
  const { send, last } = useUploads();
  const picker = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [bringIn, setBringIn] = useState<Chosen[]>();
  const [links, setLinks] = useState(false);
  const chooseFolder = () => {
    // no property of React's, since it is not in the standard yet
    folder.current?.setAttribute("webkitdirectory", "");
    folder.current?.click();
  };
  const limit = useQuery(practiceOptions).data?.uploadLimit;
  const waiting = list.filter((a) => a.state === "WAITING").length;
  const groups = [...new Set(list.map(groupOf))];
  return (
    <section className="arrivals-list" aria-label="Waiting papers">
      <div className="arrivals-list-head">
        <h2>{waiting} waiting</h2>
        {[
          { of: picker, label: "Choose files for Arrivals" },
          { of: folder, label: "Choose a folder for Arrivals" },
        ].map(({ of, label }) => (
          <input
            key={label}
            ref={of}
            type="file"
            multiple
            hidden
            aria-label={label}
            onChange={(e) => {
              send(papersOf(e.target.files).map((file) => ({ file, details: {} })));
              e.target.value = "";
            }}
          />
        ))}
        <Tooltip
          title={`PDF, images, office files, text, mail messages, sound and video${limit ? `, ${bytes(limit)} at most` : ""}`}
        >
          <Button size="small" onClick={() => picker.current?.click()}>
            Choose files
          </Button>
        </Tooltip>
        <Dropdown
          trigger={["click"]}
          menu={{
            items: [
              { key: "folder", label: "A whole folder", onClick: chooseFolder },
              { key: "details", label: "With details for all or each", onClick: () => setBringIn([]) },
              {
                key: "again",
                label: "The same papers again, with other details",
                disabled: last.length === 0,
                onClick: () => setBringIn(last),
              },
              { key: "link", label: "A link to a paper kept elsewhere", onClick: () => setLinks(true) },
            ],
          }}
        >
          <Button size="small" icon={<EllipsisOutlined />} aria-label="Other ways to bring papers in" />
        </Dropdown>
      </div>
      {bringIn && <BringInModal first={bringIn} onClose={() => setBringIn(undefined)} onBringIn={send} />}
      <StandsAt />
      {links && <LinkModal onClose={() => setLinks(false)} onAdded={onChoose} />}
      <div className="scroll">
        {groups.map((group) => (
          <div key={group}>
            <div className="arrivals-group">
              <span>{group}</span>
              <span className="muted">{list.filter((a) => groupOf(a) === group).length}</span>
            </div>
            {list
              .filter((a) => groupOf(a) === group)
              .map((arrival, i, all) => (
                <div key={arrival.id}>
                  {arrival.batchId && arrival.batchId !== all[i - 1]?.batchId && (
                    <div className="batch-head">
                      Stack <strong>{arrival.fileName}</strong>
                      <span className="muted">
                        {all.filter((a) => a.batchId === arrival.batchId).length} left of it
                      </span>
                    </div>
                  )}
                  <ArrivalLine
                    arrival={arrival}
                    chosen={arrival.id === chosen?.id}
                    ticked={ticked.has(arrival.id)}
                    onTick={onTick}
                    onChoose={onChoose}
                  />
                </div>
              ))}
          </div>
        ))}
      </div>
    </section>
  );
}

/** At which desk this browser stands, so that scans made there go to the file that is open here. */
function StandsAt() {
  const desks = useQuery(desksOptions).data ?? [];
  const mayChange = useQuery(meOptions).data?.mayChange ?? false;
  const [desk, stand] = useDesk();
  return desks.length > 0 && mayChange ? (
    <div className="stands-at">
      <label htmlFor="stands-at" className="muted">
        This computer is at
      </label>
      <Select
        id="stands-at"
        size="small"
        variant="borderless"
        value={desk}
        popupMatchSelectWidth={false}
        onChange={stand}
        options={["", ...desks].map((name) => ({ value: name, label: name || "no desk" }))}
      />
    </div>
  ) : null;
}

type ArrivalLineProps = {
  arrival: Arrival;
  chosen: boolean;
  ticked: boolean;
  onTick: (id: string) => void;
  onChoose: (id: string) => void;
};

/** Drawn anew only when something of it changed: the list is long, and a key must be answered at once. */
const ArrivalLine = memo(function ArrivalLine({
  arrival,
  chosen,
  ticked,
  onTick,
  onChoose,
}: ArrivalLineProps) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (chosen) {
      box.current?.scrollIntoView({ block: "nearest" });
    }
  }, [chosen]);
  const classes = ["arrival-line", arrival.batchId && "of-batch", ticked && "ticked"]
    .filter(Boolean)
    .join(" ");
  return (
    <div ref={box} className={classes} aria-current={chosen}>
      <button
        type="button"
        className="arrival-open"
        onClick={(e) => {
          // chosen by pointer, it needs no focus: the keys are the page’s again
          if (e.detail > 0) {
            e.currentTarget.blur();
          }
          onChoose(arrival.id);
        }}
      >
        <span className={arrival.state === "SET_ASIDE" ? "arrival-thumb bad" : "arrival-thumb"}>
          {arrival.pages.length > 0 && <img src={pageImage(arrival, 1, 160)} alt="" loading="lazy" />}
        </span>
        <span style={{ minWidth: 0 }}>
          <span className="ellipsis strong" style={{ display: "block" }}>
            {arrival.personName ?? arrival.fileName}
          </span>
          <span className="ellipsis muted" style={{ display: "block", fontSize: 13.5 }}>
            {underline(arrival)}
          </span>
        </span>
      </button>
      {arrival.state === "WAITING" && (
        <Checkbox
          checked={ticked}
          aria-label={`Choose ${arrival.fileName}`}
          onChange={() => onTick(arrival.id)}
        />
      )}
    </div>
  );
});

/** What is known of it besides the person, shortest first. */
function underline(arrival: Arrival): string {
  if (arrival.openWith) {
    return `${arrival.openWith} has it open`;
  }
  if (arrival.reason) {
    return arrival.reason;
  }
  if (arrival.reading?.state === "QUEUED" && arrival.pages.length > 0) {
    return `being read, page ${arrival.reading.pagesRead + 1}`;
  }
  const pages = arrival.pages.length > 1 ? `${arrival.pages.length} pages` : "";
  return [arrival.typeLabel ?? moment(arrival.receivedAt), pages].filter(Boolean).join(" · ");
}
