import type { KeyboardEvent } from "react";

/**
 * For fields that choose from a list: Enter goes on instead of opening the list again.
 *
 * @param isBusy whether Enter belongs to the list, or nothing is chosen yet
 */
export function enterWhenClosed(isBusy: boolean, onEnter: (() => void) | undefined) {
  return (event: KeyboardEvent) => {
    if (event.key === "Enter" && !isBusy && onEnter && !event.nativeEvent.isComposing) {
      event.preventDefault();
      event.stopPropagation();
      onEnter();
    }
  };
}
