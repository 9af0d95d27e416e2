import { AutoComplete, Input, Radio } from "antd";
import { useState } from "react";
import { DayField } from "../../ui/DayField";
import { addDays } from "../../ui/days";

/** For so many days a link leads to copies unless another day is chosen. */
const USUAL_DAYS = 14;

export type MailLetter = {
  to: string;
  subject: string;
  words: string;
  asLink: boolean;
  endsOn: string;
};

/** What was changed by hand; undefined for what is as proposed again. */
type Changed = { [K in keyof MailLetter]?: MailLetter[K] | undefined };

type UsualLetter = { practice: string; reader: string; email: string; today: string };

/** A mail as it is proposed for somebody, until it is changed by hand. */
export function useMailLetter({ practice, reader, email, today }: UsualLetter) {
  const [changed, change] = useState<Changed>({});
  const letter: MailLetter = {
    to: email,
    subject: `Papers from ${practice}`,
    words: `Dear ${reader},\n\nhere are the papers you asked for.`,
    asLink: true,
    endsOn: addDays(today, USUAL_DAYS),
    ...(Object.fromEntries(
      Object.entries(changed).filter(([, value]) => value !== undefined),
    ) as Partial<MailLetter>),
  };
  return { letter, change: (part: Changed) => change({ ...changed, ...part }) };
}

type MailFormProps = {
  letter: MailLetter;
  onChange: (part: Partial<MailLetter>) => void;
  /** Whom one may want to write to. */
  known: { name: string; is: string; email?: string | null }[];
};

/** To where copies go by mail, how, and with which words. */
export function MailForm({ letter, onChange, known }: MailFormProps) {
  const offered = known
    .filter((k) => k.email && k.email !== letter.to)
    .map((k) => ({ value: k.email, label: `${k.email} (${k.name}, ${k.is})` }))
    .filter((o) => o.label.toLowerCase().includes(letter.to.trim().toLowerCase()));
  return (
    <div className="copy-mail">
      <label htmlFor="copy-to">Mail address</label>
      <AutoComplete
        id="copy-to"
        autoFocus={letter.to === ""}
        value={letter.to}
        maxLength={254}
        options={offered}
        // a list of nothing is said to be there and is not
        open={offered.length === 0 ? false : undefined}
        onChange={(to: string) => onChange({ to })}
      />
      <Radio.Group
        value={letter.asLink}
        onChange={(e) => onChange({ asLink: e.target.value })}
        options={[
          { value: true, label: "as a link that opens with a code" },
          { value: false, label: "attached" },
        ]}
      />
      {letter.asLink && (
        <div className="copy-ends">
          <label htmlFor="copy-ends">It ends after</label>
          <DayField
            id="copy-ends"
            value={letter.endsOn}
            onChange={(endsOn) => onChange({ endsOn: endsOn ?? "" })}
          />
        </div>
      )}
      <label htmlFor="copy-subject">Subject</label>
      <Input
        id="copy-subject"
        value={letter.subject}
        maxLength={150}
        onChange={(e) => onChange({ subject: e.target.value })}
      />
      <label htmlFor="copy-words">Words</label>
      <Input.TextArea
        id="copy-words"
        rows={5}
        value={letter.words}
        maxLength={5000}
        onChange={(e) => onChange({ words: e.target.value })}
      />
      <p className="muted">
        {letter.asLink ? "The link" : "The list of what is attached"} and our closing are added. What they
        send back lands in Arrivals, with this file proposed.
      </p>
    </div>
  );
}
