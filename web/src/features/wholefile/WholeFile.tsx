import { useQuery } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { wordsOf } from "../../api/client";
import { DayField } from "../../ui/DayField";
import { day } from "../../ui/days";
import { type DocumentState, documentStateWords } from "../../ui/documentStates";
import { useKept } from "../../ui/kept";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { useReadAddress } from "../documents/readAddress";
import { Meant } from "../finding/Meant";
import { PlaceSteps } from "../reading/PlaceSteps";
import { PaperInFlow } from "./PaperInFlow";
import "./wholefile.css";
import { papersOptions } from "../documents/documentQueries";
import {
  countsByDay,
  countsOf,
  type Filters,
  filtered,
  NO_FILTERS,
  type PaperInFile,
  wordsInFileOptions,
} from "./wholeFileQueries";

/** All papers of a file one after the other, in the order of their days. */
export function WholeFile({ fileId }: { fileId: string }) {
  const papers = useQuery(papersOptions(fileId));
  return (
    <Loaded query={papers}>
      {(all) =>
        all.length === 0 ? (
          <QuietEmpty title="No paper in this file yet">
            <p>What is filed here can be read from the first paper to the last.</p>
          </QuietEmpty>
        ) : (
          <Flow fileId={fileId} all={all} />
        )
      }
    </Loaded>
  );
}

/** One place of the searched words: which paper, page, and which place on it. */
type At = { paper: string; page: number; place: number };

function Flow({ fileId, all }: { fileId: string; all: PaperInFile[] }) {
  const [filters, setFilters] = useState<Filters>(NO_FILTERS);
  const [at, setAt] = useState(0);
  const { words, search } = useReadAddress();
  const found = useQuery(wordsInFileOptions(fileId, words));
  const hits = useMemo(
    () => new Map((words.trim() ? (found.data ?? []) : []).map((f) => [f.documentId, f])),
    [words, found.data],
  );
  const [newestFirst, setNewestFirst] = useKept("whole-file-newest-first", false);
  const shown = filtered(all, filters, newestFirst).filter(
    (p) => !words.trim() || !found.data || hits.has(p.id),
  );
  const places: At[] = shown.flatMap((p) =>
    (hits.get(p.id)?.pages ?? []).flatMap((page) =>
      page.places.map((_, place) => ({ paper: p.id, page: page.page, place })),
    ),
  );
  const here = places[at];
  const flow = useRef<HTMLElement>(null);
  const follow = useFollowing(flow);
  const goTo = (to: At | undefined) => {
    const page = to && flow.current?.querySelector(`[data-paper="${to.paper}"] [data-page="${to.page}"]`);
    page?.scrollIntoView({ block: "start" });
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: other words begin at their first place
  useEffect(() => {
    setAt(0);
    goTo(places[0]);
  }, [words, found.data]);
  const step = (by: 1 | -1) => {
    const next = (at + by + places.length) % Math.max(1, places.length);
    setAt(next);
    goTo(places[next]);
  };
  return (
    <div className="whole">
      <FilterBar
        all={all}
        filters={filters}
        onChange={setFilters}
        shown={shown.length}
        newestFirst={newestFirst}
        onNewestFirst={setNewestFirst}
      >
        <Input
          size="small"
          allowClear
          aria-label="Words in this file"
          placeholder="words in the file"
          maxLength={500}
          // what was meant by mistyped words stands in it once it is taken
          key={words}
          defaultValue={words}
          status={found.error ? "error" : ""}
          title={found.error ? wordsOf(found.error) : undefined}
          style={{ width: 170 }}
          onChange={(e) => e.target.value === "" && search("")}
          onPressEnter={(e) =>
            e.currentTarget.value === words ? step(e.shiftKey ? -1 : 1) : search(e.currentTarget.value)
          }
        />
        {words.trim() && (
          <>
            <span className="muted tabular" aria-live="polite">
              {found.error
                ? wordsOf(found.error)
                : places.length === 0
                  ? "nowhere"
                  : `${at + 1} of ${places.length} in ${hits.size} ${hits.size === 1 ? "paper" : "papers"}`}
            </span>
            <PlaceSteps onStep={step} />
            {found.data?.length === 0 && <Meant typed={words} fileId={fileId} onTake={search} />}
          </>
        )}
      </FilterBar>
      <section
        ref={flow}
        className="desk flow"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard
        tabIndex={0}
        aria-label="All papers of the file"
        onScroll={follow}
      >
        {shown.map((paper) => (
          <article key={paper.id} data-paper={paper.id} aria-label={paper.name}>
            <header className="flow-head">
              <strong>{paper.name}</strong>
              <span className="muted">
                {day(paper.documentDate)} · filed by {paper.filedBy}
              </span>
              {paper.state !== "FILED" && (
                <span
                  className={paper.state === "IN_REVIEW" || paper.state === "UNSIGNED" ? "muted" : "clay"}
                >
                  {documentStateWords[paper.state]}
                </span>
              )}
            </header>
            <PaperInFlow
              paper={paper}
              words={hits.get(paper.id)?.pages}
              chosen={here?.paper === paper.id ? here : undefined}
            />
          </article>
        ))}
        {shown.length === 0 && <p className="muted sheet-note">No paper of this file is like that.</p>}
      </section>
    </div>
  );
}

/** The ledger follows the scroll, and the scroll follows the ledger. */
function useFollowing(flow: React.RefObject<HTMLElement | null>) {
  const [params, setParams] = useSearchParams();
  const told = useRef<string>("");
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const paper = params.get("paper")?.split("@")[0];
  useEffect(() => {
    if (paper && paper !== told.current) {
      told.current = paper;
      flow.current?.querySelector(`[data-paper="${paper}"]`)?.scrollIntoView({ block: "start" });
    }
  }, [paper, flow]);
  return () => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      const top = flow.current?.getBoundingClientRect().top ?? 0;
      const articles = [...(flow.current?.querySelectorAll<HTMLElement>("[data-paper]") ?? [])];
      const shown = articles.findLast((a) => a.getBoundingClientRect().top <= top + 80) ?? articles[0];
      const id = shown?.dataset.paper;
      if (id && id !== told.current) {
        told.current = id;
        setParams(
          () => {
            // what stands in the address now, not when the scrolling began
            const next = new URLSearchParams(window.location.search);
            next.set("paper", id);
            next.delete("beside");
            return next;
          },
          { replace: true },
        );
      }
    }, 120);
  };
}

