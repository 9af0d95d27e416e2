import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { type RefObject, useState } from "react";
import { useSearchParams } from "react-router";
import type { Shape } from "../../../api/client";
import { CoverWordsModal } from "../../marks/CoverWordsModal";
import { MarkLayer } from "../../marks/MarkLayer";
import { MarkMargin } from "../../marks/MarkMargin";
import { marksOptions, markWordsOptions, useMarkActions, useMarking } from "../../marks/markQueries";
import { around } from "../../marks/places";
import type { Selected } from "../../marks/useSelecting";
import type { OthersMark } from "../../reading/othersMarks";
import { type ReaderHandle, showsAs } from "../../reading/PaperReader";
import type { Turn } from "../../reading/placing";

/** Where a mark that is asked for by key first stands. */
const FIRST = { left: 1_500, top: 1_500, width: 3_000, height: 400 };

type MarksOfPane = {
  paper: Shape<"DocumentAnswer">;
  version: Shape<"VersionAnswer">;
  ledger?: Shape<"LedgerAnswer">;
  mayChange: boolean;
  reader: RefObject<ReaderHandle | null>;
};

/** The marks of the paper in a pane: over its pages, in the margin, and the button that opens the margin. */
export function useMarksOfPane({ paper, version, ledger, mayChange, reader }: MarksOfPane) {
  const { sees, makes } = useMarking();
  const shown = showsAs(version);
  const isPaged = shown === "pdf" || shown === "pages" || Boolean(version.laidOut);
  const marks = useQuery({ ...marksOptions(paper.id, version.number), enabled: sees && isPaged }).data ?? [];
  const words = useQuery({ ...markWordsOptions, enabled: makes && isPaged }).data;
  const actions = useMarkActions(paper.id, version.number);
  const [isOpen, setOpen] = useState<boolean>();
  const [others, setOthers] = useState<OthersMark[]>([]);
  // a list of marks leads here to one of them
  const [search] = useSearchParams();
  const [chosen, setChosen] = useState<string | undefined>(search.get("mark") ?? undefined);
  const wanted = marks.find((m) => m.id === search.get("mark"));
  const [page, setPage] = useState(1);
  const [asked, setAsked] = useState<{ page: number; selected: Selected }>();
  const [covers, setCovers] = useState(false);
  const mayMake = makes && mayChange;
  const change = (mark: (typeof marks)[number], shape: (typeof marks)[number]["shape"]) =>
    actions.change({ mark, shape });
  // folded away until it holds something
  const shows = sees && isPaged && (isOpen ?? marks.length > 0);
  return {
    onPage: setPage,
    onOthersMarks: setOthers,
    startAt: wanted ? { page: wanted.page, top: around(wanted.shape).top } : startPageOf(search),
    over: (n: number, turn: Turn) =>
      sees && isPaged ? (
        <MarkLayer
          page={n}
          turn={turn}
          marks={marks.filter((m) => m.page === n)}
          chosen={chosen}
          onChoose={setChosen}
          words={words}
          mayMake={mayMake}
          asked={asked?.page === n ? asked.selected : undefined}
          onAsked={() => setAsked(undefined)}
          onPut={(made) => {
            setOpen(true);
            actions.put(made);
          }}
          onChange={change}
          onRemove={actions.remove}
        />
      ) : null,
    tool: sees && isPaged && (
      <Button
        className="marks-tool"
        size="small"
        type="text"
        aria-pressed={shows}
        onClick={() => setOpen(!shows)}
      >
        Marks{marks.length + others.length > 0 ? ` ${marks.length + others.length}` : ""}
      </Button>
    ),
    margin: shows && (
      <MarkMargin
        marks={marks}
        others={others}
        onGoToOther={(other) => reader.current?.goTo(other.page, other.top)}
        page={page}
        chosen={chosen}
        mayMake={mayMake}
        onGoTo={(mark) => {
          setChosen(mark.id);
          reader.current?.goTo(mark.page, around(mark.shape).top);
        }}
        onChange={change}
        onRemove={actions.remove}
        onAsk={() => setAsked({ page, selected: { areas: [FIRST], ofWords: false } })}
        onCoverWords={() => setCovers(true)}
      />
    ),
    close: () => setOpen(false),
    modal: covers && (
      <CoverWordsModal
        fileId={paper.fileId}
        scopes={scopesOf(paper, ledger)}
        onClose={() => setCovers(false)}
      />
    ),
  };
}

/** What can be searched besides the paper itself. */
function scopesOf(paper: Shape<"DocumentAnswer">, ledger?: Shape<"LedgerAnswer">) {
  const scopes = [{ label: "This paper", papers: [paper.id] }];
  const idsOf = (slots: Shape<"LedgerAnswer">["sections"][number]["slots"]) => [
    ...new Set(slots.flatMap((s) => s.papers.map((p) => p.id))),
  ];
  const section = ledger?.sections.find((s) => idsOf(s.slots).includes(paper.id));
  if (section) {
    scopes.push({ label: section.label, papers: idsOf(section.slots) });
  }
  if (ledger) {
    const all = [
      ...new Set([...ledger.sections.flatMap((s) => idsOf(s.slots)), ...ledger.otherPapers.map((p) => p.id)]),
    ];
    if (all.length > 1) {
      scopes.push({ label: "Whole file", papers: all.slice(0, 200) });
    }
  }
  return scopes;
}

/** The page that an address names, of a paper that is read alone. */
function startPageOf(search: URLSearchParams) {
  const page = Number(search.get("page"));
  return Number.isInteger(page) && page > 1 ? { page, top: 0 } : undefined;
}
