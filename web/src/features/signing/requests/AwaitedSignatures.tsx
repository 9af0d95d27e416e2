import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Shape } from "../../../api/client";
import { day, distance } from "../../../ui/days";
import { fileRequestsOptions } from "./requestQueries";

type AwaitedSignaturesProps = { fileId: string; slot: Shape<"SlotAnswer">; today: string };

/** Whose signature a slot waits for, since when, and when that is asked for again. */
export function AwaitedSignatures({ fileId, slot, today }: AwaitedSignaturesProps) {
  const requests = useQuery(fileRequestsOptions(fileId)).data ?? [];
  const own = requests.filter(
    (r) => r.state === "OPEN" && r.papers.some((p) => slot.papers.some((s) => s.id === p.id)),
  );
  return own.map((request) => (
    <div key={request.id} className="slot-awaits">
      <Link to={`/signing?show=all&request=${request.id}`}>
        {request.way
          .filter((t) => t.now)
          .map((t) => t.name)
          .join(" and ") || "Waits to be looked at"}
      </Link>{" "}
      <span className="muted">{awaited(request, today)}</span>
    </div>
  ));
}

function awaited(request: Shape<"RequestRow">, today: string): string {
  const now = request.way.filter((t) => t.now);
  const reminded = now
    .flatMap((t) => (t.remindedAt ? [t.remindedAt] : []))
    .sort()
    .at(-1);
  const next = now.flatMap((t) => (t.nextReminder ? [t.nextReminder] : [])).sort()[0];
  return [
    request.since && `asked ${distance(request.since.slice(0, 10), today)}`,
    reminded && `last reminded ${day(reminded.slice(0, 10))}`,
    next && `next reminder ${day(next)}`,
  ]
    .filter(Boolean)
    .join(" · ");
}
