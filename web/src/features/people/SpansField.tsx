import { DeleteOutlined } from "@ant-design/icons";
import { Button, Form } from "antd";
import type { Shape } from "../../api/client";
import { DayField } from "../../ui/DayField";

/** The days during which anything is asked of a person: one span, or several of someone who left and came back. */
export function SpansField({
  subject,
  errors,
}: {
  subject: Shape<"KindAnswer">["subject"];
  errors: (field: string) => string | undefined;
}) {
  const isPerson = subject === "PERSON";
  return (
    <Form.List name="spans">
      {(spans, { add, remove }) => (
        <fieldset className="spans">
          <legend>{isPerson ? "Here from and to" : "In use from and to"}</legend>
          {spans.map((span) => {
            const words = errors(`spans.${span.name}.from`) ?? errors(`spans.${span.name}.to`);
            return (
              <div key={span.key} className="span-line">
                <Form.Item name={[span.name, "from"]} noStyle>
                  <DayField placeholder="ever" />
                </Form.Item>
                <span>to</span>
                <Form.Item name={[span.name, "to"]} noStyle>
                  <DayField placeholder={isPerson ? "still here" : "still in use"} />
                </Form.Item>
                <Button
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label="Remove this span"
                  onClick={() => remove(span.name)}
                />
                {words && <p className="clay">{words}</p>}
              </div>
            );
          })}
          <Button size="small" onClick={() => add({})}>
            {spans.length === 0 ? "Add a span" : isPerson ? "Came back…" : "In use again…"}
          </Button>
        </fieldset>
      )}
    </Form.List>
  );
}
