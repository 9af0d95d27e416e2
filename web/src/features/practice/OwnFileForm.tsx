import { Checkbox } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

export function OwnFileForm({ kept }: { kept: Shape<"OwnFilesRequest"> }) {
  const { draft, save, set } = usePart<Shape<"OwnFilesRequest">>("practice own files", kept, (body) =>
    api.PUT("/api/set-up/practice/own-files", { body }),
  );
  return (
    <>
      <PartHead title="Own files" draft={draft} save={save} />
      <p className="muted">
        What people with an account may do in the file about themselves, under “My file”.
      </p>
      <Checkbox.Group
        aria-label="In their own file they may"
        options={[
          { value: "SEE", label: "see what is filed and not sensitive" },
          { value: "ADD", label: "add papers" },
          { value: "REMOVE", label: "take back what they added" },
          { value: "SIGN", label: "sign" },
        ]}
        value={draft.value.deeds}
        onChange={(deeds) => set({ deeds: deeds as Shape<"OwnFilesRequest">["deeds"] })}
      />
    </>
  );
}
