import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, AutoComplete, Button, Input, Select } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, done, fieldWords, type Shape, wordsOf } from "../../../api/client";
import { DayField } from "../../../ui/DayField";
import { DraftNote } from "../../../ui/DraftNote";
import { day } from "../../../ui/days";
import { useDraft } from "../../../ui/drafts";
import { Loaded } from "../../../ui/Quiet";
import type { KnownFacts } from "../../catalog/ConditionEditor";
import { codeOf, moved } from "../../catalog/rules";
import { typesOptions } from "../../catalog/typeQueries";
import { kindsOptions } from "../../people/fileQueries";
import { languageName, type Model, modelsOptions, namesOptions, versionOptions } from "../letterQueries";
import { firstWords } from "../richText";
import { AttachmentsEditor } from "./AttachmentsEditor";
import { BlockEditor } from "./BlockEditor";
import { ChooseForm } from "./ChooseForm";
import { FormEditor } from "./FormEditor";
import { draftOf, emptyBlock, type ModelDraft, nextId } from "./modelDraft";
import { SheetEditor } from "./SheetEditor";
import { TryModel } from "./TryModel";
import { VersionChanges } from "./VersionChanges";

const LANGUAGES = ["en-GB", "de-AT", "de-DE", "fr", "it", "es"];

type ModelEditorProps = {
  model: Model | undefined;
  /** What a new model begins as; undefined to begin with nothing. */
  copied: Model | undefined;
  today: string;
};

/** A model with the words of its newest version, from which the next one is written. */
export function ModelEditor({ model, copied, today }: ModelEditorProps) {
  const [chosen, setChosen] = useState<string>();
  const of = model ?? copied;
  const versionId = chosen ?? of?.versions[of.versions.length - 1]?.id;
  const version = useQuery({ ...versionOptions(versionId ?? ""), enabled: versionId !== undefined });
  if (versionId === undefined) {
    return <Edit model={model} first={draftOf(model, today, undefined)} />;
  }
  return (
    <Loaded query={version}>
      {({ version: line, words }) => (
        <Edit
          key={line.id}
          model={model}
          first={draftOf(model ?? (copied && copyOf(copied)), today, { language: line.language, words })}
          shown={line.id}
          onShow={setChosen}
        />
      )}
    </Loaded>
  );
}

type EditProps = {
  model: Model | undefined;
  first: ModelDraft;
  shown?: string;
  onShow?: (versionId: string) => void;
};

