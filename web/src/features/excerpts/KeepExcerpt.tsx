import { HighlightOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Input, Modal } from "antd";
import { useState } from "react";
import { answer, api, wordsOf } from "../../api/client";

type Source = { paperId: string; version: number; page: number };

/** Keeps picked text of the shown page; without any picked, the words of the page are there to be cut down. */
export function KeepExcerpt(source: Source) {
  const [picked, setPicked] = useState<string>();
  return (
    <>
      <Button
        size="small"
        type="text"
        icon={<HighlightOutlined />}
        aria-label="Excerpt"
        title="Excerpt: keep the picked text for later letters"
        // a press would take the selection away
        onMouseDown={(e) => e.preventDefault()}
        onClick={() => setPicked(window.getSelection()?.toString().trim() ?? "")}
      />
      {picked !== undefined && (
        <ExcerptModal source={source} picked={picked} onClose={() => setPicked(undefined)} />
      )}
    </>
  );
}

function ExcerptModal({ source, picked, onClose }: { source: Source; picked: string; onClose: () => void }) {
  const { paperId, version, page } = source;
  const [typed, setTyped] = useState<string>();
  const [note, setNote] = useState("");
  const { message } = App.useApp();
  const queries = useQueryClient();
  const text = useQuery({
    queryKey: ["files", "document", paperId, "text", version],
    queryFn: () =>
      answer(
        api.GET("/api/documents/{id}/versions/{number}/text", {
          params: { path: { id: paperId, number: version } },
        }),
      ),
    enabled: picked === "",
  }).data;
  const words =
    typed ?? (picked || (text?.pages.find((p) => p.page === Math.max(1, page))?.text.slice(0, 4000) ?? ""));
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{id}/excerpts", {
          params: { path: { id: paperId } },
          body: { version, page, words, note: note.trim() || undefined },
        }),
      ),
    onSuccess: () => {
      message.success("Kept, with where it stands. It is listed in the details of the file.");
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  return (
    <Modal
      title={page > 0 ? `An excerpt of page ${page}` : "An excerpt"}
      open
      okText="Keep it"
      okButtonProps={{ disabled: words.trim() === "", loading: keep.isPending }}
      onOk={() => keep.mutate()}
      onCancel={onClose}
    >
      {picked === "" && (
        <p className="muted">
          {text && words === "" && typed === undefined
            ? "This page holds no readable text; type what it says."
            : "Nothing was picked, so this is all of the page. Cut it down to what is needed."}
        </p>
      )}
      <Form layout="vertical">
        <Form.Item label="Text" htmlFor="excerpt-words">
          <Input.TextArea
            id="excerpt-words"
            rows={7}
            autoFocus
            maxLength={4000}
            value={words}
            onChange={(e) => setTyped(e.target.value)}
          />
        </Form.Item>
        <Form.Item label="Note" htmlFor="excerpt-note">
          <Input
            id="excerpt-note"
            maxLength={200}
            placeholder="what it is for"
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </Form.Item>
      </Form>
      {keep.error && <Alert type="error" title={wordsOf(keep.error)} />}
    </Modal>
  );
}
