import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { wordsOf } from "../../../api/client";
import { day } from "../../../ui/days";
import { Loaded } from "../../../ui/Quiet";
import { PersonPicker } from "../../people/PersonPicker";
import { type Ahead, DAYS_AHEAD, type PlanDetails, previewOptions, supposedOptions } from "../planQueries";

type EffectProps = { id?: string; plan: PlanDetails };

/** What would go out by a plan in the weeks ahead, and how it reads for a real person. */
export function Effect({ id, plan }: EffectProps) {
  const isWhole = plan.name.trim() !== "" && plan.steps.every((s) => s.who.kind === "TASK" || s.words);
  const ahead = useQuery({ ...supposedOptions(id, plan), enabled: isWhole });
  if (!isWhole) {
    return <p className="muted">Give the plan a name, and each step its words, to see what would go out.</p>;
  }
  return (
    <>
      <h2>What would go out</h2>
      {ahead.error ? (
        <p className="clay">{wordsOf(ahead.error)}</p>
      ) : (
        <Loaded query={ahead}>{(data) => <Days ahead={data} />}</Loaded>
      )}
      <Preview id={id} plan={plan} ahead={ahead.data} />
    </>
  );
}

function Days({ ahead }: { ahead: Ahead }) {
  const days = ahead.days.filter((d) => d.mails.length + d.tasks.length > 0);
  const mails = days.reduce((sum, d) => sum + d.mails.length, 0);
  const unreached = new Set(
    ahead.days.flatMap((d) =>
      d.leftOut.filter((l) => l.reason === "NO_ADDRESS").map((l) => l.telling.person),
    ),
  );
  return (
    <>
      <p>
        {mails === 0 ? "No mail" : mails === 1 ? "1 mail" : `${mails} mails`} within {DAYS_AHEAD} days
        {mails > 0 && days[0] && `, ${days[0].mails.length} of them on ${day(days[0].day)}`}.
      </p>
      <table className="effect-days tabular">
        <tbody>
          {days.slice(0, 10).map((d) => (
            <tr key={d.day}>
              <td>{day(d.day)}</td>
              <td>{d.mails.length > 0 && `${d.mails.length} ${d.mails.length === 1 ? "mail" : "mails"}`}</td>
              <td>{d.tasks.length > 0 && `${d.tasks.length} in Today`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {days.length > 10 && <p className="muted">and on {days.length - 10} more days</p>}
      {unreached.size > 0 && (
        <p className="ochre">
          No address is known for {[...unreached].slice(0, 3).join(", ")}
          {unreached.size > 3 && ` and ${unreached.size - 3} more`}.
        </p>
      )}
    </>
  );
}

function Preview({ id, plan, ahead }: EffectProps & { ahead?: Ahead }) {
  const [chosen, setChosen] = useState("");
  const first = ahead?.days.flatMap((d) => d.mails.flatMap((m) => m.tellings))[0];
  const file = chosen || first?.fileId || "";
  const preview = useQuery(previewOptions(id, plan, file));
  return (
    <>
      <h2>As it reads</h2>
      <div className="effect-person">
        <label htmlFor="effect-person">for</label>
        <PersonPicker
          id="effect-person"
          value={file || null}
          known={first ? [{ id: first.fileId, name: first.person, number: "" }] : []}
          onChange={setChosen}
        />
      </div>
      {file && preview.error && <p className="clay">{wordsOf(preview.error)}</p>}
      {file && preview.data && (
        <>
          {preview.data.places.length > 0 && (
            <p className="clay">Not known: {preview.data.places.join(", ")}. Nothing goes out without.</p>
          )}
          {preview.data.letter ? (
            <article className="mail-paper">
              <div className="muted">To {preview.data.letter.address}</div>
              <h3>{preview.data.letter.subject}</h3>
              <pre className="mail-text">{preview.data.letter.text}</pre>
            </article>
          ) : (
            <p className="muted">The plan tells nobody by mail about this person.</p>
          )}
        </>
      )}
    </>
  );
}
