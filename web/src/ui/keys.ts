import { useEffect, useRef } from "react";

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest("input, textarea, select, [contenteditable], .ant-select") !== null
  );
}

/** A dialog that is open; one that is just fading away no longer holds the keys. */
const OPEN_DIALOG = ".ant-modal-wrap:not([style*='display: none']) .ant-modal:not(.ant-zoom-leave)";

/** Runs an action for a key pressed outside of fields; names are those of KeyboardEvent.key, lower case. */
export function useKeys(actions: Record<string, () => void>) {
  const current = useRef(actions);
  current.current = actions;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const action = current.current[event.key.toLowerCase()];
      const free = !event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event.target);
      if (action && free && !document.querySelector(OPEN_DIALOG)) {
        event.preventDefault();
        action();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
