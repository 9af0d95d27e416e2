import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Form } from "antd";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useFormDraft } from "../../ui/useFormDraft";
import { useMayChange } from "../asof/asOf";
import { BecomeKind } from "./BecomeKind";
import { trailOptions } from "./fileQueries";
import { PersonFields, type PersonValues, personDetails } from "./PersonFields";

/** What changes a person's details, as the trail names it. */
const CHANGES = new Set(["file-changed", "merged", "merge-undone"]);

/** What can be typed, as the file has it. */
function valuesOf(file: Shape<"FileAnswer">): PersonValues {
  const { givenName, familyName, birthDate, team, email, formerNames, identifiers, spans, facts } = file;
  return { givenName, familyName, birthDate, team, email, formerNames, identifiers, spans, facts };
}

/** Who the person is, and his facts; a changed fact holds from today on, the old value until yesterday. */
export function DetailsView({ file }: { file: Shape<"FileAnswer"> }) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const mayChange = useMayChange();
  const { draft, props, show } = useFormDraft<PersonValues>(`file ${file.id}`, valuesOf(file), file.version);
  const trail = useQuery({ ...trailOptions(file.id), enabled: draft.isOutdated }).data;
  const save = useMutation({
    mutationFn: (values: PersonValues) =>
      answer(
        api.PUT("/api/files/{id}", {
          params: { path: { id: file.id } },
          body: { version: draft.version, person: personDetails(file.kind, values) },
        }),
      ),
    onSuccess: () => {
      message.success("Saved.");
      draft.discard();
      queries.invalidateQueries({ queryKey: ["files"] });
    },
  });
  return (
    <div className="details">
      <Form {...props} layout="vertical" requiredMark={false} disabled={!mayChange} onFinish={save.mutate}>
        <DraftNote draft={draft} by={trail?.find((line) => CHANGES.has(line.action))?.who} onDiscard={show} />
        <PersonFields
          withSpans
          subject={file.subject}
          facts={file.factDefinitions}
          errors={(field) => fieldWords(save.error, field)}
        />
        {save.error && <Alert type="error" title={wordsOf(save.error)} style={{ marginBottom: 12 }} />}
        <div className="buttons">
          <Button type="primary" htmlType="submit" loading={save.isPending}>
            Save
          </Button>
          {mayChange && <BecomeKind file={file} version={file.version} />}
        </div>
      </Form>
    </div>
  );
}
