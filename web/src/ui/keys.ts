import { useEffect, useRef } from "react";

/** What lies on top of the page, nearest first: keys act in the nearest one that is open, and in nothing beneath it. */
export type Layer = "menu" | "dialog" | "drawer" | "page";

/** What shows that a layer is open; one that is just fading away no longer holds the keys. */
const OPEN: [Layer, string][] = [
  [
    "menu",
    [
      ".ant-dropdown:not(.ant-dropdown-hidden):not(.ant-slide-up-leave)",
      ".ant-popover:not(.ant-popover-hidden):not(.ant-zoom-big-leave)",
      ".ant-picker-dropdown:not(.ant-picker-dropdown-hidden):not(.ant-slide-up-leave)",
    ].join(","),
  ],
  ["dialog", ".ant-modal-wrap:not([style*='display: none']) .ant-modal:not(.ant-zoom-leave)"],
  ["drawer", ".ant-drawer-open"],
];

function layer(): Layer {
  return OPEN.find(([, shown]) => document.querySelector(shown))?.[0] ?? "page";
}

/** Kinds of input that hold no text, so that letters are free. */
const NO_TEXT = "input[type=checkbox], input[type=radio], input[type=button], input[type=file]";
const TEXT = "input, textarea, select, [contenteditable], .ant-select";

function isTyping(target: Element): boolean {
  return !target.matches(NO_TEXT) && target.closest(TEXT) !== null;
}

/** Controls that answer Enter and Space themselves. */
const PRESSED =
  "button, a[href], summary, label, audio, video, [role=button], [role=checkbox], [role=switch], [role=radio]," +
  " [role=tab], [role=option], [role=menuitem], [role=slider], [role=gridcell]";

/** Controls that answer the arrows themselves. */
const MOVED =
  "[role=tab], [role=slider], [role=radio], [role=option], [role=menuitem], [role=gridcell], audio, video";

const ARROWS = new Set(["arrowup", "arrowdown", "arrowleft", "arrowright", "home", "end"]);

/** Whether the control that has the focus answers the key itself. */
function belongsToControl(target: Element, key: string): boolean {
  if (isTyping(target)) {
    return true;
  }
  if (key === "enter" || key === " ") {
    return target.matches(NO_TEXT) || target.closest(PRESSED) !== null;
  }
  return ARROWS.has(key) && target.closest(MOVED) !== null;
}

type Actions = Record<string, () => void>;

/** All keys that do something now; the latest to come is asked first. */
const registry: { of: Layer; actions: { current: Actions } }[] = [];

function onKey(event: KeyboardEvent) {
  const target = event.target instanceof Element ? event.target : document.body;
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || event.defaultPrevented) {
    return;
  }
  // held down, a key would do to the next paper what it was pressed for on this one
  if (event.repeat && key === "enter") {
    return;
  }
  if (belongsToControl(target, key)) {
    return;
  }
  const now = layer();
  const found = registry.findLast((r) => r.of === now && key in r.actions.current);
  if (found) {
    event.preventDefault();
    found.actions.current[key]?.();
  }
}

/** Escape leaves a field of the page, so that the page's keys are free again; in a dialog it is the dialog's. */
function onEscape(event: KeyboardEvent) {
  const { target } = event;
  const isOfPage = target instanceof HTMLElement && !target.closest("[role=dialog]");
  if (event.key === "Escape" && isOfPage && isTyping(target)) {
    // after the field itself: it takes back what was typed, or closes its list
    setTimeout(() => target.blur());
  }
}

/**
 * Runs an action for a key, wherever the key is not the focused control's own. The one registry of all keys: an open
 * dialog, drawer or menu keeps them from what lies beneath it.
 *
 * @param actions by the names of KeyboardEvent.key, in lower case
 * @param of the layer they act in
 */
export function useKeys(actions: Actions, of: Layer = "page") {
  const current = useRef(actions);
  current.current = actions;
  useEffect(() => {
    const mine = { of, actions: current };
    if (registry.length === 0) {
      window.addEventListener("keydown", onKey);
      window.addEventListener("keydown", onEscape, true);
    }
    registry.push(mine);
    return () => {
      registry.splice(registry.indexOf(mine), 1);
      if (registry.length === 0) {
        window.removeEventListener("keydown", onKey);
        window.removeEventListener("keydown", onEscape, true);
      }
    };
  }, [of]);
}
