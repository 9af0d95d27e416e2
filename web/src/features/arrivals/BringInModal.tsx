import { Button, Form, Input, Modal } from "antd";
import { type DragEvent, useRef, useState } from "react";
import { bytes } from "../../ui/days";
import { TypePicker } from "../catalog/TypePicker";
import { PersonPicker } from "../people/PersonPicker";
import { droppedFiles, papersOf } from "../uploads/droppedFiles";
import type { Chosen } from "../uploads/Uploads";

type BringInModalProps = {
  /** Papers that are in it at first, with what was said of them before. */
  first: Chosen[];
  /** Whose papers they are, when that is known. */
  person?: { id: string; name: string; number: string };
  onClose: () => void;
  onBringIn: (papers: Chosen[]) => void;
};

type Line = { file: File; type?: string };

/** Files with what is known of them before they are sent: the same details for all, or a type for each. */
export function BringInModal({ first, person: known, onClose, onBringIn }: BringInModalProps) {
  const said = first[0]?.details;
  const isAlike = (name: "type" | "fileId") => first.every((c) => c.details[name] === said?.[name]);
  const [lines, setLines] = useState<Line[]>(
    first.map(({ file, details }) => ({ file, type: isAlike("type") ? undefined : details.type })),
  );
  const [person, setPerson] = useState(known?.id ?? (isAlike("fileId") ? said?.fileId : undefined));
  const [type, setType] = useState(isAlike("type") ? said?.type : undefined);
  const [note, setNote] = useState(said?.note ?? "");
  const picker = useRef<HTMLInputElement>(null);
  const add = (files: File[]) => setLines((all) => [...all, ...files.map((file) => ({ file }))]);
  const drop = async (e: DragEvent) => {
    e.preventDefault();
    e.stopPropagation();
    add(await droppedFiles(e.dataTransfer));
  };
  const bringIn = () => {
    const details = { fileId: person, note: note.trim() || undefined };
    onBringIn(lines.map((line) => ({ file: line.file, details: { ...details, type: line.type ?? type } })));
    onClose();
  };
  return (
    <Modal
      open
      width={760}
      title="Papers with details"
      onCancel={onClose}
      okText={
        lines.length === 0
          ? "Bring in"
          : lines.length === 1
            ? "Bring in 1 paper"
            : `Bring in ${lines.length} papers`
      }
      okButtonProps={{ disabled: lines.length === 0 }}
      onOk={bringIn}
    >
      <p className="muted">
        What you say here is proposed for each paper in Arrivals; nothing is filed before you confirm it
        there.
      </p>
      <Form layout="vertical" className="bring-in-all">
        <Form.Item label="Whose papers" htmlFor="bring-in-person">
          <PersonPicker
            id="bring-in-person"
            value={person}
            known={known ? [known] : []}
            onChange={setPerson}
          />
        </Form.Item>
        <Form.Item label="Type of all" htmlFor="bring-in-type">
          <TypePicker id="bring-in-type" fileId={person} value={type} onChange={setType} />
        </Form.Item>
        <Form.Item label="Note for whoever files them" htmlFor="bring-in-note">
          <Input id="bring-in-note" value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} />
        </Form.Item>
      </Form>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: dropping has the button beside it as its other way */}
      <div className="bring-in-papers" onDragOver={(e) => e.preventDefault()} onDrop={drop}>
        {lines.length === 0 && <p className="muted">Drop files or a folder here, or choose them.</p>}
        {lines.map((line, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same file may stand twice
          <div key={`${i} ${line.file.name}`} className="bring-in-line">
            <span className="ellipsis">{line.file.name}</span>
            <span className="muted nowrap">{bytes(line.file.size)}</span>
            <TypePicker
              id={`bring-in-type-${i}`}
              fileId={person}
              label={`Type of ${line.file.name}`}
              placeholder={type ? "as for all" : "not said"}
              value={line.type}
              onChange={(chosen) => setLines(lines.map((l, at) => (at === i ? { ...l, type: chosen } : l)))}
            />
            <Button
              type="text"
              size="small"
              aria-label={`Remove ${line.file.name}`}
              onClick={() => setLines(lines.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
          </div>
        ))}
      </div>
      <input
        ref={picker}
        type="file"
        multiple
        hidden
        aria-label="Choose more files"
        onChange={(e) => {
          add(papersOf(e.target.files));
          e.target.value = "";
        }}
      />
      <Button size="small" onClick={() => picker.current?.click()}>
        Choose files
      </Button>
    </Modal>
  );
}
