import { Checkbox } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

type Usual = Shape<"Usual">;

const KINDS: Record<Usual["kind"], string> = {
  PERSON: "The person of the file",
  AROUND: "Somebody around the person",
  COLLEAGUE: "A colleague",
  OTHER: "Anybody else",
};

/** What usually goes with a copy, by whom it is for; each time one can choose otherwise. */
export function CopiesForm({ kept }: { kept: Usual[] }) {
  const { draft, save, set } = usePart<{ kinds: Usual[] }>("practice copies", { kinds: kept }, ({ kinds }) =>
    api.PUT("/api/set-up/usual-copies", { body: kinds }),
  );
  const change = (kind: Usual["kind"], part: Partial<Usual>) =>
    set({ kinds: draft.value.kinds.map((u) => (u.kind === kind ? { ...u, ...part } : u)) });
  return (
    <>
      <PartHead title="Copies that leave" draft={draft} save={save} />
      <p className="muted">
        What usually goes with them. What is covered is closed for everybody, whatever is chosen here.
      </p>
      {draft.value.kinds.map(({ kind, marks, foot }) => (
        <fieldset key={kind} className="usual-copy">
          <legend>{KINDS[kind]}</legend>
          <Checkbox checked={marks} onChange={(e) => change(kind, { marks: e.target.checked })}>
            our highlights, notes, stamps and drawings
          </Checkbox>
          <Checkbox checked={foot} onChange={(e) => change(kind, { foot: e.target.checked })}>
            a line at the foot: which copy, and whose
          </Checkbox>
        </fieldset>
      ))}
    </>
  );
}
