import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useLayoutEffect, useRef } from "react";
import { api, type Shape } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { leaveSession } from "../access/leaveSession";
import { PracticeMark } from "../practice/PracticeMark";
import "./portal.css";

/** The practice's own calm look: its name and its colour. */
export function PortalFrame({ portal, children }: { portal: Shape<"PortalAnswer">; children: ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const queries = useQueryClient();
  const practice = useQuery(practiceOptions).data;
  useLayoutEffect(() => frame.current?.style.setProperty("--portal", portal.colour), [portal.colour]);
  const people = portal.people.map((p) => p.name).filter((name) => name !== portal.guest);
  const signOut = async () => {
    await api.DELETE("/api/session");
    leaveSession(queries);
  };
  return (
    <div className="portal" ref={frame}>
      <header className="portal-head">
        <div>
          <PracticeMark mark={practice?.mark} />
          <div>
            <h1>{portal.practice}</h1>
            <div>
              {portal.guest}
              {people.length > 0 && `, for ${people.join(" and ")}`}
            </div>
          </div>
          <button type="button" onClick={signOut}>
            Sign out
          </button>
        </div>
      </header>
      <main className="portal-body">{children}</main>
      {practice?.address && <footer className="portal-foot">{practice.address}</footer>}
    </div>
  );
}
