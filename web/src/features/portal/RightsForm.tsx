import { DeleteOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Select } from "antd";
import { answer, api, type Shape } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";

export type Rights = Shape<"RightsDetails">;
type Deed = Rights["inFile"][number];

/** What a guest may usually: send papers and take them back; papers are shown singly. */
export const USUAL: Rights = { inFile: ["ADD", "REMOVE"], inSections: [] };

const DEEDS: { value: Deed; label: string }[] = [
  { value: "SEE", label: "see" },
  { value: "ADD", label: "add" },
  { value: "REMOVE", label: "take back" },
  { value: "SIGN", label: "sign" },
];

const words = (deeds: Deed[]) =>
  DEEDS.filter((d) => deeds.includes(d.value))
    .map((d) => d.label)
    .join(", ");

const sectionsOptions = {
  queryKey: ["document-types"],
  queryFn: () => answer(api.GET("/api/document-types")),
  staleTime: 60_000,
};

/** The sections papers can lie in. */
function useSections(): { value: string; label: string }[] {
  const types = useQuery(sectionsOptions).data ?? [];
  return [...new Map(types.map((t) => [t.section, t.sectionLabel]))].map(([value, label]) => ({
    value,
    label,
  }));
}

/** What somebody may, in one line. */
export function RightsWords({ rights }: { rights: Rights }) {
  const sections = useSections();
  return (
    <>
      {[
        rights.inFile.length > 0 ? `may ${words(rights.inFile)}` : "sees what is shown singly",
        ...rights.inSections.map(
          (s) => `${sections.find((o) => o.value === s.section)?.label ?? s.section}: ${words(s.deeds)}`,
        ),
        rights.until && `until ${day(rights.until)}`,
      ]
        .filter(Boolean)
        .join(" · ")}
    </>
  );
}

/** Says what a guest may in the whole file and in single sections, and until when. */
export function RightsForm({
  value = USUAL,
  onChange,
  untilProblem,
}: {
  value?: Rights;
  onChange?: (rights: Rights) => void;
  untilProblem?: string;
}) {
  const sections = useSections();
  const set = (part: Partial<Rights>) => onChange?.({ ...value, ...part });
  const left = sections.filter((s) => !value.inSections.some((i) => i.section === s.value));
  return (
    <div className="rights-form">
      <Checkbox.Group
        aria-label="In the whole file"
        options={DEEDS}
        value={value.inFile}
        onChange={(inFile) => set({ inFile: inFile as Deed[] })}
      />
      <p className="muted">
        Who may see sees all papers that are filed and not sensitive. Any paper can be shown singly besides.
      </p>
      {value.inSections.map((section, i) => (
        <div key={section.section} className="rights-section">
          <span>{sections.find((s) => s.value === section.section)?.label ?? section.section}</span>
          <Checkbox.Group
            aria-label={`In ${section.section}`}
            options={DEEDS}
            value={section.deeds}
            onChange={(deeds) =>
              set({
                inSections: value.inSections.map((s, j) => (j === i ? { ...s, deeds: deeds as Deed[] } : s)),
              })
            }
          />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Leave ${section.section} out`}
            onClick={() => set({ inSections: value.inSections.filter((_, j) => j !== i) })}
          />
        </div>
      ))}
      {left.length > 0 && (
        <Select
          aria-label="Besides, in a section"
          placeholder="besides, in a section"
          value={null}
          options={left}
          onChange={(section: string | null) =>
            section && set({ inSections: [...value.inSections, { section, deeds: ["SEE"] }] })
          }
        />
      )}
      <div className="rights-until">
        <DayField
          label="Shown until"
          placeholder="shown without end"
          value={value.until}
          status={untilProblem ? "error" : ""}
          onChange={(until) => set({ until })}
        />
        {untilProblem && <span className="clay">{untilProblem}</span>}
      </div>
    </div>
  );
}
