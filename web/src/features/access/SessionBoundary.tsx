import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useEffect, useRef, useState } from "react";
import { Problem, type Shape } from "../../api/client";
import { askWhenSessionEnds, sessionEnded } from "../../api/session";
import { leaveSession, useOtherAccounts } from "./leaveSession";
import { meOptions } from "./sessionQueries";

// most sessions end without it
const SignInAgain = lazy(() => import("./SignInAgain"));

/**
 * Stands around all that an account sees. When the server no longer knows the session, the password is asked for over the
 * page: what was typed stays, and what was under way goes on. Another account begins with nothing of this one.
 */
export function SessionBoundary({ account, children }: { account: Shape<"Me">; children: ReactNode }) {
  const [isAsked, setIsAsked] = useState(false);
  const ended = useRef<(isBack: boolean) => void>(undefined);
  const queries = useQueryClient();
  useOtherAccounts(account.id);
  const me = useQuery(meOptions).error;
  useEffect(() => {
    if (me instanceof Problem && me.status === 401) {
      sessionEnded();
    }
  }, [me]);
  useEffect(
    () =>
      askWhenSessionEnds(() => {
        setIsAsked(true);
        return new Promise((resolve) => {
          ended.current = resolve;
        });
      }),
    [],
  );
  const leave = () => {
    ended.current?.(false);
    leaveSession(queries);
  };
  const goOn = (me: Shape<"Me">) => {
    if (me.id !== account.id) {
      leave();
      return;
    }
    queries.setQueryData(meOptions.queryKey, me);
    setIsAsked(false);
    ended.current?.(true);
    queries.invalidateQueries();
  };
  return (
    <>
      {children}
      {isAsked && (
        <Suspense>
          <SignInAgain email={account.email} onIn={goOn} onLeave={leave} />
        </Suspense>
      )}
    </>
  );
}
