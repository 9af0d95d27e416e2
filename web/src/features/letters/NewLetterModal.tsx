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
  /** Whom it is about; several get the same letter, each their own. */
  people: Pick<Shape<"FileAnswer">, "id" | "name" | "kind">[];
  /** Only letters that make papers of one of these types; undefined for all. */
  types?: string[];
  onClose: () => void;
};

/** Which letter, in which language, for which day. */
export function NewLetterModal({ people, types, onClose }: NewLetterModalProps) {
  const models = useQuery(modelsOptions);
  const title =
    people.length === 1
      ? `A letter about ${people[0]?.name}`
      : `The same letter about ${people.length} people`;
  return (
    <Modal title={title} open footer={null} onCancel={onClose} destroyOnHidden>
      <Loaded query={models}>
        {(all) => {
          const usable = all.filter((m) => isFor(m, people) && (!types || types.includes(m.type)));
          return usable.length === 0 ? (
            <QuietEmpty title="No model for this">
              <p>
                No model is set up for {people.length === 1 ? "this kind of file" : "all of these files"}. An
                administrator adds one in Set-up, Models of letters.
              </p>
            </QuietEmpty>
          ) : (
            <Begin people={people} models={usable} />
          );
        }}
      </Loaded>
    </Modal>
  );
}

/** Whether letters about all of them can be begun by it. */
export function isFor(model: Model, people: { kind: string }[]): boolean {
  return !model.retired && model.versions.length > 0 && people.every((p) => model.kinds.includes(p.kind));
}

function Begin({ people, models }: { people: NewLetterModalProps["people"]; models: Model[] }) {
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
    mutationFn: async () => {
      const body = { modelId, language, effectiveOn: effectiveOn ?? "" };
      const [only] = people;
      if (people.length === 1 && only) {
        const { id } = await answer(
          api.POST("/api/files/{id}/letters", { params: { path: { id: only.id } }, body }),
        );
        return `/letters/${id}`;
      }
      const { id } = await answer(
        api.POST("/api/letter-batches", { body: { ...body, files: people.map((p) => p.id) } }),
      );
      return `/letters/batches/${id}`;
    },
    onSuccess: (address) => {
      queries.invalidateQueries({ queryKey: ["letters"] });
      navigate(address);
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
          options={models.map((m) => ({
            value: m.id,
            label: m.name === m.typeLabel ? m.name : `${m.name} (${m.typeLabel})`,
          }))}
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
        <label htmlFor="letter-day">Takes effect on</label>
        <DayField id="letter-day" value={effectiveOn} placeholder="day" onChange={setDay} />
        {dayWords && <span className="clay">{dayWords}</span>}
      </div>
      {begin.error && !dayWords ? <Alert type="error" title={wordsOf(begin.error)} /> : null}
      <Button type="primary" loading={begin.isPending} disabled={!effectiveOn} onClick={() => begin.mutate()}>
        {people.length === 1 ? "Write it" : "Write them"}
      </Button>
    </div>
  );
}
