import { useSyncExternalStore } from "react";
import { palettes } from "./palettes";

export type Scheme = keyof typeof palettes;

/** What is chosen on this device; `device` follows its own setting. */
export type SchemeChoice = Scheme | "device";

const KEPT = "denfold.scheme";
const listeners = new Set<() => void>();
const ofDevice = window.matchMedia?.("(prefers-color-scheme: dark)");

export function chosenScheme(): SchemeChoice {
  const kept = localStorage.getItem(KEPT);
  return kept === "light" || kept === "dark" ? kept : "device";
}

/** The look that holds now. */
export function schemeNow(): Scheme {
  const chosen = chosenScheme();
  return chosen === "device" ? (ofDevice?.matches ? "dark" : "light") : chosen;
}

export function chooseScheme(choice: SchemeChoice) {
  localStorage.setItem(KEPT, choice);
  changed();
}

/** Puts the colours on the document, so that style sheets need not repeat them, and again whenever the look changes. */
export function publishColours(root: HTMLElement) {
  const publish = () => {
    const scheme = schemeNow();
    for (const [name, value] of Object.entries(palettes[scheme])) {
      root.style.setProperty(`--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`, value);
    }
    root.style.colorScheme = scheme;
    root.dataset.scheme = scheme;
  };
  publish();
  listeners.add(publish);
  ofDevice?.addEventListener("change", changed);
  window.addEventListener("storage", (event) => event.key === KEPT && changed());
}

function changed() {
  for (const listener of listeners) {
    listener();
  }
}

/** The look that holds now; whoever uses it is drawn anew when it changes. */
export function useScheme(): Scheme {
  return useSyncExternalStore((onChange) => {
    listeners.add(onChange);
    return () => listeners.delete(onChange);
  }, schemeNow);
}
