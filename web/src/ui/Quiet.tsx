import type { ReactNode } from "react";
import { wordsOf } from "../api/client";
import "./quiet.css";

/** Shown where nothing is, with the next step. */
export function QuietEmpty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="quiet-empty">
      <h2>{title}</h2>
      {children}
    </div>
  );
}

type Asked<T> = { data?: T; error: unknown; isPending: boolean; refetch: () => unknown };

/** Shows what a query brought, its error with a way to try again, or that it is on its way. */
export function Loaded<T>({ query, children }: { query: Asked<T>; children: (data: T) => ReactNode }) {
  if (query.data !== undefined) {
    return <>{children(query.data)}</>;
  }
  if (query.error) {
    return (
      <QuietEmpty title="This cannot be shown">
        <p>{wordsOf(query.error)}</p>
        <button type="button" className="plain-button" onClick={() => query.refetch()}>
          Try again
        </button>
      </QuietEmpty>
    );
  }
  return <OnItsWay />;
}

/** Something is on its way. */
export function OnItsWay() {
  return (
    <div className="quiet-empty">
      <span className="turning" role="status" aria-label="Loading" />
    </div>
  );
}
