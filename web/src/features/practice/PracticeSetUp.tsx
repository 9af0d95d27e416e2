import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  Alert,
  App,
  Button,
  Checkbox,
  ColorPicker,
  Form,
  Input,
  InputNumber,
  Radio,
  Select,
  Space,
  Upload,
} from "antd";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { DraftNote } from "../../ui/DraftNote";
import { type Drafting, useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { LANGUAGES } from "./languages";
import { PracticeMark } from "./PracticeMark";
import "./practice.css";

type Days = Shape<"DaysRequest">;
type Look = Shape<"LookRequest">;
type Sessions = Shape<"SessionsRequest">;
type Practice = Shape<"PracticeAnswer">;
type Own = Shape<"PracticeSetUpAnswer">;

const setUpPracticeOptions = {
  queryKey: ["set-up", "practice"],
  queryFn: () => answer(api.GET("/api/set-up/practice")),
};

/** What the practice is called and looks like, how it counts days, and how long its people stay signed in. */
export function PracticeSetUp() {
  const practice = useQuery(practiceOptions);
  const own = useQuery(setUpPracticeOptions);
  return (
    <Loaded query={practice}>
      {(met) => (
        <Loaded query={own}>
          {(kept) => (
            <section className="set-up-body wide practice-set-up" aria-label="The practice">
              <LookForm practice={met} own={kept} />
              <DaysForm kept={{ zone: met.zone, dayOrder: met.dayOrder, weekStart: met.weekStart }} />
              <SessionsForm
                kept={{
                  idleMinutes: kept.sessionIdleMinutes,
                  mostHours: kept.sessionMostHours,
                  secondFactor: kept.secondFactor,
                }}
              />
              <SigningForm kept={{ confirm: kept.confirmSigning, addresses: kept.evidenceAddresses }} />
              <OwnFileForm kept={{ deeds: kept.ownFile }} />
            </section>
          )}
        </Loaded>
      )}
    </Loaded>
  );
}

/** A part that is saved by itself. */
function usePart<T extends object>(key: string, kept: T, send: (value: T) => Promise<unknown>) {
  const draft = useDraft<T, string>(key, kept, JSON.stringify(kept));
  const { message } = App.useApp();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => done(send(draft.value)),
    onSuccess: async () => {
      message.success("Saved.");
      draft.discard();
      await queries.invalidateQueries();
    },
  });
  const set = (part: Partial<T>) => draft.set((before) => ({ ...before, ...part }));
  const told = (field: string) => {
    const words = fieldWords(save.error, field);
    return words ? { validateStatus: "error" as const, help: words } : {};
  };
  return { draft, save, set, told };
}

type Saving = { isPending: boolean; error: unknown; mutate: () => void };

