import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import type { Shape } from "../../../api/client";
import { day, dayOf, distance } from "../../../ui/days";
import { useMayChange } from "../../asof/asOf";
import { AskSeveral } from "../asking/AskSeveral";
import { fileRequestsOptions } from "./requestQueries";

type AwaitedSignaturesProps = { fileId: string; slot: Shape<"SlotAnswer">; today: string };

/** Whose signature a slot waits for, since when, and when that is asked for again. */
export function AwaitedSignatures({ fileId, slot, today }: AwaitedSignaturesProps) {
  const requests = useQuery(fileRequestsOptions(fileId)).data ?? [];
  const mayChange = useMayChange();
  const [asks, setAsks] = useState(false);
  const own = requests.filter(
    (r) => r.state === "OPEN" && r.papers.some((p) => slot.papers.some((s) => s.id === p.id)),
  );
  const unsigned = slot.papers.filter((p) => p.state === "UNSIGNED");
  if (own.length === 0) {
    return (
      mayChange &&
      unsigned.length > 0 && (
        <div className="slot-awaits">
          <Button size="small" onClick={() => setAsks(true)}>
            Ask for signatures
          </Button>
          {asks && <AskSeveral ids={unsigned.map((p) => p.id)} onClose={() => setAsks(false)} />}
        </div>
      )
    );
  }
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
    request.since && `asked ${distance(dayOf(request.since), today)}`,
    reminded && `last reminded ${day(dayOf(reminded))}`,
    next && `next reminder ${day(next)}`,
  ]
    .filter(Boolean)
    .join(" · ");
}
