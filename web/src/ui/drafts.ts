import { useSyncExternalStore } from "react";

/** Counted up by each save; where nothing counts, what is kept itself, written out. */
export type Version = number | string;

/** What was typed and not saved. @property of the version of what is kept that it changes */
type Draft = { of: Version; value: unknown };

const STORED = "denfold.drafts";

let drafts = read();
const listeners = new Set<() => void>();

function read(): ReadonlyMap<string, Draft> {
  try {
    return new Map(JSON.parse(sessionStorage.getItem(STORED) ?? "[]"));
  } catch {
    return new Map();
  }
}

function keep(next: ReadonlyMap<string, Draft>) {
  drafts = next;
  try {
    sessionStorage.setItem(STORED, JSON.stringify([...next]));
  } catch {
    // without room they last until the page is left, which asks first
  }
  for (const listener of listeners) {
    listener();
  }
}

function put(key: string, draft: Draft | undefined) {
  const next = new Map(drafts);
  if (draft) {
    next.set(key, draft);
  } else {
    next.delete(key);
  }
  keep(next);
}

/** Forgets what was typed for one thing that is done with. */
export function forgetDraft(key: string) {
  if (drafts.has(key)) {
    put(key, undefined);
  }
}

/** Forgets all that was typed, such as when another account signs in. */
export function forgetDrafts() {
  keep(new Map());
}

function watch(changed: () => void) {
  listeners.add(changed);
  return () => listeners.delete(changed);
}

window.addEventListener("beforeunload", (event) => {
  if (drafts.size > 0) {
    event.preventDefault();
  }
});

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

export type Drafting<T, V extends Version = number> = {
  /** What is to be shown and changed: what was typed, else what is kept. */
  value: T;
  /** The version of what is kept that a save is sent for. */
  version: V;
  isChanged: boolean;
  /** Somebody else saved since this was begun. */
  isOutdated: boolean;
  set: (next: T | ((before: T) => T)) => void;
  /** Saves over what somebody else saved meanwhile. */
  keepMine: () => void;
  /** Forgets what was typed: after saving, or for what is kept. */
  discard: () => void;
};

/**
 * The one draft of an editor: it outlasts looking at another view, fresh data and a reload of the page, and leaving the
 * application asks first.
 *
 * @param key of what is edited, such as `file 0190…`
 * @param kept as the server has it
 * @param version counted up by each save of it
 */
export function useDraft<T, V extends Version>(key: string, kept: T, version: V): Drafting<T, V> {
  const draft = useSyncExternalStore(watch, () => drafts.get(key)) as { of: V; value: T } | undefined;
  const isChanged = draft !== undefined && !same(draft.value, kept);
  const value = isChanged ? draft.value : kept;
  const of = isChanged ? draft.of : version;
  return {
    value,
    version: of,
    isChanged,
    isOutdated: isChanged && of !== version,
    set: (next) => {
      const before = drafts.get(key) as { of: V; value: T } | undefined;
      const become = typeof next === "function" ? (next as (b: T) => T)(before?.value ?? kept) : next;
      put(key, same(become, kept) ? undefined : { of: before?.of ?? version, value: become });
    },
    keepMine: () => put(key, { of: version, value }),
    discard: () => put(key, undefined),
  };
}
