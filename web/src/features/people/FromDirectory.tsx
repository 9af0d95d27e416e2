import { useMutation } from "@tanstack/react-query";
import { Button, Form, Input, Space } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";

/** Fills in what an outside directory knows of a person, by the number he has there. */
export function FromDirectory({ onFound }: { onFound: (entry: Shape<"DirectoryEntry">) => void }) {
  const [number, setNumber] = useState("");
  const ask = useMutation({
    mutationFn: () =>
      answer(api.GET("/api/directory/{number}", { params: { path: { number: number.trim() } } })),
    onSuccess: onFound,
  });
  const look = () => number.trim() && ask.mutate();
  return (
    <Form.Item
      label="Number in the directory"
      htmlFor="directory-number"
      validateStatus={ask.error ? "error" : undefined}
      help={ask.error ? wordsOf(ask.error) : ask.data ? "Filled in from the directory; check it." : undefined}
    >
      <Space.Compact>
        <Input
          id="directory-number"
          value={number}
          maxLength={40}
          onChange={(e) => setNumber(e.target.value)}
          onPressEnter={(e) => {
            e.preventDefault();
            look();
          }}
        />
        <Button loading={ask.isPending} onClick={look}>
          Look up
        </Button>
      </Space.Compact>
    </Form.Item>
  );
}
