/** Opens papers as one PDF in a tab of its own, where the browser prints it. */
export function printPapers(ids: string[]) {
  window.open(`/api/print?documents=${ids.join(",")}`, "_blank", "noopener");
}
