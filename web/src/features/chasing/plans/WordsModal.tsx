import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Modal, Segmented } from "antd";
import { useRef, useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../../api/client";
import { placesOptions, type Words } from "../planQueries";

const USUAL: Record<string, Shape<"NoticeWords">> = {
  en: {
    subject: "{paper}",
    text: "we still need something from you for the file of {full name}:\n\n{what is open}\n\nYou can answer this mail with a photo or a scan, or bring the papers by.\n\n{link}",
  },
  de: {
    subject: "{paper}",
    text: "für die Akte von {full name} fehlt uns noch:\n\n{what is open}\n\nSie können auf diese Mail mit einem Foto oder Scan antworten oder die Unterlagen vorbeibringen.\n\n{link}",
  },
};

type WordsModalProps = { words?: Words; onClose: () => void };

/** Words of notices in each language, with places for what is known. */
export function WordsModal({ words, onClose }: WordsModalProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [name, setName] = useState(words?.name ?? "");
  const [language, setLanguage] = useState("en");
  const [texts, setTexts] = useState<Record<string, Shape<"NoticeWords">>>(
    words ? { ...words.texts } : { en: USUAL.en as Shape<"NoticeWords"> },
  );
  const text = texts[language] ?? { subject: "", text: "" };
  const put = (change: Partial<Shape<"NoticeWords">>) =>
    setTexts((all) => ({ ...all, [language]: { ...text, ...change } }));
  const saved = () => {
    queries.invalidateQueries({ queryKey: ["chasing"] });
    onClose();
  };
  const save = useMutation({
    mutationFn: async () => {
      const body = { changes: words?.changes ?? 0, name, texts };
      await (words
        ? done(api.PUT("/api/notice-words/{id}", { params: { path: { id: words.id } }, body }))
        : answer(api.POST("/api/notice-words", { body })));
    },
    onSuccess: saved,
  });
  const remove = useMutation({
    mutationFn: () =>
      done(api.DELETE("/api/notice-words/{id}", { params: { path: { id: words?.id ?? "" } } })),
    onSuccess: saved,
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <Modal
      open
      title={words ? "Change the words" : "New words"}
      width={680}
      onCancel={onClose}
      footer={
        <div className="words-foot">
          {words && (
            <Button danger type="text" loading={remove.isPending} onClick={() => remove.mutate()}>
              Remove
            </Button>
          )}
          <span />
          <Button onClick={onClose}>Cancel</Button>
          <Button type="primary" loading={save.isPending} onClick={() => save.mutate()}>
            Save
          </Button>
        </div>
      }
    >
      <div className="words-form">
        <label htmlFor="words-name">Name</label>
        <Input
          id="words-name"
          autoFocus
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <span>Language</span>
        <Segmented
          value={language}
          onChange={setLanguage}
          options={[
            { value: "en", label: "English" },
            { value: "de", label: texts.de ? "German" : "German (none yet)" },
          ]}
        />
        {!texts[language] && (
          <Button onClick={() => put(USUAL[language] ?? {})} className="words-wide">
            Write them in German too
          </Button>
        )}
        {texts[language] && <Text key={language} text={text} onChange={put} />}
      </div>
      {save.error && <Alert type="error" title={wordsOf(save.error)} />}
    </Modal>
  );
}

type TextProps = { text: Shape<"NoticeWords">; onChange: (change: Partial<Shape<"NoticeWords">>) => void };

function Text({ text, onChange }: TextProps) {
  const places = useQuery(placesOptions).data ?? [];
  const field = useRef<HTMLTextAreaElement>(null);
  const insert = (place: string) => {
    const at = field.current?.selectionStart ?? text.text.length;
    onChange({
      text: `${text.text.slice(0, at)}{${place}}${text.text.slice(field.current?.selectionEnd ?? at)}`,
    });
    field.current?.focus();
  };
  return (
    <>
      <label htmlFor="words-subject">Subject</label>
      <Input
        id="words-subject"
        value={text.subject}
        onChange={(e) => onChange({ subject: e.target.value })}
      />
      <label htmlFor="words-text">Text</label>
      <Input.TextArea
        id="words-text"
        ref={(made) => {
          field.current = made?.resizableTextArea?.textArea ?? null;
        }}
        rows={9}
        value={text.text}
        onChange={(e) => onChange({ text: e.target.value })}
      />
      <span>Places</span>
      <div className="words-places">
        {places.map((place) => (
          <Button key={place} size="small" onClick={() => insert(place)}>
            {place}
          </Button>
        ))}
      </div>
      <span />
      <p className="muted">
        The greeting and the practice’s name at the end come by themselves. Outsiders are not told the names
        of sensitive papers.
      </p>
    </>
  );
}
