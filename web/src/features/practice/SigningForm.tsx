import { Checkbox, Select } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

export function SigningForm({ kept }: { kept: Shape<"SigningRequest"> }) {
  const { draft, save, set } = usePart<Shape<"SigningRequest">>("practice signing", kept, (body) =>
    api.PUT("/api/set-up/practice/signing", { body }),
  );
  return (
    <>
      <PartHead title="Signing" draft={draft} save={save} />
      <Checkbox checked={draft.value.confirm} onChange={(e) => set({ confirm: e.target.checked })}>
        Ask for the password once more, or the second factor where there is one
      </Checkbox>
      <div className="signing-addresses">
        <span>Email addresses on the evidence page</span>
        <Select
          aria-label="Email addresses on the evidence page"
          value={draft.value.addresses}
          onChange={(addresses) => set({ addresses })}
          options={[
            { value: "NONE", label: "none" },
            { value: "SHORT", label: "in short, as t…@post.example" },
            { value: "FULL", label: "in full" },
          ]}
        />
      </div>
    </>
  );
}
