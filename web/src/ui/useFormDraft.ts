import { Form, type FormInstance } from "antd";
import { useEffect } from "react";
import { type Drafting, useDraft } from "./drafts";

/**
 * A form whose values are a draft. What is kept is shown anew when it changes, unless something was typed.
 *
 * @param key and version as for {@link useDraft}
 * @param kept what can be typed, as the server has it
 */
export function useFormDraft<T extends object>(key: string, kept: T, version: number) {
  const [form] = Form.useForm<T>() as [FormInstance<T>];
  const draft: Drafting<T> = useDraft<T, number>(key, kept, version);
  const stored = JSON.stringify(kept);
  const show = () => form.setFieldsValue(kept as Parameters<typeof form.setFieldsValue>[0]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is kept, and whether something was typed
  useEffect(() => {
    if (!draft.isChanged) {
      show();
    }
  }, [stored, draft.isChanged]);
  return {
    draft,
    form,
    /** For the form itself. */
    props: {
      form,
      initialValues: draft.value,
      onValuesChange: () => draft.set({ ...kept, ...form.getFieldsValue(true) }),
    },
    /** For the note about the draft: what was discarded is no longer shown. */
    show,
  };
}
