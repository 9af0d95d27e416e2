import type { Shape } from "../../../api/client";
import { day, dayOf } from "../../../ui/days";
import "./way.css";

type Dot = {
  key: string;
  step: number;
  label: string;
  outcome: Shape<"StepOfWay">["outcome"];
  now: boolean;
  doneAt?: string | null;
};

const TOLD: Record<Dot["outcome"], string> = {
  OPEN: "open",
  DONE: "done",
  DECLINED: "declined",
  SENT_BACK: "sent back",
  TO_CONFIRM: "came back on paper",
};

/** The way of a request: a dot for each step, those side by side under each other. @param named with words beside them */
export function WayDots({ dots, named }: { dots: Dot[]; named?: boolean }) {
  const steps = [...new Set(dots.map((d) => d.step))].sort((a, b) => a - b);
  return (
    <ol className="way-steps">
      {steps.map((step) => (
        <li key={step}>
          {dots
            .filter((d) => d.step === step)
            .map((d) => {
              const words = `${d.label}: ${d.now ? "has to act now" : TOLD[d.outcome]}${d.doneAt ? `, ${day(dayOf(d.doneAt))}` : ""}`;
              return (
                <span key={d.key} className="way-one" title={words}>
                  <svg viewBox="0 0 16 16" width="14" height="14" role="img" aria-label={words}>
                    <title>{words}</title>
                    <circle
                      cx="8"
                      cy="8"
                      r="5"
                      className={d.now ? "way-dot now" : `way-dot ${d.outcome.toLowerCase()}`}
                    />
                    {(d.outcome === "DECLINED" || d.outcome === "SENT_BACK") && (
                      <path d="M5.5 5.5l5 5m0-5l-5 5" className="way-cross" />
                    )}
                  </svg>
                  {named && <span className={d.now ? "plum" : "muted"}>{d.label}</span>}
                </span>
              );
            })}
        </li>
      ))}
    </ol>
  );
}
