import { useQuery } from "@tanstack/react-query";
import { Button, Progress } from "antd";
import { useRef } from "react";
import { bytes, moment } from "../../ui/days";
import { practiceOptions } from "../access/sessionQueries";
import type { Arrival } from "./ArrivalsPage";
import { typesOptions } from "./arrivalQueries";
import type { useUploads } from "./useUploads";

/** The heading a paper stands under. */
function groupOf(arrival: Arrival): string {
  if (arrival.state === "SET_ASIDE") {
    return "Set aside";
  }
  switch (arrival.source) {
    case "PICKUP":
      return `Pickup “${arrival.broughtBy}”`;
    case "PORTAL":
      return "From guests";
    default:
      return "Dropped here";
  }
}

function rank(arrival: Arrival): number {
  return arrival.state === "SET_ASIDE" ? 3 : ["PICKUP", "PORTAL", "DROP"].indexOf(arrival.source);
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
  onChoose: (arrival: Arrival) => void;
  uploads: ReturnType<typeof useUploads>;
};

export function ArrivalList({ list, chosen, onChoose, uploads }: ArrivalListProps) {
  const picker = useRef<HTMLInputElement>(null);
  const limit = useQuery(practiceOptions).data?.uploadLimit;
  const waiting = list.filter((a) => a.state === "WAITING").length;
  const groups = [...new Set(list.map(groupOf))];
  return (
    <section className="arrivals-list" aria-label="Waiting papers">
      <div className="arrivals-list-head">
        <h2>{waiting} waiting</h2>
        <input
          ref={picker}
          type="file"
          multiple
          hidden
          aria-label="Choose files for Arrivals"
          accept=".pdf,.jpg,.jpeg,.png,.tif,.tiff"
          onChange={(e) => {
            uploads.send([...(e.target.files ?? [])]);
            e.target.value = "";
          }}
        />
        <Button size="small" onClick={() => picker.current?.click()}>
          Choose files
        </Button>
      </div>
      <div>
        <div className="upload-line muted">
          PDF, JPEG, PNG, TIFF {limit ? `· ${bytes(limit)} at most` : ""}
        </div>
        {uploads.uploads.map((u) => (
          <div
            key={u.key}
            className={u.error ? "upload-line refused" : "upload-line"}
            role={u.error ? "alert" : undefined}
          >
            {u.error ? (
              <>
                {u.error}{" "}
                <button type="button" className="linklike" onClick={() => uploads.dismiss(u.key)}>
                  Dismiss
                </button>
              </>
            ) : (
              <>
                <div className="ellipsis">{u.name}</div>
                <Progress percent={Math.round(u.part * 100)} size="small" />
              </>
            )}
          </div>
        ))}
      </div>
      <div className="scroll">
        {groups.map((group) => (
          <div key={group}>
            <div className="arrivals-group">
              <span>{group}</span>
              <span className="muted">{list.filter((a) => groupOf(a) === group).length}</span>
            </div>
            {list
              .filter((a) => groupOf(a) === group)
              .map((arrival) => (
                <ArrivalLine
                  key={arrival.id}
                  arrival={arrival}
                  chosen={arrival.id === chosen?.id}
                  onChoose={onChoose}
                />
              ))}
          </div>
        ))}
      </div>
    </section>
  );
}

function ArrivalLine({
  arrival,
  chosen,
  onChoose,
}: {
  arrival: Arrival;
  chosen: boolean;
  onChoose: (a: Arrival) => void;
}) {
  const types = useQuery(typesOptions).data ?? [];
  const type = types.find((t) => t.code === arrival.suggestedType)?.label;
  const second =
    arrival.reason ??
    arrival.personName ??
    (arrival.source === "PORTAL" ? `sent by ${arrival.broughtBy}` : "");
  return (
    <button type="button" className="arrival-line" aria-current={chosen} onClick={() => onChoose(arrival)}>
      <span className={arrival.pages > 0 ? "arrival-thumb" : "arrival-thumb bad"}>
        {arrival.pages > 0 && (
          <img src={`/api/arrivals/${arrival.id}/pages/1?width=160`} alt="" loading="lazy" />
        )}
      </span>
      <span style={{ minWidth: 0 }}>
        <span className="ellipsis strong" style={{ display: "block" }}>
          {type ?? arrival.fileName}
        </span>
        <span className="ellipsis muted" style={{ display: "block", fontSize: 13.5 }}>
          {second || moment(arrival.receivedAt)}
          {arrival.source === "PORTAL" && arrival.personName && `, from ${arrival.broughtBy}`}
        </span>
      </span>
    </button>
  );
}