function Edit({ model, first, shown, onShow }: EditProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const drafting = useDraft(`letter model ${model?.id ?? "new"} ${shown ?? ""}`, first, model?.changes ?? 0);
  const { value: draft, set } = drafting;
  const [isTried, setTried] = useState(false);
  const kinds = useQuery(kindsOptions).data ?? [];
  const types = useQuery(typesOptions).data ?? [];
  const names = useQuery(namesOptions).data ?? [];
  const { asks, blocks, form } = draft.words;
  const setWords = (words: Partial<ModelDraft["words"]>) =>
    set((d) => ({ ...d, words: { ...d.words, ...words } }));
  const save = useMutation({
    mutationFn: async () => {
      const body = {
        changes: model?.changes ?? 0,
        name: draft.name,
        type: draft.type,
        kinds: draft.kinds,
      };
      const whole = {
        ...body,
        version: { language: draft.language, holdsFrom: draft.holdsFrom ?? "", words: draft.words },
      };
      if (!model) {
        return (await answer(api.POST("/api/set-up/letter-models", { body: whole }))).id;
      }
      await done(
        api.PUT("/api/set-up/letter-models/{id}", { params: { path: { id: model.id } }, body: whole }),
      );
      return model.id;
    },
    onSuccess: async (id) => {
      message.success("Saved. Letters begun from now on are written by it.");
      drafting.discard();
      await queries.invalidateQueries({ queryKey: modelsOptions.queryKey });
      navigate(`/set-up/models/${id}`);
    },
  });
  const retire = useMutation({
    mutationFn: (retired: boolean) =>
      done(
        api.POST("/api/set-up/letter-models/{id}/retirement", {
          params: { path: { id: model?.id ?? "" } },
          body: { retired },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: modelsOptions.queryKey }),
    onError: (error) => message.error(wordsOf(error)),
  });
  const offered = [
    ...asks.map((a) => ({ name: `ask.${a.code}`, label: a.label })),
    ...names.map(({ name, label }) => ({ name, label })),
  ];
  const isWhole =
    draft.name.trim() !== "" &&
    draft.type !== "" &&
    draft.kinds.length > 0 &&
    draft.holdsFrom !== null &&
    blocks.length > 0;
  return (
    <section className="set-up-body" aria-label={draft.name || "New model"}>
      <div className="checklist-head">
        <Input
          aria-label="Name of the model"
          placeholder="Name of the model"
          className="set-up-title"
          variant="borderless"
          maxLength={80}
          value={draft.name}
          onChange={(e) => set((d) => ({ ...d, name: e.target.value }))}
        />
        <Button onClick={() => setTried(true)}>Try it with somebody</Button>
        <Button type="primary" disabled={!isWhole} loading={save.isPending} onClick={() => save.mutate()}>
          Save as a new version
        </Button>
      </div>
      <DraftNote draft={drafting} />
      {save.error ? <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" /> : null}
      <div className="model-fields">
        <div>
          <label htmlFor="model-type">Makes papers of the type</label>
          <Select
            id="model-type"
            showSearch={{ optionFilterProp: "label" }}
            style={{ width: 220 }}
            {...(draft.type ? { value: draft.type } : {})}
            onChange={(type: string) => set((d) => ({ ...d, type }))}
            options={types.map((t) => ({ value: t.code, label: t.label }))}
          />
        </div>
        <div>
          <label htmlFor="model-kinds">In files of</label>
          <Select
            id="model-kinds"
            mode="multiple"
            style={{ width: 260 }}
            value={draft.kinds}
            onChange={(chosen) => set((d) => ({ ...d, kinds: chosen }))}
            options={kinds.map((k) => ({ value: k.code, label: k.plural }))}
          />
        </div>
        <div>
          <label htmlFor="model-language">Language</label>
          <AutoComplete
            id="model-language"
            style={{ width: 190 }}
            value={draft.language}
            onChange={(language: string) => set((d) => ({ ...d, language }))}
            options={LANGUAGES.map((tag) => ({ value: tag, label: `${languageName(tag)} (${tag})` }))}
          />
          {fieldWords(save.error, "language") && (
            <span className="clay">{fieldWords(save.error, "language")}</span>
          )}
        </div>
        <div>
          <label htmlFor="model-from">For letters that take effect from</label>
          <DayField
            id="model-from"
            value={draft.holdsFrom}
            placeholder="day"
            onChange={(holdsFrom) => set((d) => ({ ...d, holdsFrom }))}
          />
        </div>
      </div>
      <Asks asks={asks} onChange={(next) => setWords({ asks: next })} />
      {form ? (
        <FormEditor words={{ ...draft.words, form }} names={offered} onChange={setWords} />
      ) : (
        <>
          {blocks.map((block, i) => (
            <BlockEditor
              key={block.id}
              block={block}
              number={i + 1}
              isLast={i === blocks.length - 1}
              names={offered}
              known={factsOf(kinds)}
              signers={(types.find((t) => t.code === draft.type)?.signers ?? []).map((s) => s.label)}
              onChange={(changed) =>
                setWords({ blocks: blocks.map((b) => (b.id === block.id ? changed : b)) })
              }
              onMove={(by) => setWords({ blocks: moved(blocks, i, i + by) })}
              onRemove={() => setWords({ blocks: blocks.filter((b) => b.id !== block.id) })}
            />
          ))}
          <Button onClick={() => setWords({ blocks: [...blocks, emptyBlock(nextId(blocks))] })}>
            Add a part
          </Button>
          <SheetEditor words={draft.words} names={offered} onChange={setWords} />
          {isEmpty(blocks) && <ChooseForm words={draft.words} isNew={!model} onChange={setWords} />}
        </>
      )}
      {!form?.leaveOpen && (
        <AttachmentsEditor
          attachments={draft.words.attachments ?? []}
          onChange={(attachments) => setWords({ attachments })}
        />
      )}
      {model && (
        <Versions model={model} shown={shown} onShow={onShow}>
          <Button size="small" loading={retire.isPending} onClick={() => retire.mutate(!model.retired)}>
            {model.retired ? "Use it again" : "No longer use it"}
          </Button>{" "}
          <Button size="small" onClick={() => navigate(`/set-up/models/new?of=${model.id}`)}>
            Begin another from it
          </Button>{" "}
          <Button size="small" href={`/api/letter-models/${model.id}/file`}>
            Save it as a file
          </Button>
        </Versions>
      )}
      {isTried && <TryModel draft={draft} onClose={() => setTried(false)} />}
    </section>
  );
}

/** Another model that begins as this one. */
function copyOf(model: Model): Model {
  return { ...model, name: `${model.name}, another` };
}

/** Whether nothing was written yet. */
function isEmpty(blocks: ModelDraft["words"]["blocks"]): boolean {
  return blocks.every((b) => firstWords(b.content) === "");
}

/** The facts of all kinds, each name once. */
function factsOf(kinds: Shape<"KindAnswer">[]): KnownFacts {
  const facts = new Map(kinds.flatMap((k) => k.facts).map((f) => [f.name, f]));
  return { kinds: kinds.map((k) => ({ code: k.code, label: k.label })), facts: [...facts.values()] };
}

type Ask = Shape<"Question">;

/** What is asked of the writer each time. */
function Asks({ asks, onChange }: { asks: Ask[]; onChange: (asks: Ask[]) => void }) {
  const [label, setLabel] = useState("");
  const add = () => {
    const code = codeOf(
      label,
      asks.map((a) => a.code),
    ).slice(0, 40);
    onChange([...asks, { code, label: label.trim(), kind: "TEXT" }]);
    setLabel("");
  };
  return (
    <div className="model-asks">
      <h3>Asked each time</h3>
      <ul className="plain-list">
        {asks.map((ask) => (
          <li key={ask.code}>
            <span>
              {ask.label} <span className="muted">ask.{ask.code}</span>
            </span>
            <Select
              size="small"
              aria-label={`Kind of ${ask.label}`}
              value={ask.kind}
              onChange={(kind) => onChange(asks.map((a) => (a.code === ask.code ? { ...a, kind } : a)))}
              options={[
                { value: "TEXT", label: "words" },
                { value: "NUMBER", label: "a number" },
                { value: "DAY", label: "a day" },
              ]}
            />
            <Button
              size="small"
              type="text"
              onClick={() => onChange(asks.filter((a) => a.code !== ask.code))}
            >
              Remove
            </Button>
          </li>
        ))}
        <li>
          <Input
            size="small"
            aria-label="Another question"
            placeholder="such as Monthly fee"
            style={{ width: 220 }}
            maxLength={120}
            value={label}
            onChange={(e) => setLabel(e.target.value)}
            onPressEnter={() => label.trim() !== "" && add()}
          />
          <Button size="small" disabled={label.trim() === ""} onClick={add}>
            Ask it
          </Button>
        </li>
      </ul>
    </div>
  );
}

type VersionsProps = {
  model: Model;
  shown: string | undefined;
  onShow: ((versionId: string) => void) | undefined;
  children: React.ReactNode;
};

function Versions({ model, shown, onShow, children }: VersionsProps) {
  const [compared, setCompared] = useState<Model["versions"][number]>();
  return (
    <div className="copies-given">
      <h3>Versions</h3>
      <ul className="plain-list copies-list">
        {[...model.versions].reverse().map((version) => (
          <li key={version.id}>
            Version {version.number}, {languageName(version.language)}, from {day(version.holdsFrom)}
            {version.isInForce && <strong> · in force</strong>}
            <span className="muted">
              {" "}
              · {version.by}, {day(version.at)}
            </span>{" "}
            <Button
              size="small"
              type="text"
              aria-label={`What version ${version.number} changed`}
              onClick={() => setCompared(version)}
            >
              What it changed
            </Button>
            {version.id !== shown && onShow && (
              <Button size="small" type="text" onClick={() => onShow(version.id)}>
                Go on from it
              </Button>
            )}
          </li>
        ))}
      </ul>
      {children}
      {compared && (
        <VersionChanges
          versionId={compared.id}
          number={compared.number}
          onClose={() => setCompared(undefined)}
        />
      )}
    </div>
  );
}
