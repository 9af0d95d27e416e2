import { Form, Radio, Select } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

type Days = Shape<"DaysRequest">;

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

export function DaysForm({ kept }: { kept: Days }) {
  const { draft, save, set, told } = usePart<Days>("practice days", kept, (days) =>
    api.PUT("/api/set-up/practice/days", { body: days }),
  );
  const days = draft.value;
  return (
    <>
      <PartHead title="Days and times" draft={draft} save={save} />
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
