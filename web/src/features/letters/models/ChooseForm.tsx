import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App } from "antd";
import { useNavigate } from "react-router";
import { answer, api, wordsOf } from "../../../api/client";
import { type ModelWords, modelsOptions } from "../letterQueries";
import { FileButton, sent } from "./FileButton";
import { wordsFor } from "./formDraft";
import { emptyBlock, nextId } from "./modelDraft";

type ChooseFormProps = {
  words: ModelWords;
  isNew: boolean;
  onChange: (words: ModelWords) => void;
};

/** What else a model can begin with: a form of others, or a model that was saved as a file. */
export function ChooseForm({ words, isNew, onChange }: ChooseFormProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const form = useMutation({
    mutationFn: (file: File) =>
      answer(api.POST("/api/set-up/letter-forms", { body: { file: "" }, bodySerializer: () => sent(file) })),
    onSuccess: (taken) => onChange(wordsFor(taken, words)),
  });
  const office = useMutation({
    mutationFn: (file: File) =>
      answer(
        api.POST("/api/set-up/letter-models/words", { body: { file: "" }, bodySerializer: () => sent(file) }),
      ),
    onSuccess: ({ pieces, images }) => {
      if (images > 0) {
        message.warning(images === 1 ? "Its image was left out." : `Its ${images} images were left out.`);
      }
      onChange({ ...words, blocks: [{ ...emptyBlock(nextId(words.blocks)), content: pieces }] });
    },
  });
  const model = useMutation({
    mutationFn: (file: File) =>
      answer(
        api.POST("/api/set-up/letter-models/file", { body: { file: "" }, bodySerializer: () => sent(file) }),
      ),
    onSuccess: async ({ id }) => {
      message.success("The model is here now.");
      await queries.invalidateQueries({ queryKey: modelsOptions.queryKey });
      navigate(`/set-up/models/${id}`);
    },
  });
  const error = form.error ?? office.error ?? model.error;
  return (
    <div className="choose-form">
      <div className="buttons">
        <FileButton
          words="Begin with a text document …"
          label="Choose the text document"
          accept=".docx,.doc,.odt,.rtf"
          isBusy={office.isPending}
          onFile={office.mutate}
        />
        <FileButton
          words="Fill in a PDF form of others instead …"
          label="Choose the form"
          accept="application/pdf,.pdf"
          isBusy={form.isPending}
          onFile={form.mutate}
        />
        {isNew && (
          <FileButton
            words="Take in a model from a file …"
            label="Choose the file of a model"
            accept="application/zip,.zip"
            isBusy={model.isPending}
            onFile={model.mutate}
          />
        )}
      </div>
      {error ? <Alert type="error" title={wordsOf(error)} /> : null}
    </div>
  );
}
