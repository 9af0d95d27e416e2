import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { useMayChange } from "../asof/asOf";
import { PersonFields, type PersonValues, personDetails } from "./PersonFields";

/** Who the person is, and his facts; a changed fact holds from today on, the old value until yesterday. */
export function DetailsView({ file }: { file: Shape<"FileAnswer"> }) {
  const [form] = Form.useForm<PersonValues>();
  const { message } = App.useApp();
  const queries = useQueryClient();
  const mayChange = useMayChange();
  const save = useMutation({
    mutationFn: (values: PersonValues) =>
      answer(
        api.PUT("/api/files/{id}", {
          params: { path: { id: file.id } },
          body: { version: file.version, person: personDetails(file.kind, values) },
        }),
      ),
    onSuccess: () => {
      message.success("Saved.");
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  return (
    <div className="details">
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={file}
        disabled={!mayChange}
        onFinish={save.mutate}
      >
        <PersonFields
          withSpans
          facts={file.factDefinitions}
          errors={(field) => fieldWords(save.error, field)}
        />
        {save.error && <Alert type="error" title={wordsOf(save.error)} style={{ marginBottom: 12 }} />}
        <Button type="primary" htmlType="submit" loading={save.isPending}>
          Save
        </Button>
      </Form>
    </div>
  );
}
