import { useQuery } from "@tanstack/react-query";
import { Button, Modal, Select } from "antd";
import { useState } from "react";
import { typesOptions } from "../catalog/typeQueries";

type CoverSheetModalProps = {
  /** Whose papers follow; without one the sheets tell the type alone. */
  person?: { id: string; name: string };
  open: boolean;
  onClose: () => void;
};

/** Prints sheets that are laid before papers, so that a stack scanned in one go splits by itself. */
export function CoverSheetModal({ person, open, onClose }: CoverSheetModalProps) {
  const [chosen, setChosen] = useState<string[]>([]);
  const types = useQuery(typesOptions).data ?? [];
  const query = new URLSearchParams(chosen.map((type) => ["type", type]));
  if (person) {
    query.set("fileId", person.id);
  }
  const count = Math.max(1, chosen.length);
  return (
    <Modal
      title={person ? `Cover sheets for ${person.name}` : "Cover sheets"}
      open={open}
      onCancel={onClose}
      footer={
        <Button
          type="primary"
          href={`/api/cover-sheets?${query}`}
          target="_blank"
          disabled={!person && chosen.length === 0}
          onClick={onClose}
        >
          {count === 1 ? "Make the sheet" : `Make ${count} sheets`}
        </Button>
      }
    >
      <p className="muted">
        Lay a sheet before each paper and scan the whole stack in one go: every sheet tells where a paper
        begins, whose it is and what it is. A person named once holds for all that follows.
      </p>
      <label htmlFor="cover-types">
        Types, one sheet each{person && "; none for a sheet of the person alone"}
      </label>
      <Select
        id="cover-types"
        mode="multiple"
        style={{ width: "100%" }}
        value={chosen}
        onChange={setChosen}
        options={types.map((t) => ({ value: t.code, label: t.label }))}
        showSearch={{ optionFilterProp: "label" }}
      />
    </Modal>
  );
}
