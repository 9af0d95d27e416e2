import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Checkbox, Select } from "antd";
import { useState } from "react";
import { practiceOptions } from "../../api/practice";
import { DayField } from "../../ui/DayField";
import { foundOutsidersOptions, outsiderOptions, relationKindsOptions } from "../relations/relationQueries";
import { signerRolesOptions, type TypeSetUp } from "./setUpQueries";

type Receiving = TypeSetUp["receiving"];
type Receiver = Receiving["receivers"][number];

export const ASKS_NOTHING: Receiving = { receivers: [], secondCheck: false };

type ReceivingEditorProps = { receiving: Receiving; onChange: (receiving: Receiving) => void };

/** Who must have the papers of a type once they are complete, and whether a second person checks them. */
export function ReceivingEditor({ receiving, onChange }: ReceivingEditorProps) {
  const [typed, setTyped] = useState("");
  const kinds = useQuery(relationKindsOptions).data ?? [];
  const outsiders =
    useQuery({ ...foundOutsidersOptions(typed), placeholderData: keepPreviousData }).data ?? [];
  const roles = useQuery(signerRolesOptions).data ?? [];
  const today = useQuery(practiceOptions).data?.today;
  const asks = receiving.receivers.length > 0 || receiving.secondCheck;
  // papers of former years are left alone, unless one says otherwise
  const change = (next: Receiving) => {
    const asksNow = next.receivers.length > 0 || next.secondCheck;
    onChange(!asks && asksNow ? { ...next, from: today } : asksNow ? next : ASKS_NOTHING);
  };
  const options = [
    {
      label: "In each file",
      options: [
        { value: "PERSON:", label: "the person of the file" },
        ...kinds.map((k) => ({ value: `RELATION:${k.code}`, label: `every ${k.label}` })),
      ],
    },
    {
      label: "Who signs for the practice",
      options: roles.map((role) => ({
        value: `ROLE:${role}`,
        label: `who signs as ${role}`,
      })),
    },
    {
      label: "The same for all files",
      options: outsiders.map((o) => ({
        value: `OUTSIDER:${o.id}`,
        label: [o.name, o.organisation].filter(Boolean).join(" · "),
      })),
    },
  ].filter((group) => group.options.length > 0);
  return (
    <div className="receiving">
      <span className="muted">to be sent to</span>
      <Select
        mode="multiple"
        aria-label="Who must have it"
        placeholder="nobody has to be sent it"
        style={{ width: "100%" }}
        value={receiving.receivers.map(keyOf)}
        showSearch={{
          onSearch: setTyped,
          filterOption: (text, option) =>
            // outsiders were found by the server, by more than their names
            String(option && "value" in option ? option.value : "").startsWith("OUTSIDER:") ||
            String(option?.label ?? "")
              .toLowerCase()
              .includes(text.toLowerCase()),
        }}
        labelRender={({ label, value }) => label ?? <OutsiderName value={String(value)} />}
        options={options}
        onChange={(values: string[]) => change({ ...receiving, receivers: values.map(receiverOf) })}
      />
      <Checkbox
        checked={receiving.secondCheck}
        onChange={(e) => change({ ...receiving, secondCheck: e.target.checked })}
      >
        a second person checks it
      </Checkbox>
      {asks && (
        <div className="sentence">
          <label htmlFor="receiving-from">for papers complete from</label>
          <DayField
            id="receiving-from"
            value={receiving.from ?? ""}
            onChange={(from) => onChange({ ...receiving, from: from ?? undefined })}
          />
          <span className="muted">on; without a day for all that are kept</span>
        </div>
      )}
    </div>
  );
}

/** Somebody who was chosen before: their name is not among those found now. */
function OutsiderName({ value }: { value: string }) {
  const outsider = useQuery(outsiderOptions(value.slice("OUTSIDER:".length))).data;
  return <>{outsider?.name ?? "…"}</>;
}

function keyOf({ who, code }: Receiver): string {
  return `${who}:${code ?? ""}`;
}

function receiverOf(value: string): Receiver {
  const [who = "", code = ""] = value.split(":");
  return { who: who as Receiver["who"], code: code || undefined };
}