function Head<T>({ title, draft, save }: { title: string; draft: Drafting<T, string>; save: Saving }) {
  return (
    <>
      <div className="checklist-head">
        <h2>{title}</h2>
        <span className="grow" />
        <Button
          type="primary"
          aria-label={`Save ${title.toLowerCase()}`}
          disabled={!draft.isChanged}
          loading={save.isPending}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </div>
      <DraftNote draft={draft} />
      {save.error ? <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" /> : null}
    </>
  );
}

function LookForm({ practice, own }: { practice: Practice; own: Own }) {
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
      <Head title="Name and look" draft={draft} save={save} />
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

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

function DaysForm({ kept }: { kept: Days }) {
  const { draft, save, set, told } = usePart<Days>("practice days", kept, (days) =>
    api.PUT("/api/set-up/practice/days", { body: days }),
  );
  const days = draft.value;
  return (
    <>
      <Head title="Days and times" draft={draft} save={save} />
      <Form layout="vertical" className="practice-days">
        <Form.Item
          label="Time zone"
          htmlFor="practice-zone"
          extra="Times are told as its clocks show them, wherever a colleague is."
          {...told("zone")}
        >
          <Select
            id="practice-zone"
            showSearch
            value={days.zone}
            onChange={(zone) => set({ zone })}
            options={Intl.supportedValuesOf("timeZone").map((zone) => ({
              value: zone,
              label: zone.replaceAll("_", " "),
            }))}
          />
        </Form.Item>
        <Form.Item
          label="3/4/2026 is"
          extra="Also on papers that are read; a day that could be two is shown as doubtful."
        >
          <Radio.Group
            aria-label="3/4/2026 is"
            value={days.dayOrder}
            onChange={(e) => set({ dayOrder: e.target.value })}
            options={[
              { value: "DAY_FIRST", label: "3 April 2026" },
              { value: "MONTH_FIRST", label: "4 March 2026" },
            ]}
          />
        </Form.Item>
        <Form.Item label="Weeks begin on" htmlFor="practice-week">
          <Select
            id="practice-week"
            value={days.weekStart}
            onChange={(weekStart) => set({ weekStart })}
            options={WEEKDAYS.map((label, i) => ({ value: i + 1, label }))}
          />
        </Form.Item>
      </Form>
    </>
  );
}

function SessionsForm({ kept }: { kept: Sessions }) {
  const { draft, save, set, told } = usePart<Sessions>("practice sessions", kept, (sessions) =>
    api.PUT("/api/set-up/practice/sessions", { body: sessions }),
  );
  return (
    <>
      <Head title="Signing in" draft={draft} save={save} />
      <Form layout="vertical" className="practice-days practice-pair">
        <Form.Item
          label="Signed out after minutes without use"
          htmlFor="practice-idle"
          {...told("idleMinutes")}
        >
          <InputNumber
            id="practice-idle"
            min={5}
            max={1440}
            value={draft.value.idleMinutes}
            onChange={(idleMinutes) => idleMinutes !== null && set({ idleMinutes })}
          />
        </Form.Item>
        <Form.Item label="Signed out after hours in any case" htmlFor="practice-most" {...told("mostHours")}>
          <InputNumber
            id="practice-most"
            min={1}
            max={720}
            value={draft.value.mostHours}
            onChange={(mostHours) => mostHours !== null && set({ mostHours })}
          />
        </Form.Item>
        <Form.Item
          label="Let in only with a second factor"
          className="practice-wide"
          extra="Who has none sets it up at the next sign-in."
        >
          <Checkbox.Group
            options={[
              { value: "ADMINISTRATOR", label: "administrators" },
              { value: "COLLEAGUE", label: "colleagues" },
              { value: "GUEST", label: "guests" },
            ]}
            value={draft.value.secondFactor}
            onChange={(secondFactor) => set({ secondFactor: secondFactor as Sessions["secondFactor"] })}
          />
        </Form.Item>
      </Form>
    </>
  );
}

function SigningForm({ kept }: { kept: Shape<"SigningRequest"> }) {
  const { draft, save, set } = usePart<Shape<"SigningRequest">>("practice signing", kept, (body) =>
    api.PUT("/api/set-up/practice/signing", { body }),
  );
  return (
    <>
      <Head title="Signing" draft={draft} save={save} />
      <Checkbox checked={draft.value.confirm} onChange={(e) => set({ confirm: e.target.checked })}>
        Ask for the password once more, or the second factor where there is one
      </Checkbox>
      <div className="signing-addresses">
        <span>Email addresses on the evidence page</span>
        <Select
          aria-label="Email addresses on the evidence page"
          value={draft.value.addresses}
          onChange={(addresses) => set({ addresses })}
          options={[
            { value: "NONE", label: "none" },
            { value: "SHORT", label: "in short, as t…@post.example" },
            { value: "FULL", label: "in full" },
          ]}
        />
      </div>
    </>
  );
}

function OwnFileForm({ kept }: { kept: Shape<"OwnFilesRequest"> }) {
  const { draft, save, set } = usePart<Shape<"OwnFilesRequest">>("practice own files", kept, (body) =>
    api.PUT("/api/set-up/practice/own-files", { body }),
  );
  return (
    <>
      <Head title="Own files" draft={draft} save={save} />
      <p className="muted">What people with an account may in the file about themselves, under “My file”.</p>
      <Checkbox.Group
        aria-label="In their own file they may"
        options={[
          { value: "SEE", label: "see what is filed and not sensitive" },
          { value: "ADD", label: "add papers" },
          { value: "REMOVE", label: "take back what they added" },
          { value: "SIGN", label: "sign" },
        ]}
        value={draft.value.deeds}
        onChange={(deeds) => set({ deeds: deeds as Shape<"OwnFilesRequest">["deeds"] })}
      />
    </>
  );
}
