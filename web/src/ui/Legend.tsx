import { Popover } from "antd";
import { StatusGlyph } from "./StatusGlyph";
import { type Status, statuses } from "./statuses";

/** What the signs mean, one click away. */
export function Legend() {
  const lines = (
    <ul className="plain-list">
      {(Object.keys(statuses) as Status[]).map((status) => (
        <li key={status}>
          <StatusGlyph status={status} /> &nbsp;{statuses[status].word}
        </li>
      ))}
    </ul>
  );
  return (
    <Popover content={lines} trigger="click" placement="bottomRight">
      <button type="button" className="linklike">
        What the signs mean
      </button>
    </Popover>
  );
}
