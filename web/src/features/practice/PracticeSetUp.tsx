import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form, Radio, Select } from "antd";
import { api, done, fieldWords, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";

type Days = Shape<"DaysRequest">;

/** How the practice counts and writes days; everybody's calendars, clocks and typed days follow it. */
export function PracticeSetUp() {
  const practice = useQuery(practiceOptions);
  return (
    <Loaded query={practice}>
      {({ zone, dayOrder, weekStart }) => <DaysForm kept={{ zone, dayOrder, weekStart }} />}
    </Loaded>
  );
}

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

function DaysForm({ kept }: { kept: Days }) {
  const draft = useDraft<Days, string>("practice days", kept, JSON.stringify(kept));
  const { message } = App.useApp();
  const queries = useQueryClient();
  const days = draft.value;
  const set = (part: Partial<Days>) => draft.set((before) => ({ ...before, ...part }));
  const save = useMutation({
    mutationFn: () => done(api.PUT("/api/set-up/practice/days", { body: days })),
    onSuccess: async () => {
      message.success("Saved.");
      draft.discard();
      await queries.invalidateQueries();
    },
  });
  return (
    <section className="set-up-body wide" aria-label="The practice">
      <div className="checklist-head">
        <h2>The practice</h2>
        <span className="grow" />
        <Button
          type="primary"
          disabled={!draft.isChanged}
          loading={save.isPending}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </div>
      <DraftNote draft={draft} />
      {save.error && <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" />}
      <Form layout="vertical" className="practice-days">
        <Form.Item
          label="Time zone"
          htmlFor="practice-zone"
          help={fieldWords(save.error, "zone")}
          extra="Times are told as its clocks show them, wherever a colleague is."
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
    </section>
  );
}
