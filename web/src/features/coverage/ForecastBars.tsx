import { useQuery } from "@tanstack/react-query";
import { Modal } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Shape } from "../../api/client";
import { day } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { StatusGlyph } from "../../ui/StatusGlyph";
import { type BoardView, fallingOptions } from "./boardQueries";

type Week = Shape<"ForecastWeek">;

/** One bar a week: what lapses or falls due if nothing comes in. A bar opens the list of who that is. */
export function ForecastBars({ weeks, view }: { weeks: Week[]; view: Partial<BoardView> }) {
  const [open, setOpen] = useState<Week | null>(null);
  const most = Math.max(1, ...weeks.map((w) => w.lapses + w.due));
  const high = most * 0.75;
  return (
    <>
      <fieldset className="forecast-bars" aria-label={`Forecast of ${weeks.length} weeks`}>
        {weeks.map((week) => {
          const count = week.lapses + week.due;
          const words = `${day(week.from)} to ${day(week.to)}: ${count} ${count === 1 ? "slot" : "slots"}`;
          return (
            <button
              key={week.from}
              type="button"
              title={words}
              aria-label={words}
              disabled={count === 0}
              onClick={() => setOpen(week)}
            >
              <span
                className={count >= high && count > 1 ? "high" : undefined}
                style={{ height: `${count === 0 ? 2 : Math.max(9, (100 * count) / most)}%` }}
              />
            </button>
          );
        })}
      </fieldset>
      <Modal
        title={open ? `What falls open from ${day(open.from)} to ${day(open.to)}` : ""}
        open={open != null}
        onCancel={() => setOpen(null)}
        footer={null}
        width={640}
        destroyOnHidden
      >
        {open && <Falling week={open} view={view} />}
      </Modal>
    </>
  );
}

function Falling({ week, view }: { week: Week; view: Partial<BoardView> }) {
  const who = useQuery(fallingOptions(view, week.from, week.to));
  return (
    <Loaded query={who}>
      {(slots) => (
        <>
          <p className="muted">If nothing new comes in by then:</p>
          <ul className="plain-list falling">
            {slots.map((slot) => (
              <li key={slot.fileId + slot.label}>
                <StatusGlyph status={slot.status} />
                <Link to={`/files/${slot.fileId}`}>{slot.name}</Link>
                <span className="ellipsis">{slot.label}</span>
                <span className="muted tabular">
                  {day(slot.on)}, {slot.status.replaceAll("-", " ")}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Loaded>
  );
}
