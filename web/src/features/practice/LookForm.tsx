import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App, Button, ColorPicker, Form, Input, Select, Space, Upload } from "antd";
import { api, done, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { LANGUAGES } from "./languages";
import { PracticeMark } from "./PracticeMark";
import { PartHead, usePart } from "./practicePart";

type Look = Shape<"LookRequest">;
type Practice = Shape<"PracticeAnswer">;
type Own = Shape<"PracticeSetUpAnswer">;

export function LookForm({ practice, own }: { practice: Practice; own: Own }) {
  const { draft, save, set, told } = usePart<Look>(
    "practice look",
    {
      name: practice.name,
      address: practice.address,
      colour: practice.colour,
      languages: practice.languages,
      mailFrom: own.mailFrom ?? "",
      replyTo: own.replyTo ?? "",
    },
    ({ mailFrom, replyTo, ...look }) =>
      api.PUT("/api/set-up/practice/look", {
        body: { ...look, mailFrom: mailFrom || undefined, replyTo: replyTo || undefined },
      }),
  );
  const look = draft.value;
  return (
    <>
      <PartHead title="Name and look" draft={draft} save={save} />
      <div className="practice-look">
        <Form layout="vertical">
          <Form.Item label="Name" htmlFor="practice-name" {...told("name")}>
            <Input
              id="practice-name"
              maxLength={120}
              value={look.name}
              onChange={(e) => set({ name: e.target.value })}
            />
          </Form.Item>
          <Form.Item
            label="Address"
            htmlFor="practice-address"
            extra="Stands under mails and in the portal."
            {...told("address")}
          >
            <Input.TextArea
              id="practice-address"
              rows={3}
              maxLength={500}
              value={look.address}
              onChange={(e) => set({ address: e.target.value })}
            />
          </Form.Item>
          <Form.Item label="Colour" {...told("colour")}>
            <ColorPicker
              aria-label="Colour"
              disabledAlpha
              disabledFormat
              showText
              value={look.colour}
              onChange={(colour) => set({ colour: colour.toHexString() })}
            />
          </Form.Item>
          <Form.Item
            label="Languages of letters"
            htmlFor="practice-languages"
            extra="The first is the usual one."
            {...told("languages")}
          >
            <Select
              id="practice-languages"
              mode="multiple"
              showSearch={{ optionFilterProp: "label" }}
              value={look.languages}
              options={LANGUAGES}
              onChange={(languages) => set({ languages })}
            />
          </Form.Item>
          <div className="practice-pair">
            <Form.Item
              label="Mails come from"
              htmlFor="practice-from"
              extra="Your mail server must send for this address."
              {...told("mailFrom")}
            >
              <Input
                id="practice-from"
                placeholder="as this installation has it"
                value={look.mailFrom ?? ""}
                onChange={(e) => set({ mailFrom: e.target.value })}
              />
            </Form.Item>
            <Form.Item label="Answers go to" htmlFor="practice-reply" {...told("replyTo")}>
              <Input
                id="practice-reply"
                placeholder="where mails come from"
                value={look.replyTo ?? ""}
                onChange={(e) => set({ replyTo: e.target.value })}
              />
            </Form.Item>
          </div>
        </Form>
        <Preview look={look} mark={practice.mark} />
      </div>
    </>
  );
}

/** How the head of the portal looks with it, and the mark, which is saved at once. */
function Preview({ look, mark }: { look: Look; mark?: string | null }) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: ({ image }: { image?: File }) => {
      if (!image) {
        return done(api.DELETE("/api/set-up/practice/mark"));
      }
      const body = new FormData();
      body.append("file", image);
      return done(api.POST("/api/set-up/practice/mark", { body: { file: "" }, bodySerializer: () => body }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: practiceOptions.queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <aside aria-label="How the portal looks">
      <div className="practice-preview">
        <header style={{ background: look.colour }}>
          <PracticeMark mark={mark} />
          <strong>{look.name}</strong>
        </header>
        <p>We need one thing from you</p>
        <div>Insurance card</div>
        <footer>{look.address}</footer>
      </div>
      <Space wrap>
        <Upload
          accept="image/png,image/jpeg"
          showUploadList={false}
          beforeUpload={(image) => {
            change.mutate({ image });
            return false;
          }}
        >
          <Button loading={change.isPending}>{mark ? "Choose another mark" : "Choose a mark"}</Button>
        </Upload>
        {mark && (
          <Button loading={change.isPending} onClick={() => change.mutate({})}>
            Remove it
          </Button>
        )}
      </Space>
      <p className="muted">A picture in PNG or JPEG, also on cover sheets.</p>
    </aside>
  );
}
