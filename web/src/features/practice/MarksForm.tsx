import { Input } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

const linesOf = (text: string) => text.split("\n");

/** Stamps for pages, and why something is covered; one on each line. */
export function MarksForm({ kept }: { kept: Shape<"MarkWords"> }) {
  const { draft, save, set, told } = usePart<Shape<"MarkWords">>("practice marks", kept, (body) =>
    api.PUT("/api/set-up/marks", { body }),
  );
  return (
    <>
      <PartHead title="Marks" draft={draft} save={save} />
      <label htmlFor="mark-stamps">Stamps, one on each line</label>
      <Input.TextArea
        id="mark-stamps"
        rows={5}
        status={told("stamps").validateStatus}
        value={draft.value.stamps.join("\n")}
        onChange={(e) => set({ stamps: linesOf(e.target.value) })}
      />
      <p className="muted">
        {"{date}, {name} and {initials} become the day and whoever stamps: “Received 4 May 2026, OB”."}
      </p>
      <label htmlFor="mark-reasons">Reasons for covering, one on each line</label>
      <Input.TextArea
        id="mark-reasons"
        rows={5}
        status={told("reasons").validateStatus}
        value={draft.value.reasons.join("\n")}
        onChange={(e) => set({ reasons: linesOf(e.target.value) })}
      />
    </>
  );
}
