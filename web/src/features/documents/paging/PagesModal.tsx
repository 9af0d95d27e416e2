import {
  DeleteOutlined,
  LeftOutlined,
  PlusOutlined,
  RightOutlined,
  RotateRightOutlined,
  ScissorOutlined,
} from "@ant-design/icons";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, App, Button, Modal, Tooltip } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, done, type Shape, wordsOf } from "../../../api/client";
import { useKeys } from "../../../ui/keys";
import { type PutIn, PutInPages } from "./PutInPages";
import { type PlacedPage, placed, putIn, takenOut, turnedAt } from "./pageMoves";
import "./paging.css";

type PagesModalProps = { paper: Shape<"DocumentAnswer">; onClose: () => void };

/** The pages of a paper as small pictures: moved, turned, taken out, put in; saved as one newer version. */
export function PagesModal({ paper, onClose }: PagesModalProps) {
  const version = paper.versions.length;
  const newest = paper.versions[version - 1];
  const [steps, setSteps] = useState<PlacedPage[][]>(() => [ownPages(paper)]);
  const [emptied, setEmptied] = useState<Record<string, { name: string; pages: number }>>({});
  const [at, setAt] = useState(0);
  const [dragged, setDragged] = useState<number>();
  const [puts, setPuts] = useState(false);
  const pages = steps[steps.length - 1] ?? [];
  const chosen = Math.min(at, pages.length - 1);
  const changed = steps.length > 1;
  const save = useSavedPages(paper, onClose);
  const arrive = usePutArrival(paper, onClose);
  const become = (next: PlacedPage[], then?: number) => {
    if (next !== pages) {
      setSteps([...steps, next]);
    }
    if (then !== undefined) {
      setAt(Math.max(0, Math.min(next.length - 1, then)));
    }
  };
  const undo = () => setSteps(steps.length > 1 ? steps.slice(0, -1) : steps);
  const move = (by: number) => {
    const next = placed(pages, chosen, chosen + by);
    become(next, next === pages ? chosen : chosen + by);
  };
  useKeys(
    // what is chosen to be put in has keys of its own
    puts
      ? {}
      : {
          arrowright: () => setAt(Math.min(pages.length - 1, chosen + 1)),
          arrowleft: () => setAt(Math.max(0, chosen - 1)),
          "[": () => move(-1),
          "]": () => move(1),
          t: () => become(turnedAt(pages, chosen, 90)),
          d: () => become(takenOut(pages, chosen)),
          p: () => setPuts(true),
          z: undo,
        },
    "dialog",
  );
  const take = (what: PutIn) => {
    setPuts(false);
    if ("arrival" in what) {
      arrive.mutate({ arrival: what.arrival, after: chosen + 1 });
      return;
    }
    become(putIn(pages, chosen, what.pages), chosen + 1);
    if (what.throwAway) {
      const { id, name } = what.throwAway;
      setEmptied({ ...emptied, [id]: { name, pages: what.pages.length } });
    }
  };
  // one whose pages are not all in any more stays where it is
  const gone = Object.entries(emptied).filter(
    ([id, other]) => pages.filter((p) => p.document === id).length === other.pages,
  );
  const error = save.error ?? arrive.error;
  const signed = paper.signatures.length > 0 || paper.acceptedOn != null;
  const tool = (title: string, icon: React.ReactNode, act: () => void, disabled = false) => (
    <Tooltip title={title}>
      <Button size="small" aria-label={title} icon={icon} disabled={disabled} onClick={act} />
    </Tooltip>
  );
  return (
    <Modal
      title={`Pages of “${paper.name}”`}
      open
      width={940}
      style={{ top: 32 }}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button
            type="primary"
            disabled={!changed}
            loading={save.isPending}
            onClick={() => save.mutate({ pages, emptied: gone.map(([id]) => id) })}
          >
            Save as version {version + 1}
          </Button>
        </>
      }
    >
      <div className="paging-tools" role="toolbar" aria-label="The chosen page">
        <span className="tabular">
          Page {chosen + 1} of {pages.length}
        </span>
        {tool("One place earlier ([)", <LeftOutlined />, () => move(-1), chosen === 0)}
        {tool("One place later (])", <RightOutlined />, () => move(1), chosen === pages.length - 1)}
        {tool("Turn right (T)", <RotateRightOutlined />, () => become(turnedAt(pages, chosen, 90)))}
        {tool("Take out (D)", <DeleteOutlined />, () => become(takenOut(pages, chosen)), pages.length === 1)}
        <Button size="small" icon={<PlusOutlined aria-hidden />} onClick={() => setPuts(true)}>
          Put pages in after it
        </Button>
        <SplitOff paper={paper} after={chosen} disabled={changed || chosen === 0} onClose={onClose} />
        <span className="grow" />
        <Button size="small" type="text" disabled={!changed} onClick={undo}>
          Undo <kbd>Z</kbd>
        </Button>
      </div>
      {signed && (
        <Alert
          type="info"
          title={`Signatures and what was decided stay with version ${version}, which is kept. The newer version is to be signed or looked through again.`}
        />
      )}
      {gone.length > 0 && (
        <p className="muted">
          When it is saved, {gone.map(([, other]) => `“${other.name}”`).join(" and ")} goes to the
          wastebasket.
        </p>
      )}
      {error && <Alert type="error" title={wordsOf(error)} />}
      <ol className="paging-grid" aria-label="Pages">
        {pages.map((page, i) => (
          <li
            key={page.key}
            draggable
            className={dragged === i ? "dragged" : undefined}
            onDragStart={(e) => {
              setDragged(i);
              e.dataTransfer.effectAllowed = "move";
            }}
            onDragEnd={() => setDragged(undefined)}
            onDragOver={(e) => e.preventDefault()}
            onDrop={(e) => {
              e.preventDefault();
              if (dragged !== undefined) {
                become(placed(pages, dragged, i), i);
                setDragged(undefined);
              }
            }}
          >
            <button
              type="button"
              className={i === chosen ? "paging-page chosen" : "paging-page"}
              aria-current={i === chosen}
              onClick={() => setAt(i)}
            >
              <span className="paging-sheet">
                <img
                  src={page.image}
                  alt={`${page.label}, now at place ${i + 1}`}
                  loading="lazy"
                  draggable={false}
                  style={{ transform: `rotate(${page.turn}deg)` }}
                />
              </span>
              <span className="ellipsis">
                {i + 1}
                {(page.document || page.page !== i + 1) && <span className="muted"> · {page.label}</span>}
              </span>
            </button>
          </li>
        ))}
      </ol>
      {newest && puts && (
        <PutInPages paper={paper} onTake={take} onClose={() => setPuts(false)} mayArrive={!changed} />
      )}
    </Modal>
  );
}

