import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useLayoutEffect, useRef, useState } from "react";
import { api, type Shape } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { leaveSession } from "../access/leaveSession";
import { PracticeMark } from "../practice/PracticeMark";
import { usePortalPlace } from "./portalPlace";
import "./portal.css";

const MySignIn = lazy(() => import("../access/MySignInAlone"));

/** The practice's own calm look: its name and its colour. */
export function PortalFrame({ portal, children }: { portal: Shape<"PortalAnswer">; children: ReactNode }) {
  const frame = useRef<HTMLDivElement>(null);
  const queries = useQueryClient();
  const practice = useQuery(practiceOptions).data;
  useLayoutEffect(() => frame.current?.style.setProperty("--portal", portal.colour), [portal.colour]);
  const [showsSignIn, setShowsSignIn] = useState(false);
  const people = portal.people.map((p) => p.name).filter((name) => name !== portal.guest);
  const signOut = async () => {
    await api.DELETE("/api/session");
    leaveSession(queries);
  };
  const { isWithin } = usePortalPlace();
  if (isWithin) {
    return (
      <div className="portal within" ref={frame}>
        <div className="portal-body">{children}</div>
      </div>
    );
  }
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
          <div className="portal-me">
            <button type="button" onClick={() => setShowsSignIn(true)}>
              How I sign in
            </button>
            <button type="button" onClick={signOut}>
              Sign out
            </button>
          </div>
        </div>
      </header>
      {showsSignIn && (
        <Suspense>
          <MySignIn onClose={() => setShowsSignIn(false)} />
        </Suspense>
      )}
      <main className="portal-body">{children}</main>
      {practice?.address && <footer className="portal-foot">{practice.address}</footer>}
    </div>
  );
}
