import { DownOutlined } from "@ant-design/icons";
import { Button, Dropdown, Space } from "antd";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { PlaceholderModal } from "../documents/placeholders/PlaceholderModal";
import { NewLetterModal } from "../letters/NewLetterModal";
import { papersOf } from "../uploads/droppedFiles";
import { useUploads } from "../uploads/Uploads";
import { LinkModal } from "./LinkModal";
import { type OfPerson, PapersForFile } from "./PapersForFile";

/** Takes files for one person's file; they wait in Arrivals with the person chosen. Several may be of different types. */
export function AddPapers({ person }: { person: OfPerson & { kind: string } }) {
  const [notes, setNotes] = useState<"letter" | "awaited" | "on-paper" | "link">();
  const [several, setSeveral] = useState<File[]>();
  const picker = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const { uploads, send } = useUploads();
  const fileId = person.id;
  const take = async (files: File[]) => {
    if (files.length > 1) {
      setSeveral(files);
      return;
    }
    const [id] = await send(files.map((file) => ({ file, details: { fileId } })));
    if (id) {
      navigate(`/arrivals?paper=${id}`);
    }
  };
  return (
    <>
      <input
        ref={picker}
        type="file"
        multiple
        hidden
        aria-label="Choose papers for this file"
        onChange={(e) => {
          take(papersOf(e.target.files));
          // the same file can be chosen again
          e.target.value = "";
        }}
      />
      <Space.Compact>
        <Button
          type="primary"
          loading={uploads.some((u) => !u.error)}
          onClick={() => picker.current?.click()}
        >
          Add papers
        </Button>
        <Dropdown
          trigger={["click"]}
          menu={{
            items: [
              { key: "letter", label: "A letter we write…", onClick: () => setNotes("letter") },
              { key: "awaited", label: "An awaited paper…", onClick: () => setNotes("awaited") },
              { key: "on-paper", label: "An original on paper…", onClick: () => setNotes("on-paper") },
              { key: "link", label: "A link…", onClick: () => setNotes("link") },
            ],
          }}
        >
          <Button type="primary" icon={<DownOutlined />} aria-label="Add something else" />
        </Dropdown>
      </Space.Compact>
      {several && <PapersForFile person={person} files={several} onClose={() => setSeveral(undefined)} />}
      {notes === "letter" && <NewLetterModal people={[person]} onClose={() => setNotes(undefined)} />}
      {notes === "link" && (
        <LinkModal
          fileId={fileId}
          onClose={() => setNotes(undefined)}
          onAdded={(id) => navigate(`/arrivals?paper=${id}`)}
        />
      )}
      {(notes === "awaited" || notes === "on-paper") && (
        <PlaceholderModal fileId={fileId} awaited={notes === "awaited"} onClose={() => setNotes(undefined)} />
      )}
    </>
  );
}
