import { cleanup, fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { afterEach, expect, test } from "vitest";
import { show } from "../../testing/screen";
import { FieldsEditor } from "./FieldsEditor";

afterEach(cleanup);

type Fields = Parameters<typeof FieldsEditor>[0]["fields"];

let latest: Fields = [];

function Editor() {
  const [fields, setFields] = useState<Fields>([{ name: "Old", found: "BY_HAND", sign: "" }]);
  latest = fields;
  return <FieldsEditor fields={fields} onChange={setFields} />;
}

test("fields are added, named, told how they are found, and removed", () => {
  show(<Editor />);
  expect(screen.queryByLabelText(/Words before it/)).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Add a field" }));
  fireEvent.change(screen.getByLabelText("Name of field 2"), { target: { value: "Policy number" } });
  fireEvent.change(screen.getByLabelText("Words before it, Policy number"), {
    target: { value: "Policy no." },
  });
  fireEvent.click(screen.getByRole("button", { name: "Remove Old" }));
  expect(latest).toEqual([{ name: "Policy number", found: "AFTER_WORDS", sign: "Policy no." }]);
});
