import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Popover } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { api, done, Problem, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { day, distance } from "../../../ui/days";
import { useKeys } from "../../../ui/keys";
import { Loaded, QuietEmpty } from "../../../ui/Quiet";
import { useMayChange } from "../../asof/asOf";
import {
  type Ahead,
  aheadLetterOptions,
  aheadOptions,
  DAYS_AHEAD,
  type PlannedMail,
  plansOptions,
} from "../planQueries";
import { LeftOut, Tellings } from "./Tellings";

type Chosen = { day: string; mail: PlannedMail };

/** What goes out next, by day; beside it the mail as it will be read. */
export function AheadView() {
  const ahead = useQuery(aheadOptions);
  return <Loaded query={ahead}>{(data) => <Days ahead={data} />}</Loaded>;
}

const keyOf = (chosen: Chosen) => `${chosen.day} ${chosen.mail.address}`;

function Days({ ahead }: { ahead: Ahead }) {
  const all: Chosen[] = ahead.days.flatMap((d) => d.mails.map((mail) => ({ day: d.day, mail })));
  const [key, setKey] = useState<string>();
  const at = Math.max(
    0,
    all.findIndex((c) => keyOf(c) === key),
  );
  const chosen = all[at];
  const step = (by: number) => {
    const next = all[Math.min(all.length - 1, Math.max(0, at + by))];
    if (next) {
      setKey(keyOf(next));
      document.getElementById(`ahead ${keyOf(next)}`)?.scrollIntoView({ block: "nearest" });
    }
  };
  useKeys({ j: () => step(1), k: () => step(-1) });
  const isEmpty = ahead.days.every((d) => d.mails.length + d.tasks.length + d.leftOut.length === 0);
  if (isEmpty) {
    return <NothingAhead />;
  }
  return (
    <div className="ahead">
      <section className="ahead-days scroll" aria-label="What goes out">
        {ahead.ranToday && <p className="muted">Today’s notices are on their way already.</p>}
        {ahead.days
          .filter((d) => d.mails.length + d.tasks.length + d.leftOut.length > 0)
          .map((d) => (
            <section key={d.day} aria-label={day(d.day)}>
              <h2>
                {day(d.day)} <span className="muted">{distance(d.day, ahead.today)}</span>
              </h2>
              <ul className="plain-list">
                {d.mails.map((mail) => (
                  <li key={mail.address}>
                    <MailLine
                      id={`ahead ${d.day} ${mail.address}`}
                      mail={mail}
                      isChosen={chosen?.day === d.day && chosen.mail === mail}
                      onChoose={() => setKey(`${d.day} ${mail.address}`)}
                    />
                  </li>
                ))}
                {d.tasks.map(({ telling }) => (
                  <li key={JSON.stringify(telling.turn)} className="ahead-task">
                    In Today: <Link to={`/files/${telling.fileId}`}>{telling.person}</Link>, {telling.label}
                    <div className="muted">{telling.why}</div>
                  </li>
                ))}
              </ul>
              <LeftOut left={d.leftOut} />
            </section>
          ))}
        {ahead.more && <p className="muted">More goes out than is shown here; the nearest come first.</p>}
      </section>
      <section className="ahead-mail scroll" aria-label="The mail">
        {chosen ? <Mail key={keyOf(chosen)} chosen={chosen} /> : <p className="muted">No mail is planned.</p>}
      </section>
    </div>
  );
}

function NothingAhead() {
  const plans = useQuery(plansOptions).data ?? [];
  return (
    <QuietEmpty title={`Nothing goes out within ${DAYS_AHEAD} days`}>
      <p>
        {plans.length === 0
          ? "No plan tells anybody yet. Under Plans, say when people are told, who and in which words."
          : "Everything the plans are about is met, or was told already."}
      </p>
    </QuietEmpty>
  );
}

type MailLineProps = { id: string; mail: PlannedMail; isChosen: boolean; onChoose: () => void };

function MailLine({ id, mail, isChosen, onChoose }: MailLineProps) {
  const people = [...new Set(mail.tellings.map((t) => t.person))];
  return (
    <button type="button" id={id} className="ahead-line" aria-pressed={isChosen} onClick={onChoose}>
      <strong>{mail.recipient}</strong>
      {people.join() !== mail.recipient && <span className="muted"> about {people.join(", ")}</span>}
      <div>{mail.tellings.map((t) => t.label).join(" · ")}</div>
      {mail.hidden > 0 && <div className="muted">and {mail.hidden} more that you may not see</div>}
    </button>
  );
}

function Mail({ chosen: { day: on, mail } }: { chosen: Chosen }) {
  const letter = useQuery(aheadLetterOptions(mail.address, on));
  return (
    <>
      <Acts on={on} mail={mail} />
      <Loaded query={letter}>
        {(text) => (
          <article className="mail-paper">
            <div className="muted">
              To {mail.recipient} · {text.address}
            </div>
            <h2>{text.subject}</h2>
            <pre className="mail-text">{text.text}</pre>
          </article>
        )}
      </Loaded>
      <Tellings tellings={mail.tellings} />
    </>
  );
}

/** Holds, moves and sends, by button and by key. */
function Acts({ on, mail }: { on: string; mail: PlannedMail }) {
  const mayChange = useMayChange();
  const { message, modal } = App.useApp();
  const queries = useQueryClient();
  const [moves, setMoves] = useState(false);
  const turns = mail.tellings.map((t) => t.turn as Shape<"TurnKey">);
  const act = useMutation({
    mutationFn: ({
      what,
      to,
      again = false,
    }: {
      what: "hold" | "move" | "send";
      to?: string;
      again?: boolean;
    }) =>
      what === "move"
        ? done(api.POST("/api/planned-notices/move", { body: { turns, to: to ?? on } }))
        : what === "hold"
          ? done(api.POST("/api/planned-notices/hold", { body: { turns, again: false } }))
          : done(api.POST("/api/planned-notices/send", { body: { turns, again } })),
    onSuccess: (_, { what, to }) => {
      message.success(
        what === "hold"
          ? "Held until you release it."
          : what === "move"
            ? `Moved to ${day(to ?? on)}.`
            : "On its way.",
      );
      queries.invalidateQueries({ queryKey: ["chasing"] });
    },
    onError: (error, { what }) => {
      if (what === "send" && error instanceof Problem && error.code === "chased-today") {
        modal.confirm({
          title: "Send a second mail today?",
          content: wordsOf(error),
          okText: "Send all the same",
          onOk: () => act.mutateAsync({ what: "send", again: true }),
        });
      } else {
        message.error(wordsOf(error));
      }
    },
  });
  useKeys(
    mayChange
      ? {
          h: () => !act.isPending && act.mutate({ what: "hold" }),
          m: () => setMoves(true),
          s: () => !act.isPending && act.mutate({ what: "send" }),
        }
      : {},
  );
  if (!mayChange) {
    return null;
  }
  return (
    <div className="buttons ahead-acts">
      <Button onClick={() => act.mutate({ what: "hold" })}>
        Hold <kbd>H</kbd>
      </Button>
      <Popover
        open={moves}
        onOpenChange={setMoves}
        trigger="click"
        title="Send it on"
        content={
          <DayField
            label="Day"
            value={null}
            onChange={(to) => {
              if (to) {
                setMoves(false);
                act.mutate({ what: "move", to });
              }
            }}
          />
        }
      >
        <Button>
          Move <kbd>M</kbd>
        </Button>
      </Popover>
      <Button type="primary" loading={act.isPending} onClick={() => act.mutate({ what: "send" })}>
        Send now <kbd>S</kbd>
      </Button>
      <span className="muted">
        goes out {day(on)} · <kbd>J</kbd> next, <kbd>K</kbd> back
      </span>
    </div>
  );
}
