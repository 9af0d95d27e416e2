import { Checkbox, Form, InputNumber } from "antd";
import { api, type Shape } from "../../api/client";
import { PartHead, usePart } from "./practicePart";

type Sessions = Shape<"SessionsRequest">;

export function SessionsForm({ kept }: { kept: Sessions }) {
  const { draft, save, set, told } = usePart<Sessions>("practice sessions", kept, (sessions) =>
    api.PUT("/api/set-up/practice/sessions", { body: sessions }),
  );
  return (
    <>
      <PartHead title="Signing in" draft={draft} save={save} />
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
