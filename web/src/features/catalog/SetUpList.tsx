import { Button } from "antd";
import type { ReactNode } from "react";
import { NavLink } from "react-router";

type SetUpListProps = {
  /** The chosen one, where the address names none. */
  first?: string | undefined;
  title: string;
  entries: { code: string; label: string; words?: string }[];
  path: string;
  addWords: string;
  children?: ReactNode;
};

/** The things of one sort, to choose one from or add another. */
export function SetUpList({ first, title, entries, path, addWords, children }: SetUpListProps) {
  return (
    <section className="set-up-list" aria-label={title}>
      <header>
        <h2>{title}</h2>
        <NavLink to={`${path}/new`}>
          <Button size="small">{addWords}</Button>
        </NavLink>
      </header>
      {children}
      <ul className="plain-list">
        {entries.map((entry) => (
          <li key={entry.code}>
            <NavLink
              to={`${path}/${entry.code}`}
              className={({ isActive }) => (isActive || entry.code === first ? "active" : "")}
            >
              <span>{entry.label}</span>
              {entry.words && <span className="muted">{entry.words}</span>}
            </NavLink>
          </li>
        ))}
      </ul>
    </section>
  );
}
