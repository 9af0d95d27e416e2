type Place = { label: string; to: string; words: string; administrators?: boolean };

/** Papers that wait for review, the longest waiting first. */
export const REVIEW = `/find?${new URLSearchParams({ for: JSON.stringify({ states: ["IN_REVIEW"] }), sort: "received" })}`;

const PLACES: Place[] = [
  { label: "Today", to: "/today", words: "today waiting" },
  { label: "Files", to: "/files", words: "files people persons" },
  { label: "Find", to: "/find", words: "find search papers" },
  { label: "Papers to review", to: REVIEW, words: "review papers accept" },
  { label: "Arrivals", to: "/arrivals", words: "arrivals post scans filing" },
  { label: "Coverage", to: "/coverage", words: "coverage board missing expiring" },
  { label: "Chasing", to: "/chasing", words: "chasing notices reminders mails" },
  { label: "Chasing › Plans", to: "/chasing?view=plans", words: "plans chasing words holidays" },
  { label: "Set-up", to: "/set-up", words: "set-up settings", administrators: true },
  { label: "Set-up › Types", to: "/set-up/types", words: "types document types", administrators: true },
  { label: "Set-up › Checklists", to: "/set-up/checklists", words: "checklists rules", administrators: true },
  { label: "Set-up › Kinds", to: "/set-up/kinds", words: "kinds facts", administrators: true },
  { label: "Set-up › Sections", to: "/set-up/sections", words: "sections", administrators: true },
  {
    label: "Set-up › People from a list",
    to: "/set-up/people",
    words: "import list people",
    administrators: true,
  },
  {
    label: "Set-up › People with accounts",
    to: "/set-up/accounts",
    words: "accounts colleagues rights invite",
    administrators: true,
  },
  {
    label: "Set-up › The practice",
    to: "/set-up/practice",
    words: "practice zone week days",
    administrators: true,
  },
  {
    label: "Set-up › Pickups",
    to: "/set-up/pickups",
    words: "pickups scanner folders",
    administrators: true,
  },
];

/** Places of the product one of whose words begins as typed. */
export function placesFor(typed: string, isAdministrator: boolean): Place[] {
  const wanted = typed.trim().toLowerCase();
  return wanted.length < 2
    ? []
    : PLACES.filter(
        (p) =>
          (isAdministrator || !p.administrators) &&
          p.words.split(" ").some((word) => word.startsWith(wanted)),
      ).slice(0, 4);
}
