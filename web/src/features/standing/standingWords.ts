import { day } from "../../ui/days";
import type { Standing, UnderWay } from "./standingQueries";

type Told = Pick<Standing, "stage" | "waitsFor" | "names" | "since" | "sent"> & {
  receivers: number;
  checked: boolean;
  wantsCheck: boolean;
};

/** How a paper stands, as told beside it. */
export function stageWords(told: Told): string {
  const { stage, names, since, sent, receivers, checked, wantsCheck } = told;
  const whom = listed(names);
  switch (stage) {
    case "TO_CORRECT":
      return "To be corrected";
    case "UNSIGNED":
      return whom ? `Signature of ${whom} is lacking` : "A signature is lacking";
    case "WITH_OTHERS":
      return whom ? `With ${whom} since ${day(since)}` : `Awaited since ${day(since)}`;
    case "IN_REVIEW":
      return whom ? `In review with ${whom}` : "In review";
    case "COMPLETE":
      return receivers > 0 ? "Complete, not sent yet" : "Complete, not checked yet";
    case "SENT": {
      const how = `${checked ? "Checked, sent" : "Sent"} to ${sent} of ${receivers}`;
      return sent === receivers && wantsCheck ? `${how}, not checked yet` : how;
    }
    case "CHECKED":
      return "Checked, not sent yet";
    case "FILED":
      return receivers > 0 ? `Filed, sent to all ${receivers}` : "Filed";
  }
}

/** Whom it waits for, as told in a list. */
export function waitsForWords({ stage, waitsFor, names, wantsCheck }: UnderWay): string {
  if (waitsFor === "US" && wantsCheck && stage !== "UNSIGNED") {
    return "a second person";
  }
  if (waitsFor === "US") {
    return stage === "UNSIGNED" ? "us, to ask for it" : listed(names) || "us";
  }
  return listed(names) || "whoever brings it";
}

/** What is to be done about it next. */
export function nextWords({ stage, waitsFor, wantsCheck, sent, receivers }: UnderWay): string {
  if (waitsFor === "RECEIVER") {
    return sent === receivers ? "wait until it is opened" : "send it";
  }
  if (wantsCheck) {
    return "check it";
  }
  switch (stage) {
    case "TO_CORRECT":
      return waitsFor === "US" ? "correct it" : "get it corrected";
    case "UNSIGNED":
      return waitsFor === "US" ? "ask for the signature" : "remind";
    case "WITH_OTHERS":
      return "ask for it back";
    default:
      return "look through it";
  }
}

function listed(names: string[]): string {
  return names.length > 1
    ? `${names.slice(0, -1).join(", ")} and ${names[names.length - 1]}`
    : (names[0] ?? "");
}
