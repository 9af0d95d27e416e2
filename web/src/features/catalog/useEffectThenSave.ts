import { useMutation, useQueryClient } from "@tanstack/react-query";
import { App } from "antd";
import { useState } from "react";
import type { Shape } from "../../api/client";

type EffectThenSave = {
  ask: () => Promise<Shape<"EffectAnswer">>;
  put: () => Promise<void>;
  savedWords: string;
  onSaved: () => void;
};

/** A change of rules: first its effect is asked for and shown, then it is saved, or edited further. */
export function useEffectThenSave({ ask, put, savedWords, onSaved }: EffectThenSave) {
  const [shows, setShows] = useState(false);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const check = useMutation({ mutationFn: ask, onSuccess: () => setShows(true) });
  const save = useMutation({
    mutationFn: put,
    onSuccess: () => {
      message.success(savedWords);
      setShows(false);
      queries.invalidateQueries();
      onSaved();
    },
    onError: () => setShows(false),
  });
  return {
    problem: save.error ?? check.error,
    isAsking: check.isPending,
    see: () => {
      save.reset();
      check.mutate();
    },
    modal: {
      open: shows,
      ask: async () => check.data ?? (await check.mutateAsync()),
      isSaving: save.isPending,
      onSave: () => save.mutate(),
      onClose: () => setShows(false),
    },
  };
}