function ownPages(paper: Shape<"DocumentAnswer">): PlacedPage[] {
  const number = paper.versions.length;
  const newest = paper.versions[number - 1];
  return Array.from({ length: newest?.pages ?? 0 }, (_, i) => ({
    key: `own ${i + 1}`,
    label: `was page ${i + 1}`,
    page: i + 1,
    // as it is turned for reading, it is kept from now on
    turn: newest?.turns[i] ?? 0,
    image: `/api/documents/${paper.id}/versions/${number}/pages/${i + 1}?width=160`,
  }));
}

/** Sends the pages as they are now; what was before can be the newest again. */
function useSavedPages(paper: Shape<"DocumentAnswer">, onClose: () => void) {
  const told = useTold(paper);
  return useMutation({
    mutationFn: ({ pages, emptied }: { pages: PlacedPage[]; emptied: string[] }) =>
      answer(
        api.POST("/api/documents/{id}/pages", {
          params: { path: { id: paper.id } },
          body: {
            version: paper.versions.length,
            pages: pages.map(({ document, page, turn }) => ({ document, page, turn })),
            emptied,
          },
        }),
      ),
    onSuccess: (newer, { emptied }) => {
      told(`Saved as version ${newer.version}.`, emptied, []);
      onClose();
    },
  });
}

/** Puts the pages of a paper in that waits in Arrivals; it counts as filed with that. */
function usePutArrival(paper: Shape<"DocumentAnswer">, onClose: () => void) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  return useMutation({
    mutationFn: ({ arrival, after }: { arrival: Shape<"ArrivalAnswer">; after: number }) =>
      answer(
        api.POST("/api/arrivals/{id}/put-in", {
          params: { path: { id: arrival.id } },
          body: {
            arrivalVersion: arrival.version,
            document: paper.id,
            version: paper.versions.length,
            after,
          },
        }),
      ),
    onSuccess: (newer) => {
      queries.invalidateQueries({ queryKey: ["files"] });
      queries.invalidateQueries({ queryKey: ["arrivals"] });
      message.success(`Saved as version ${newer.version}; the paper is out of Arrivals.`);
      onClose();
    },
  });
}

/** Says what was done, and takes it back when that is wished. */
function useTold(paper: Shape<"DocumentAnswer">) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  const key = `pages of ${paper.id}`;
  const again = () => queries.invalidateQueries({ queryKey: ["files"] });
  return (words: string, thrownAway: string[], made: string[]) => {
    again();
    const back = async () => {
      message.destroy(key);
      try {
        const number = paper.versions.length;
        await done(
          api.POST("/api/documents/{id}/versions/{number}/restore", {
            params: { path: { id: paper.id, number } },
          }),
        );
        for (const id of thrownAway) {
          await done(api.POST("/api/documents/{id}/restore", { params: { path: { id } } }));
        }
        if (made.length > 0) {
          await done(api.POST("/api/documents/discard", { body: { documents: made } }));
        }
        message.success(
          paper.signatures.length > 0 || paper.acceptedOn != null
            ? `The pages are as they were before. What was signed or decided stays with version ${paper.versions.length}.`
            : "The pages are as they were before.",
        );
      } catch (error) {
        message.error(wordsOf(error), 8);
      }
      again();
    };
    message.success({
      key,
      duration: 10,
      content: (
        <span>
          {words}{" "}
          <button type="button" className="linklike" onClick={back}>
            Undo
          </button>
        </span>
      ),
    });
  };
}

type SplitOffProps = {
  paper: Shape<"DocumentAnswer">;
  /** How many pages stay. */
  after: number;
  disabled: boolean;
  onClose: () => void;
};

/** From the chosen page on it is a paper of its own. */
function SplitOff({ paper, after, disabled, onClose }: SplitOffProps) {
  const { message } = App.useApp();
  const navigate = useNavigate();
  const told = useTold(paper);
  const split = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/documents/{id}/split", {
          params: { path: { id: paper.id } },
          body: { version: paper.versions.length, after },
        }),
      ),
    onSuccess: ({ documentId }) => {
      told("Split into two papers. Say what the second one is.", [], [documentId]);
      onClose();
      navigate(`/files/${paper.fileId}?view=read&paper=${documentId}&change=details`);
    },
    onError: (error) => message.error(wordsOf(error), 8),
  });
  return (
    <Tooltip
      title={disabled ? "Choose the page with which the new paper begins, before anything is changed" : ""}
    >
      <Button
        size="small"
        icon={<ScissorOutlined aria-hidden />}
        disabled={disabled}
        loading={split.isPending}
        onClick={() => split.mutate()}
      >
        A new paper begins here
      </Button>
    </Tooltip>
  );
}
