import { Link, useLocation } from "react-router";
import "./beginning.css";

const STEPS = [
  { to: "/set-up/sets", label: "What you keep" },
  { to: "/set-up/people", label: "Your people" },
  { to: "/set-up/pickups", label: "Your scanner" },
  { to: "/arrivals", label: "The first paper" },
];

/** The way from nothing to the first paper, shown while somebody is on it. */
export function FirstSteps() {
  const { pathname, search } = useLocation();
  if (!new URLSearchParams(search).has("first")) {
    return null;
  }
  const at = STEPS.findIndex((s) => s.to === pathname);
  const next = STEPS[at + 1];
  return (
    <nav className="first-steps" aria-label="First steps">
      <ol>
        {STEPS.map((step, i) => (
          <li key={step.to} aria-current={i === at ? "step" : undefined}>
            <Link to={step.to === "/arrivals" ? step.to : `${step.to}?first`}>{step.label}</Link>
          </li>
        ))}
      </ol>
      {next && (
        <Link className="first-next" to={next.to === "/arrivals" ? next.to : `${next.to}?first`}>
          Next: {next.label.toLowerCase()}
        </Link>
      )}
    </nav>
  );
}
