import type { QueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { forgetDrafts } from "../../ui/drafts";

const ACCOUNT = "denfold.account";

/** Leaves nothing of whoever was signed in here; what anyone may know of the practice stays. */
export function forgetAccount(queries: QueryClient) {
  forgetDrafts();
  queries.removeQueries({ predicate: ({ queryKey: [of] }) => of !== "practice" && of !== "session" });
}

/** Leaves nothing of this account in the browser, and goes where the next one signs in. */
export function leaveSession(queries: QueryClient) {
  forgetAccount(queries);
  localStorage.removeItem(ACCOUNT);
  window.location.assign("/");
}

/** Notes for the other tabs of this browser who is signed in, and leaves this account when another one signs in there. */
export function useOtherAccounts(id: string) {
  useEffect(() => {
    localStorage.setItem(ACCOUNT, id);
    const changed = (event: StorageEvent) => {
      if (event.key === ACCOUNT && event.newValue !== null && event.newValue !== id) {
        forgetDrafts();
        window.location.assign("/");
      }
    };
    window.addEventListener("storage", changed);
    return () => window.removeEventListener("storage", changed);
  }, [id]);
}
