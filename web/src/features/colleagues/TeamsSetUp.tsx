import { DeleteOutlined } from "@ant-design/icons";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Input, Select } from "antd";
import { api, done, fieldWords, wordsOf } from "../../api/client";
import { DraftNote } from "../../ui/DraftNote";
import { useDraft } from "../../ui/drafts";
import { Loaded } from "../../ui/Quiet";
import { type Team, teamsOptions } from "./accountQueries";
import "./colleagues.css";

const SIZES: { value: Team["size"]; label: string }[] = [
  { value: "AREA", label: "area" },
  { value: "DEPARTMENT", label: "department" },
  { value: "TEAM", label: "team" },
];

const rank = (team: Team) => SIZES.findIndex((s) => s.value === team.size);

/** A team as it is edited; one that is new has no name under which it is kept. */
type Line = Team & { kept?: string };

/**
 * The lines in the order of the tree: each below the one it lies in, those that lie nowhere by size and name.
 *
 * @returns each with its place among the lines and how deep it lies
 */
export function asTree(lines: Line[]): { at: number; depth: number }[] {
  const shown: { at: number; depth: number }[] = [];
  const seen = new Set<number>();
  const below = (within: string | undefined, depth: number) => {
    const here = lines
      .map((line, at) => ({ line, at }))
      .filter(
        ({ line, at }) =>
          !seen.has(at) &&
          (within === undefined
            ? !lines.some((l) => l.name === line.within && l !== line)
            : line.within === within),
      )
      .sort((a, b) => rank(a.line) - rank(b.line) || a.at - b.at);
    for (const { line, at } of here) {
      seen.add(at);
      shown.push({ at, depth });
      if (line.name) {
        below(line.name, depth + 1);
      }
    }
  };
  below(undefined, 0);
  // two that name each other lie below nobody
  lines.forEach((_, at) => {
    if (!seen.has(at)) {
      shown.push({ at, depth: 0 });
    }
  });
  return shown;
}

/** The teams, and in which department and area they lie. */
export function TeamsSetUp() {
  const teams = useQuery(teamsOptions);
  return <Loaded query={teams}>{(all) => <Tree teams={all} />}</Loaded>;
}

function Tree({ teams }: { teams: Team[] }) {
  const draft = useDraft<Line[], string>(
    "teams",
    teams.map((team) => ({ ...team, kept: team.name })),
    JSON.stringify(teams),
  );
  const lines = draft.value;
  const { message } = App.useApp();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      done(
        api.PUT("/api/set-up/teams", {
          body: { teams: lines.map(({ name, size, within }) => ({ name, size, within })) },
        }),
      ),
    onSuccess: async () => {
      message.success("Saved.");
      draft.discard();
      await queries.invalidateQueries();
    },
  });
  const change = (at: number, part: Partial<Line>) =>
    draft.set(lines.map((line, i) => (i === at ? { ...line, ...part } : line)));
  return (
    <section className="set-up-body wide" aria-label="Teams">
      <div className="checklist-head">
        <h2>Teams</h2>
        <span className="grow" />
        <Button
          type="primary"
          disabled={!draft.isChanged}
          loading={save.isPending}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </div>
      <p className="muted">
        A file is of one team. Teams lie in departments, departments in areas; an account can see the files of
        its team, its department or its area.
      </p>
      {save.error && <Alert type="error" title={wordsOf(save.error)} className="set-up-alert" />}
      <DraftNote draft={draft} />
      <ul className="plain-list teams">
        {asTree(lines).map(({ at, depth }) => {
          const line = lines[at] as Line;
          const refused = fieldWords(save.error, `teams.${at}.name`);
          const larger = lines.filter((l) => l !== line && l.name && rank(l) < rank(line));
          return (
            <li key={line.kept ?? `new ${at}`} style={{ paddingLeft: depth * 28 }}>
              {line.kept === undefined ? (
                <Input
                  aria-label="Name"
                  value={line.name}
                  maxLength={60}
                  status={refused ? "error" : undefined}
                  onChange={(e) => change(at, { name: e.target.value })}
                />
              ) : (
                <strong>{line.name}</strong>
              )}
              <Select
                aria-label={`What ${line.name || "it"} is`}
                value={line.size}
                options={SIZES}
                onChange={(size) => change(at, { size, within: size === "AREA" ? undefined : line.within })}
              />
              <Select
                aria-label={`In which ${line.name || "it"} lies`}
                allowClear
                placeholder="in none"
                disabled={line.size === "AREA"}
                value={line.within ?? undefined}
                options={larger.map((l) => ({ value: l.name, label: `in ${l.name}` }))}
                onChange={(within?: string) => change(at, { within })}
              />
              <Button
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove ${line.name || "it"}`}
                onClick={() =>
                  draft.set(
                    lines
                      .filter((_, i) => i !== at)
                      .map((l) => (l.within === line.name ? { ...l, within: undefined } : l)),
                  )
                }
              />
            </li>
          );
        })}
      </ul>
      <Button onClick={() => draft.set([...lines, { name: "", size: "TEAM" }])}>Add a team</Button>
    </section>
  );
}
