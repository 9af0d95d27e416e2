import { DownOutlined } from "@ant-design/icons";
import { App, Button, Dropdown, Space } from "antd";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { PlaceholderModal } from "../documents/placeholders/PlaceholderModal";
import { LinkModal } from "./LinkModal";
import { useUploads } from "./useUploads";

/** Takes files for one person's file; they wait in Arrivals with the person chosen. */
export function AddPapers({ fileId }: { fileId: string }) {
  const [notes, setNotes] = useState<"awaited" | "on-paper" | "link">();
  const picker = useRef<HTMLInputElement>(null);
  const { message } = App.useApp();
  const navigate = useNavigate();
  const { uploads, send } = useUploads({ fileId });
  const refused = uploads.find((u) => u.error);
  const take = async (files: File[]) => {
    const ids = await send(files);
    if (ids.length === files.length) {
      navigate(`/arrivals?paper=${ids[0]}`);
    } else {
      message.error(refused?.error ?? "Some papers were not taken; Arrivals shows which.");
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
        onChange={(e) => take([...(e.target.files ?? [])])}
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
              { key: "awaited", label: "An awaited paper…", onClick: () => setNotes("awaited") },
              { key: "on-paper", label: "An original on paper…", onClick: () => setNotes("on-paper") },
              { key: "link", label: "A link…", onClick: () => setNotes("link") },
            ],
          }}
        >
          <Button type="primary" icon={<DownOutlined />} aria-label="Add something without pages" />
        </Dropdown>
      </Space.Compact>
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
