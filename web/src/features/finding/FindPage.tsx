import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Dropdown, Select } from "antd";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { useKept } from "../../ui/kept";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { useMayChange } from "../asof/asOf";
import { ChosenBar } from "../documents/changing/ChosenBar";
import { CriteriaPanel } from "./CriteriaPanel";
import { CHOOSABLE, type ColumnKey, DEFAULT_COLUMNS, FoundTable, GROUPS, type GroupKey } from "./FoundTable";
import "./finding.css";
import {
  type Counts,
  type Criteria,
  countsOptions,
  criteriaOf,
  foundOptions,
  isEmpty,
  tidy,
  wordsOfAll,
} from "./findQueries";
import { rememberFound } from "./foundTrail";
import { Meant } from "./Meant";
import { SavedSearches, SaveSearch } from "./SavedSearches";

const SORTS = [
  { value: "-dated", label: "newest date first" },
  { value: "dated", label: "oldest date first" },
  { value: "-stored", label: "filed last first" },
  { value: "received", label: "longest waiting first" },
  { value: "person", label: "by person" },
  { value: "type", label: "by type" },
  { value: "name", label: "by name" },
  { value: "source", label: "by how they came" },
  { value: "filedBy", label: "by who filed them" },
  { value: "-pages", label: "most pages first" },
  { value: "-size", label: "largest first" },
];

/** Papers found by anything that is known or written of them. */
export function FindPage() {
  const [search, setSearch] = useSearchParams();
  const criteria = criteriaOf(search.get("for"));
  const sort = search.get("sort") ?? "-dated";
  const [columns, setColumns] = useKept<ColumnKey[]>("find-columns", DEFAULT_COLUMNS);
  const [group, setGroup] = useKept<GroupKey>("find-group", "none");
  const [chosen, setChosen] = useState<string[]>([]);
  const mayChange = useMayChange();
  const asked = !isEmpty(criteria);
  const found = useInfiniteQuery({ ...foundOptions(criteria, groupSort(group) ?? sort), enabled: asked });
  const counts = useQuery({ ...countsOptions(criteria), enabled: asked });
  const set = (next: Criteria) =>
    setSearch(
      (before) => {
        const params = new URLSearchParams(before);
        params.set("for", JSON.stringify(tidy(next)));
        return params;
      },
      { replace: true },
    );
  const papers = found.data?.pages.flatMap((p) => p.papers) ?? [];
  const words = wordsOfAll(criteria);
  const address = `/find?${search}`;
  useEffect(() => {
    if (papers.length > 0) {
      rememberFound({ words, address, papers: papers.map(({ id, fileId, name }) => ({ id, fileId, name })) });
    }
  }, [papers, words, address]);
  const leftOut = found.data?.pages[0]?.leftOut ?? [];
  return (
    <div className="find-page">
      <Where>
        <strong>Find</strong>
      </Where>
      <CriteriaPanel criteria={criteria} counts={counts.data} onChange={set} />
      <section className="find-results" aria-label="Found papers">
        <div className="find-bar">
          <strong className="find-count" aria-live="polite">
            {asked && counts.data ? countWords(counts.data) : "Papers"}
          </strong>
          <span className="grow" />
          {asked && (
            <>
              <Select
                aria-label="Order"
                value={sort}
                options={SORTS}
                disabled={group !== "none"}
                style={{ width: 176 }}
                onChange={(value) =>
                  setSearch((before) => {
                    before.set("sort", value);
                    return before;
                  })
                }
              />
              <Select
                aria-label="Group"
                value={group}
                options={GROUPS}
                style={{ width: 150 }}
                onChange={setGroup}
              />
              <Columns columns={columns} onChange={setColumns} />
              <Export criteria={criteria} sort={groupSort(group) ?? sort} />
              <SaveSearch criteria={criteria} />
            </>
          )}
          <SavedSearches onTake={set} />
        </div>
        {chosen.length > 0 && (
          <ChosenBar
            papers={papers.filter((p) => chosen.includes(p.id))}
            mayChange={mayChange}
            onClear={() => setChosen([])}
            onAll={() => setChosen(papers.map((p) => p.id))}
          />
        )}
        {leftOut.length > 0 && (
          <p className="find-note">
            {leftOut.map((w) => `“${w}”`).join(", ")} {leftOut.length === 1 ? "stands" : "stand"} in nearly
            every paper and {leftOut.length === 1 ? "was" : "were"} left out. In quotes{" "}
            {leftOut.length === 1 ? "it is" : "they are"} searched for as written.
          </p>
        )}
        {asked ? (
          <Loaded query={found}>
            {() =>
              papers.length === 0 ? (
                <QuietEmpty title="No paper is like that">
                  <p>
                    Take something away at the left, or try other words: a part of a name, a number, another
                    form.
                  </p>
                  <Meant
                    typed={criteria.words ?? ""}
                    onTake={(meantWords) => set({ ...criteria, words: meantWords })}
                  />
                </QuietEmpty>
              ) : (
                <>
                  <FoundTable
                    papers={papers}
                    chosen={chosen}
                    onChosen={setChosen}
                    criteria={criteria}
                    columns={columns}
                    group={group}
                    counts={counts.data}
                  />
                  {found.hasNextPage && (
                    <div className="files-more">
                      <Button loading={found.isFetchingNextPage} onClick={() => found.fetchNextPage()}>
                        Show more
                      </Button>
                    </div>
                  )}
                </>
              )
            }
          </Loaded>
        ) : (
          <QuietEmpty title="What do you remember of it?">
            <p>
              Words on the paper, whose it is, what it is, when it came, who filed it: anything helps, and
              each narrows the list. Words in “quotes” are found as written, <code>or</code> between words
              makes a choice, a minus sign before a word rules it out.
            </p>
          </QuietEmpty>
        )}
      </section>
    </div>
  );
}

function groupSort(group: GroupKey): string | undefined {
  return { none: undefined, person: "person", type: "type", filedBy: "filedBy", year: "-dated" }[group];
}

function countWords({ papers, people }: Counts): string {
  return papers === 1
    ? "1 paper"
    : `${papers.toLocaleString("en")} papers of ${people === 1 ? "1 person" : `${people.toLocaleString("en")} people`}`;
}

function Columns({ columns, onChange }: { columns: ColumnKey[]; onChange: (columns: ColumnKey[]) => void }) {
  return (
    <Dropdown
      trigger={["click"]}
      popupRender={() => (
        <div className="find-menu">
          <Checkbox.Group
            value={columns}
            options={CHOOSABLE}
            onChange={(values) => onChange(CHOOSABLE.map((c) => c.value).filter((c) => values.includes(c)))}
          />
        </div>
      )}
    >
      <Button>Columns</Button>
    </Dropdown>
  );
}

function Export({ criteria, sort }: { criteria: Criteria; sort: string }) {
  const search = new URLSearchParams({ for: JSON.stringify(tidy(criteria)), sort });
  return (
    <Button href={`/api/find/csv?${search}`} download>
      CSV
    </Button>
  );
}
