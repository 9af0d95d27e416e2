import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Select } from "antd";
import type { Shape } from "../../../api/client";
import { day } from "../../../ui/days";
import { papersOptions } from "../../documents/documentQueries";
import type { Letter } from "../letterQueries";

type AttachedProps = {
  letter: Letter;
  writing: Shape<"WrittenSoFar">;
  mayChange: boolean;
  onChange: (part: Pick<Shape<"WrittenSoFar">, "attached"> | Pick<Shape<"WrittenSoFar">, "papers">) => void;
};

/** What follows the letter: what its model attaches or offers, and papers of the file. */
export function Attached({ letter, writing, mayChange, onChange }: AttachedProps) {
  const mayAttach = mayChange && letter.attachable;
  const papers = useQuery({ ...papersOptions(letter.fileId), enabled: mayAttach }).data ?? [];
  const known = new Map(papers.map((p) => [p.id, p.name]));
  const nameOf = (id: string) =>
    letter.papers.find((p) => p.id === id)?.name ?? known.get(id) ?? "a paper you may not see";
  const offered = papers.filter(
    (p) => !writing.papers.includes(p.id) && p.state !== "ENTERED_IN_ERROR" && p.pages > 0,
  );
  if (letter.attachments.length + writing.papers.length + (mayAttach ? offered.length : 0) === 0) {
    return null;
  }
  return (
    <>
      <h2>Attachments</h2>
      {letter.attachments.length + writing.papers.length > 0 && (
        <ul className="plain-list">
          {letter.attachments.map((a) => (
            <li key={a.id}>
              <Checkbox
                checked={a.always || writing.attached.includes(a.id)}
                disabled={a.always || !mayChange}
                onChange={(e) =>
                  onChange({
                    attached: e.target.checked
                      ? [...writing.attached, a.id]
                      : writing.attached.filter((id) => id !== a.id),
                  })
                }
              >
                {a.name}
              </Checkbox>
            </li>
          ))}
          {writing.papers.map((id) => (
            <li key={id} className="attachment-line">
              <span>{nameOf(id)}</span>
              {mayChange && (
                <Button
                  size="small"
                  type="text"
                  aria-label={`Take out ${nameOf(id)}`}
                  onClick={() => onChange({ papers: writing.papers.filter((other) => other !== id) })}
                >
                  Take out
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {mayAttach && offered.length > 0 && (
        <Select
          aria-label="Attach a paper of this file"
          placeholder="Attach a paper of this file"
          showSearch={{ optionFilterProp: "label" }}
          value={null}
          onChange={(id: string | null) => id && onChange({ papers: [...writing.papers, id] })}
          options={offered.map((p) => ({ value: p.id, label: `${p.name}, ${day(p.documentDate)}` }))}
        />
      )}
    </>
  );
}
