import { useQuery } from "@tanstack/react-query";
import { Button, Tag } from "antd";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { day } from "../../../ui/days";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { meOptions } from "../../access/sessionQueries";
import { useStaff } from "../../handover/colleagues";
import { plansOptions, sendingOptions, type Words, wordsOptions } from "../planQueries";
import { whenWords, whoWords } from "../planWords";
import { SendingModal } from "./SendingModal";
import { WordsModal } from "./WordsModal";

/** The plans, the words they use, and the days on which mails go out. */
export function PlansView() {
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  return (
    <div className="plans-view scroll">
      <section aria-label="Plans">
        <PlanList isAdministrator={isAdministrator} />
      </section>
      <aside>
        <WordsList isAdministrator={isAdministrator} />
        <Sending isAdministrator={isAdministrator} />
      </aside>
    </div>
  );
}

function PlanList({ isAdministrator }: { isAdministrator: boolean }) {
  const plans = useQuery(plansOptions);
  const navigate = useNavigate();
  const staff = new Map(useStaff().map((s) => [s.value, s.label]));
  return (
    <>
      <div className="plans-head">
        <h2>Plans</h2>
        {isAdministrator && (
          <Button type="primary" onClick={() => navigate("/chasing/plans/new")}>
            New plan
          </Button>
        )}
      </div>
      <Loaded query={plans}>
        {(all) =>
          all.length === 0 ? (
            <QuietEmpty title="No plan yet">
              <p>
                A plan tells people by itself what is missing or about to run out: each on its day, once, and
                no more as soon as it is met.
              </p>
            </QuietEmpty>
          ) : (
            <ul className="plain-list plan-list">
              {all.map(({ id, plan }) => (
                <li key={id}>
                  {isAdministrator ? (
                    <Link to={`/chasing/plans/${id}`} className="plan-name">
                      {plan.name}
                    </Link>
                  ) : (
                    <strong className="plan-name">{plan.name}</strong>
                  )}
                  {plan.paused && <Tag>paused</Tag>}
                  {plan.courtesy && <Tag>can be declined</Tag>}
                  <ul className="plain-list muted">
                    {plan.steps.map((step) => (
                      <li key={step.id}>
                        {whenWords(step)}: {whoWords(step, staff)}
                      </li>
                    ))}
                  </ul>
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}

function WordsList({ isAdministrator }: { isAdministrator: boolean }) {
  const words = useQuery(wordsOptions);
  const [edited, setEdited] = useState<Words | "new">();
  return (
    <section aria-label="Words">
      <div className="plans-head">
        <h2>Words</h2>
        {isAdministrator && <Button onClick={() => setEdited("new")}>New words</Button>}
      </div>
      <Loaded query={words}>
        {(all) => (
          <ul className="plain-list plan-list">
            {all.length === 0 && <li className="muted">None yet. A plan needs some.</li>}
            {all.map((w) => (
              <li key={w.id}>
                {isAdministrator ? (
                  <button type="button" className="linklike" onClick={() => setEdited(w)}>
                    {w.name}
                  </button>
                ) : (
                  <strong>{w.name}</strong>
                )}{" "}
                <span className="muted">
                  {Object.keys(w.texts).sort().reverse().map(languageWord).join(", ")}
                </span>
                <div className="muted">
                  {w.usedBy.length === 0 ? "in no plan" : `in ${w.usedBy.join(", ")}`}
                </div>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
      {edited && (
        <WordsModal words={edited === "new" ? undefined : edited} onClose={() => setEdited(undefined)} />
      )}
    </section>
  );
}

function languageWord(code: string): string {
  return code === "de" ? "German" : "English";
}

const DAY_NAMES: Record<string, string> = {
  MONDAY: "Mondays",
  TUESDAY: "Tuesdays",
  WEDNESDAY: "Wednesdays",
  THURSDAY: "Thursdays",
  FRIDAY: "Fridays",
  SATURDAY: "Saturdays",
  SUNDAY: "Sundays",
};

function Sending({ isAdministrator }: { isAdministrator: boolean }) {
  const sending = useQuery(sendingOptions);
  const [edits, setEdits] = useState(false);
  return (
    <section aria-label="Days and hours">
      <div className="plans-head">
        <h2>Days and hours</h2>
        {isAdministrator && sending.data && <Button onClick={() => setEdits(true)}>Change</Button>}
      </div>
      <Loaded query={sending}>
        {({ rules }) => (
          <ul className="plain-list muted">
            <li>
              Mails go out from {rules.opens.slice(0, 5)} to {rules.closes.slice(0, 5)}, to nobody twice a day
              {rules.mostAMonth > 0 && `, at most ${rules.mostAMonth} a month`}.
            </li>
            {rules.quietDays.length > 0 && (
              <li>None on {rules.quietDays.map((d) => DAY_NAMES[d]).join(", ")}.</li>
            )}
            {rules.holidays.length > 0 && (
              <li>
                None on{" "}
                {rules.holidays
                  .slice(0, 3)
                  .map((h) => `${day(h.day)}${h.name && ` (${h.name})`}`)
                  .join(", ")}
                {rules.holidays.length > 3 && ` and ${rules.holidays.length - 3} more`}.
              </li>
            )}
          </ul>
        )}
      </Loaded>
      {edits && sending.data && <SendingModal answer={sending.data} onClose={() => setEdits(false)} />}
    </section>
  );
}
