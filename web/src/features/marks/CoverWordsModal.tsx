import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Checkbox, Modal, Segmented, Select } from "antd";
import { useState } from "react";
import { answer, api, type Shape, wordsOf } from "../../api/client";
import { markWordsOptions } from "./markQueries";

type Found = Shape<"FoundOnPaper">;
type Place = Shape<"FoundWords">;

const KINDS = [
  { value: "BIRTH_DATES", label: "birth dates" },
  { value: "MAIL_ADDRESSES", label: "email addresses" },
  { value: "PHONE_NUMBERS", label: "telephone numbers" },
  { value: "LONG_NUMBERS", label: "numbers of five digits or more" },
  { value: "DATES", label: "all dates" },
] as const;

type Kind = (typeof KINDS)[number]["value"];

type CoverWordsModalProps = {
  fileId: string;
  /** What can be searched: this paper, those of its section, all of the file. */
  scopes: { label: string; papers: string[] }[];
  onClose: () => void;
};

const keyOf = (paper: Found, at: number) => `${paper.documentId} ${at}`;

/** Finds words on papers, shows each place, and covers those that are chosen. */
export function CoverWordsModal({ fileId, scopes, onClose }: CoverWordsModalProps) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const [scope, setScope] = useState(0);
  const [phrases, setPhrases] = useState<string[]>([]);
  const [kinds, setKinds] = useState<Kind[]>([]);
  const [reason, setReason] = useState<string>();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const proposals = useQuery({
    queryKey: ["files", fileId, "words-to-cover"],
    queryFn: () => answer(api.GET("/api/files/{id}/words-to-cover", { params: { path: { id: fileId } } })),
  }).data;
  const words = useQuery(markWordsOptions).data;
  const papers = scopes[scope]?.papers ?? [];
  const asks = phrases.length > 0 || kinds.length > 0;
  const found = useQuery({
    queryKey: ["covers", papers, phrases, kinds],
    queryFn: () =>
      answer(api.POST("/api/covers/look", { body: { documents: papers, phrases, what: kinds } })),
    enabled: asks && papers.length > 0,
    gcTime: 0,
    retry: false,
    // papers that are still being read are looked at again
    refetchInterval: (query) => (query.state.data?.some((p) => !p.isRead) ? 2_000 : false),
  });
  const chosen = (found.data ?? [])
    .map((paper) => ({
      paper,
      places: paper.places.filter((p, i) => isOpen(p) && !left.has(keyOf(paper, i))),
    }))
    .filter(({ places }) => places.length > 0);
  const count = chosen.reduce((sum, { places }) => sum + places.length, 0);
  const cover = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/covers", {
          body: {
            papers: chosen.map(({ paper, places }) => ({
              documentId: paper.documentId,
              version: paper.version,
              places: places.map(({ page, areas }) => ({ page, areas })),
            })),
            reason,
          },
        }),
      ),
    onSuccess: ({ places }) => {
      message.success(`${places} ${places === 1 ? "place" : "places"} covered in every copy that leaves.`);
      queries.invalidateQueries({ queryKey: ["files"] });
      onClose();
    },
  });
  return (
    <Modal
      title="Cover words"
      open
      width={680}
      okText={count === 0 ? "Cover" : `Cover ${count} ${count === 1 ? "place" : "places"}`}
      okButtonProps={{ disabled: count === 0, loading: cover.isPending }}
      onOk={() => cover.mutate()}
      onCancel={onClose}
    >
      <div className="cover-words">
        {scopes.length > 1 && (
          <Segmented
            aria-label="Where"
            value={scope}
            onChange={setScope}
            options={scopes.map((s, value) => ({ value, label: s.label }))}
          />
        )}
        <Select
          mode="tags"
          autoFocus
          aria-label="Names, numbers and other words"
          placeholder="names, numbers, words"
          maxCount={50}
          value={phrases}
          options={(proposals ?? []).map((value) => ({ value }))}
          onChange={(next: string[]) => setPhrases(next.map((p) => p.slice(0, 200)))}
        />
        <Checkbox.Group value={kinds} onChange={setKinds} options={[...KINDS]} />
        <Select
          aria-label="Reason"
          placeholder="reason, written on the cover"
          allowClear
          value={reason}
          onChange={setReason}
          options={(words?.reasons ?? []).map((value) => ({ value }))}
        />
      </div>
      {found.error && <Alert type="error" title={wordsOf(found.error)} />}
      {cover.error && <Alert type="error" title={wordsOf(cover.error)} />}
      {found.data && (
        <Results
          found={found.data}
          left={left}
          onLeave={(key, leaves) =>
            setLeft((before) => {
              const next = new Set(before);
              leaves ? next.add(key) : next.delete(key);
              return next;
            })
          }
        />
      )}
    </Modal>
  );
}

/** Whether it can be covered and is not yet. */
function isOpen(place: Place): boolean {
  return !place.isCovered && place.areas.length > 0;
}

type ResultsProps = {
  found: Found[];
  left: ReadonlySet<string>;
  onLeave: (key: string, leaves: boolean) => void;
};

function Results({ found, left, onLeave }: ResultsProps) {
  const all = found.reduce((sum, p) => sum + p.places.length, 0);
  const unread = found.filter((p) => p.unread.length > 0);
  return (
    <div className="covers-found">
      <p className="muted" aria-live="polite">
        {all === 0 ? "These words were not found." : `${all} ${all === 1 ? "place" : "places"}.`}
        {found.some((p) => !p.isRead) && " Some papers are still being read."}
      </p>
      {unread.map((paper) => (
        <p key={paper.documentId} className="clay">
          {paper.paper}: page {paper.unread.join(", ")} has no readable text; check it yourself.
        </p>
      ))}
      {found
        .filter((p) => p.places.length > 0)
        .map((paper) => (
          <section key={paper.documentId}>
            <h3>{paper.paper}</h3>
            <ul className="plain-list">
              {paper.places.map((place, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: places are told by their number
                <li key={i}>
                  <Checkbox
                    disabled={!isOpen(place)}
                    checked={place.isCovered || (isOpen(place) && !left.has(keyOf(paper, i)))}
                    onChange={(e) => onLeave(keyOf(paper, i), !e.target.checked)}
                  >
                    {place.words}
                    <span className="muted">
                      {" "}
                      page {place.page}
                      {place.isCovered && ", covered already"}
                      {place.likely && ", a near match"}
                      {place.areas.length === 0 && ", its place on the page is not known"}
                    </span>
                  </Checkbox>
                </li>
              ))}
            </ul>
          </section>
        ))}
    </div>
  );
}
