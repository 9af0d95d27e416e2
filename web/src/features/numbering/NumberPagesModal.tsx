import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, InputNumber, Modal, Select } from "antd";
import { useState } from "react";
import { answer, api, Problem, wordsOf } from "../../api/client";
import { InOrder } from "../../ui/InOrder";
import { useSettled } from "../../ui/useSettled";
import { type NumberPlace, numberPlanOptions } from "./numberQueries";
import "./numbering.css";

const PLACES: { value: NumberPlace; label: string }[] = [
  { value: "BOTTOM_RIGHT", label: "at the foot, right" },
  { value: "BOTTOM_MIDDLE", label: "at the foot, in the middle" },
  { value: "BOTTOM_LEFT", label: "at the foot, left" },
  { value: "TOP_RIGHT", label: "at the head, right" },
  { value: "TOP_MIDDLE", label: "at the head, in the middle" },
  { value: "TOP_LEFT", label: "at the head, left" },
];

const PAUSE = 300;

type NumberPagesModalProps = {
  /** In the order in which their numbers are proposed. */
  papers: { id: string; name: string }[];
  onClose: () => void;
};

/** Running numbers for the pages of papers: how they are to be, and, before they are given, which page gets which. */
export function NumberPagesModal({ papers: chosen, onClose }: NumberPagesModalProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [papers, setPapers] = useState(chosen);
  const ids = papers.map((p) => p.id);
  const [prefix, setPrefix] = useState("");
  const [digits, setDigits] = useState(6);
  const [first, setFirst] = useState<number | null>(null);
  const [place, setPlace] = useState<NumberPlace>("BOTTOM_RIGHT");
  const [size, setSize] = useState(9);
  const wish = { documents: ids, prefix, digits, first: first ?? undefined, place, size };
  // pages are counted once typing pauses
  const typed = useSettled(prefix, PAUSE);
  const plan = useQuery(numberPlanOptions({ ...wish, prefix: typed }));
  const give = useMutation({
    mutationFn: (from: number) =>
      // what was shown is given, or nothing
      answer(api.POST("/api/number-sets", { body: { ...wish, first: from } })),
    onSuccess: () => {
      message.success(
        `${plan.data?.words} is given. The copies are being made; you find them in the details of the file.`,
      );
      queries.invalidateQueries({ queryKey: ["jobs"] });
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  const wrong = give.error ?? plan.error;
  const next = wrong instanceof Problem && wrong.code === "given" ? Number(wrong.more.next) : undefined;
  return (
    <Modal
      title={ids.length === 1 ? "Number the pages of this paper" : `Number the pages of ${ids.length} papers`}
      open
      width={760}
      onCancel={onClose}
      footer={
        <Button
          type="primary"
          disabled={!plan.data || plan.isFetching || typed !== prefix}
          loading={give.isPending}
          onClick={() => plan.data && give.mutate(plan.data.first)}
        >
          {plan.data ? `Give ${plan.data.words}` : "Give the numbers"}
        </Button>
      }
    >
      <div className="number-pages">
        <div className="number-wish">
          <label htmlFor="number-prefix">Before the number</label>
          <Input
            id="number-prefix"
            autoFocus
            maxLength={20}
            placeholder="such as OAK-"
            value={prefix}
            onChange={(e) => setPrefix(e.target.value)}
          />
          <label htmlFor="number-first">First number</label>
          <InputNumber
            id="number-first"
            min={1}
            precision={0}
            placeholder={plan.data ? `${plan.data.next}, the next free one` : undefined}
            value={first}
            onChange={setFirst}
          />
          <label htmlFor="number-digits">Digits</label>
          <InputNumber
            id="number-digits"
            min={1}
            max={12}
            precision={0}
            value={digits}
            onChange={(value) => setDigits(value ?? 6)}
          />
          <label htmlFor="number-place">Where</label>
          <Select id="number-place" value={place} options={PLACES} onChange={setPlace} />
          <label htmlFor="number-size">Size in points</label>
          <InputNumber
            id="number-size"
            min={6}
            max={24}
            value={size}
            onChange={(value) => setSize(value ?? 9)}
          />
          <p className="muted">
            Where something stands already, the number goes to the nearest free place. The papers stay as they
            are: the numbers stand on copies.
          </p>
        </div>
        <div className="number-plan">
          {wrong && (
            <Alert
              type="error"
              title={wordsOf(wrong)}
              action={
                next !== undefined && (
                  <Button
                    size="small"
                    onClick={() => {
                      give.reset();
                      setFirst(null);
                    }}
                  >
                    Go on from there
                  </Button>
                )
              }
            />
          )}
          {plan.isPending && <p className="muted">Counting the pages …</p>}
          {plan.data && (
            <strong>
              {plan.data.words}, {plan.data.pages} {plan.data.pages === 1 ? "page" : "pages"}
            </strong>
          )}
          <InOrder
            items={papers}
            onItems={setPapers}
            told={(paper) => {
              const planned = plan.data?.papers.find((p) => p.documentId === paper.id);
              return planned && (planned.pages === 1 ? planned.first : `${planned.first} to ${planned.last}`);
            }}
          />
        </div>
      </div>
    </Modal>
  );
}
