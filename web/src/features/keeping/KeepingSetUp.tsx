import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { day, moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { DueFiles } from "./DueFiles";
import { KeepingRules } from "./KeepingRules";
import { type KeepingAll, keepingOptions } from "./keepingQueries";
import "./keeping.css";

/** For how long files are kept, which may leave, which are held, and which were destroyed. */
export function KeepingSetUp() {
  const keeping = useQuery(keepingOptions);
  return (
    <section className="set-up-body wide keeping" aria-label="Keeping">
      <Loaded query={keeping}>
        {(all) => (
          <>
            <DueFiles all={all} />
            <KeepingRules key={all.changes} all={all} />
            <Held held={all.held} />
            <Destroyed destroyed={all.destroyed} />
          </>
        )}
      </Loaded>
    </section>
  );
}

function Held({ held }: { held: KeepingAll["held"] }) {
  return (
    <section>
      <h2>On hold</h2>
      {held.length === 0 ? (
        <p className="muted">No file is on hold. A file is put on hold in its Details.</p>
      ) : (
        <table className="accounts-table">
          <tbody>
            {held.map((file) => (
              <tr key={file.id}>
                <td>
                  <Link to={`/files/${file.id}?view=details`}>{file.name}</Link>{" "}
                  <span className="muted">{file.number}</span>
                </td>
                <td>{file.hold.reason}</td>
                <td>{file.hold.until ? `until ${day(file.hold.until)}` : "without an end"}</td>
                <td className="muted">{file.hold.by}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Destroyed({ destroyed }: { destroyed: KeepingAll["destroyed"] }) {
  return (
    <section>
      <h2>Destroyed</h2>
      {destroyed.length === 0 ? (
        <p className="muted">No file has been destroyed yet. For each that is, a certificate stays here.</p>
      ) : (
        <ul className="keeping-certificates">
          {destroyed.map((one) => (
            <li key={one.id}>
              <Link to={`/set-up/keeping/${one.id}`}>
                {one.files === 1 ? "1 file" : `${one.files} files`}
              </Link>{" "}
              <span className="muted">
                {moment(one.at)}, {one.by}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
