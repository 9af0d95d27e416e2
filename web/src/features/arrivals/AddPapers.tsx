import { App, Button } from "antd";
import { useRef } from "react";
import { useNavigate } from "react-router";
import { useUploads } from "./useUploads";

/** Takes files for one person's file; they wait in Arrivals with the person chosen. */
export function AddPapers({ fileId }: { fileId: string }) {
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
      <Button type="primary" loading={uploads.some((u) => !u.error)} onClick={() => picker.current?.click()}>
        Add papers
      </Button>
    </>
  );
}
