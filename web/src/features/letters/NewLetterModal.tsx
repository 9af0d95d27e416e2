import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, Button, Modal, Select } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, fieldWords, type Shape, wordsOf } from "../../api/client";
import { practiceOptions } from "../../api/practice";
import { DayField } from "../../ui/DayField";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { languageName, type Model, modelsOptions } from "./letterQueries";

type NewLetterModalProps = {
  file: Pick<Shape<"FileAnswer">, "id" | "name" | "kind">;
  onClose: () => void;
};

/** Which letter, in which language, for which day. */
export function NewLetterModal({ file, onClose }: NewLetterModalProps) {
  const models = useQuery(modelsOptions);
  return (
    <Modal title={`A letter about ${file.name}`} open footer={null} onCancel={onClose} destroyOnHidden>
      <Loaded query={models}>
        {(all) => {
          const usable = all.filter(
            (m) => !m.retired && m.kinds.includes(file.kind) && m.versions.length > 0,
          );
          return usable.length === 0 ? (
            <QuietEmpty title="There is nothing to write by yet">
              <p>An administrator sets models of letters up in Set-up, Models of letters.</p>
            </QuietEmpty>
          ) : (
            <Begin file={file} models={usable} />
          );
        }}
      </Loaded>
    </Modal>
  );
}

function Begin({ file, models }: { file: NewLetterModalProps["file"]; models: Model[] }) {
  const today = useQuery(practiceOptions).data?.today ?? "";
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [modelId, setModelId] = useState(models[0]?.id ?? "");
  const [chosenLanguage, setLanguage] = useState<string>();
  const [chosenDay, setDay] = useState<string | null>();
  const model = models.find((m) => m.id === modelId);
  const languages = [...new Set(model?.versions.map((v) => v.language))];
  const language =
    chosenLanguage && languages.includes(chosenLanguage) ? chosenLanguage : (languages[0] ?? "");
  const effectiveOn = chosenDay === undefined ? today : chosenDay;
  const begin = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/files/{id}/letters", {
          params: { path: { id: file.id } },
          body: { modelId, language, effectiveOn: effectiveOn ?? "" },
        }),
      ),
    onSuccess: ({ id }) => {
      queries.invalidateQueries({ queryKey: ["letters"] });
      navigate(`/letters/${id}`);
    },
  });
  const dayWords = fieldWords(begin.error, "day");
  return (
    <div className="model-fields">
      <div>
        <label htmlFor="letter-model">What</label>
        <Select
          id="letter-model"
          style={{ width: 260 }}
          value={modelId}
          onChange={setModelId}
          options={models.map((m) => ({ value: m.id, label: `${m.name} (${m.typeLabel})` }))}
        />
      </div>
      {languages.length > 1 && (
        <div>
          <label htmlFor="letter-language">Language</label>
          <Select
            id="letter-language"
            style={{ width: 180 }}
            value={language}
            onChange={setLanguage}
            options={languages.map((tag) => ({ value: tag, label: languageName(tag) }))}
          />
        </div>
      )}
      <div>
        <span>Takes effect on</span>
        <DayField value={effectiveOn} placeholder="day" onChange={setDay} />
        {dayWords && <span className="clay">{dayWords}</span>}
      </div>
      {begin.error && !dayWords ? <Alert type="error" title={wordsOf(begin.error)} /> : null}
      <Button type="primary" loading={begin.isPending} disabled={!effectiveOn} onClick={() => begin.mutate()}>
        Write it
      </Button>
    </div>
  );
}
