import { queryOptions, useQuery } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { answer, api } from "../../api/client";
import { meOptions } from "../access/sessionQueries";

const KEY = "denfold.desk";
const CHANGED = "denfold-desk";

export const desksOptions = queryOptions({
  queryKey: ["desks"],
  queryFn: () => answer(api.GET("/api/desks")),
  staleTime: 60_000,
});

export const pickupsOptions = queryOptions({
  queryKey: ["set-up", "pickups"],
  queryFn: () => answer(api.GET("/api/set-up/pickups")),
});

function watch(changed: () => void) {
  window.addEventListener(CHANGED, changed);
  window.addEventListener("storage", changed);
  return () => {
    window.removeEventListener(CHANGED, changed);
    window.removeEventListener("storage", changed);
  };
}

/** The desk at which this browser stands, kept in the browser; else the account's own; empty for none. */
export function useDesk(): [string, (desk: string) => void] {
  const chosen = useSyncExternalStore(watch, () => localStorage.getItem(KEY));
  const own = useQuery(meOptions).data?.desk;
  const choose = (name: string) => {
    localStorage.setItem(KEY, name);
    window.dispatchEvent(new Event(CHANGED));
  };
  return [chosen ?? own ?? "", choose];
}

/** Whether this is the demo, which has a scanner of its own. */
export const demoScannerOptions = queryOptions({
  queryKey: ["demo", "scanner"],
  queryFn: () => answer(api.GET("/api/demo/scanner")),
  staleTime: Number.POSITIVE_INFINITY,
});
