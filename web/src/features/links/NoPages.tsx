import { Button, Input, Space } from "antd";
import { useRef, useState } from "react";
import { api, type Shape } from "../../api/client";
import { QuietEmpty } from "../../ui/Quiet";
import { useNewVersion } from "../documents/useNewVersion";
import { usePaperAction } from "../documents/usePaperAction";

type NoPagesProps = {
  paperId: string;
  placeholder: Shape<"Placeholder">;
  /** Whether this is the newest version, and the viewer may change it. */
  mayChange: boolean;
};

/** What stands for a paper of which there are no pages: that it is awaited, or where its original lies. */
export function NoPages({ paperId, placeholder, mayChange }: NoPagesProps) {
  const picker = useRef<HTMLInputElement>(null);
  const [place, setPlace] = useState<string>();
  const renew = useNewVersion(paperId);
  const act = usePaperAction();
  const save = () =>
    place?.trim() &&
    act.mutate({
      call: () =>
        api.POST("/api/documents/{id}/place", { params: { path: { id: paperId } }, body: { place } }),
      said: "Noted where it lies.",
      after: () => setPlace(undefined),
    });
  return (
    <QuietEmpty title={placeholder.awaited ? "Not here yet" : "The original lies on paper"}>
      <p>{placeholder.words || (placeholder.awaited ? "It is awaited." : "")}</p>
      {mayChange && place === undefined && (
        <Space>
          <Button type={placeholder.awaited ? "primary" : undefined} onClick={() => picker.current?.click()}>
            {placeholder.awaited ? "It came: choose the file" : "Add its scan"}
          </Button>
          <Button onClick={() => setPlace(placeholder.awaited ? "" : placeholder.words)}>
            {placeholder.awaited ? "It came on paper" : "It lies elsewhere now"}
          </Button>
        </Space>
      )}
      {place !== undefined && (
        <Space.Compact>
          <Input
            aria-label="Where it lies"
            autoFocus
            maxLength={200}
            value={place}
            onChange={(e) => setPlace(e.target.value)}
            onPressEnter={save}
          />
          <Button type="primary" disabled={!place.trim()} loading={act.isPending} onClick={save}>
            Note it
          </Button>
        </Space.Compact>
      )}
      <input
        ref={picker}
        type="file"
        hidden
        aria-label="Choose the paper"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) {
            renew.mutate(file);
          }
        }}
      />
    </QuietEmpty>
  );
}
