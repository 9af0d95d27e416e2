import type { Draft } from "./copyQueries";

/** How several become one file. */
export type As = "JOINED" | "ZIP";

/** How copies are given. */
export type Way = "DOWNLOAD" | "PRINT" | "MAIL" | "PORTAL";

export function copiesInWords(copies: Draft[]): string {
  const numbers = copies.map((c) => c.number).join(", ");
  return copies.length === 1 ? `Copy ${numbers}` : `Copies ${numbers}`;
}

/** What is fetched is one file, also of several copies. */
export function fetchCopies(copies: Draft[], way: Way, as: As, title: string) {
  const [one] = copies;
  const several = new URLSearchParams({ copies: copies.map((c) => c.id).join(","), title: title.trim() });
  const address =
    copies.length === 1
      ? `/api/copies-out/${one?.id}/content?`
      : as === "ZIP" && way === "DOWNLOAD"
        ? `/api/copies-out/zipped?${several}`
        : `/api/copies-out/joined?${several}`;
  if (way === "PRINT") {
    window.open(`${address}&inTab=true`, "_blank", "noopener");
    return;
  }
  const link = document.createElement("a");
  link.href = address;
  link.download = "";
  link.click();
}