type FilterBarProps = {
  all: PaperInFile[];
  filters: Filters;
  onChange: (filters: Filters) => void;
  shown: number;
  newestFirst: boolean;
  onNewestFirst: (newestFirst: boolean) => void;
  children: React.ReactNode;
};

/** What narrows the papers, each value with how many papers have it. */
function FilterBar({ all, filters, onChange, shown, newestFirst, onNewestFirst, children }: FilterBarProps) {
  const set = (part: Partial<Filters>) => onChange({ ...filters, ...part });
  const values = (
    key: "states" | "types" | "years" | "authors" | "titles" | "writers" | "periods" | "visits",
    label: string,
    counts: [string, number][],
    width: number,
    wordsFor: (value: string) => string = (value) => value,
  ) => (
    <Select
      mode="multiple"
      size="small"
      maxTagCount="responsive"
      aria-label={label}
      placeholder={label}
      style={{ width }}
      popupMatchSelectWidth={240}
      value={filters[key]}
      onChange={(chosen: string[]) => set({ [key]: chosen })}
      options={counts.map(([value, count]) => ({ value, label: `${wordsFor(value)} · ${count}` }))}
    />
  );
  const writers = countsOf(all, (p) => p.writers);
  const periods = countsOf(all, (p) => p.periods);
  const visits = countsByDay(all, (p) => p.visit);
  const isNarrowed = filters !== NO_FILTERS;
  return (
    <div className="reader-tools whole-tools">
      <Input
        size="small"
        allowClear
        aria-label="Title"
        placeholder="title"
        style={{ width: 110 }}
        value={filters.title}
        onChange={(e) => set({ title: e.target.value })}
      />
      {values(
        "types",
        "type",
        countsOf(all, (p) => p.typeLabels),
        120,
      )}
      {values(
        "states",
        "state",
        countsOf(all, (p) => p.state),
        100,
        (state) => documentStateWords[state as DocumentState],
      )}
      {values(
        "years",
        "year",
        countsByDay(all, (p) => p.documentDate.slice(0, 4)),
        90,
      )}
      {values(
        "authors",
        "filed by",
        countsOf(all, (p) => p.filedBy),
        100,
      )}
      {values(
        "titles",
        "role",
        countsOf(all, (p) => p.authorTitle ?? []),
        90,
      )}
      {writers.length > 0 && values("writers", "written by", writers, 110)}
      {periods.length > 0 && values("periods", "period", periods, 100)}
      {visits.length > 0 && values("visits", "visit", visits, 100, day)}
      <span className="whole-days">
        <DayField
          label="Dated from"
          placeholder="from"
          value={filters.from}
          onChange={(from) => set({ from })}
        />
        <DayField label="Dated to" placeholder="to" value={filters.to} onChange={(to) => set({ to })} />
      </span>
      <Button size="small" type="text" onClick={() => onNewestFirst(!newestFirst)}>
        {newestFirst ? "Newest first" : "Oldest first"}
      </Button>
      {isNarrowed && (
        <Button size="small" type="link" onClick={() => onChange(NO_FILTERS)}>
          Clear
        </Button>
      )}
      <span className="muted tabular">
        {shown} of {all.length}
      </span>
      <span className="grow" />
      {children}
    </div>
  );
}
