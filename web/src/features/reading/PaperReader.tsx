import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { type ReactNode, type Ref, useEffect, useImperativeHandle, useRef, useState } from "react";
import { answer, api, done, type Shape, wordsOf } from "../../api/client";
import { KeepExcerpt } from "../excerpts/KeepExcerpt";
import { LinkedPaper } from "../links/LinkedPaper";
import { NoPages } from "../links/NoPages";
import { HtmlPaper } from "./HtmlPaper";
import { isOffice, useLaidOut } from "./laidOut";
import { type OthersMark, useOthersMarks } from "./othersMarks";
import { PageStrip } from "./PageStrip";
import { type DeskHandle, PaperDesk } from "./PaperDesk";
import { PaperText } from "./PaperText";
import { usePdf } from "./pdf";
import { asTurn, type Turn, type Zoom } from "./placing";
import { ReaderTools } from "./ReaderTools";
import "./reading.css";
import { Recording } from "./Recording";
import { type At, type PageWords, placesOf, wordsOptions } from "./readingQueries";
import { SheetTable } from "./SheetTable";
import { WordMarks } from "./WordMarks";

type Version = Shape<"VersionAnswer">;

export type ReaderHandle = { scrollTo: (place: number) => void; goTo: (page: number, top?: number) => void };

type PaperReaderProps = {
  paper: Shape<"DocumentAnswer">;
  version: Version;
  zoom: Zoom;
  onZoom: (zoom: Zoom) => void;
  dark: boolean;
  onDark: (dark: boolean) => void;
  /** The words whose places are marked. */
  words: string;
  onWords: (words: string) => void;
  /** Asked for when the places of this paper are at their end. */
  onBeyond?: (step: 1 | -1) => boolean;
  /** Words in which it differs from another version. */
  differences?: { kind: "gone" | "new"; pages: PageWords[] };
  mayChange: boolean;
  tools?: ReactNode;
  onPlace?: (place: number) => void;
  /** What else lies over a page. */
  over?: (page: number, turn: Turn) => ReactNode;
  onPage?: (page: number) => void;
  /** Told what other programs marked in the PDF itself. */
  onOthersMarks?: (marks: OthersMark[]) => void;
  /** Where it opens, once its pages are there. */
  startAt?: { page: number; top: number };
  ref?: Ref<ReaderHandle>;
};

/** How a paper of this format is shown. */
export function showsAs({
  mediaType,
  link,
  placeholder,
  pages,
}: Version): "nothing" | "html" | "link" | "pdf" | "pages" | "table" | "recording" | "text" {
  if (placeholder) {
    return "nothing";
  }
  if (link) {
    return "link";
  }
  if (mediaType === "application/pdf" && pages > 0) {
    return "pdf";
  }
  if (mediaType === "text/html") {
    return "html";
  }
  if (mediaType === "text/csv") {
    return "table";
  }
  if (mediaType.startsWith("audio/") || mediaType.startsWith("video/")) {
    return "recording";
  }
  return mediaType.startsWith("image/") && pages > 0 ? "pages" : "text";
}

/** One paper to be read: its pages or words with the tools for them. */
export function PaperReader(props: PaperReaderProps) {
  const {
    paper,
    version,
    zoom,
    onZoom,
    dark,
    onDark,
    words,
    onWords,
    onBeyond,
    differences,
    mayChange,
    tools,
    onPlace,
    over,
    onPage,
    onOthersMarks,
    startAt,
    ref,
  } = props;
  const desk = useRef<DeskHandle>(null);
  const [page, setPage] = useState(1);
  const [scale, setScale] = useState(1);
  const [strip, setStrip] = useState(false);
  const [at, setAt] = useState(0);
  const base = `/api/documents/${paper.id}/versions/${version.number}`;
  const office = useLaidOut(paper.id, version);
  // words are marked where they are text
  const searches = words.trim() !== "";
  const laidOut = searches ? undefined : office.laidOut;
  const kind = showsAs(version);
  const shows = laidOut ? "pdf" : kind === "html" && searches ? "text" : kind;
  const pages = laidOut?.pages ?? version.pages;
  const pdf = usePdf(
    shows === "pdf" ? `${base}${laidOut ? "/laid-out" : ""}/reading` : null,
    laidOut?.size ?? version.size,
  );
  const others = useOthersMarks(pdf.document);
  // biome-ignore lint/correctness/useExhaustiveDependencies: told when there are others, whoever listens
  useEffect(() => onOthersMarks?.(others), [others]);
  const found = useQuery(wordsOptions(paper.id, version.number, words));
  const places = words.trim() ? placesOf(found.data) : [];
  const here: At | undefined = places[at];
  const turn = useTurn(paper.id, version.number);
  useImperativeHandle(ref, () => ({
    scrollTo: (place) => desk.current?.scrollTo(place),
    goTo: (to, top) => desk.current?.goTo(to, top),
  }));
  const show = (to: At | undefined) => to && desk.current?.goTo(to.page, to.top);
  const ready = shows !== "pdf" || pdf.document !== undefined || pdf.failed === true;
  const startPage = startAt?.page;
  const startTop = startAt?.top;
  useEffect(() => {
    if (ready && startPage) {
      desk.current?.goTo(startPage, startTop);
    }
  }, [ready, startPage, startTop]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: other words, or pages that are there only now, begin at the first place
  useEffect(() => {
    setAt(0);
    show(places[0]);
  }, [words, found.data, ready, paper.id, version.number]);
  const step = (by: 1 | -1) => {
    const next = at + by;
    if (next >= 0 && next < places.length) {
      setAt(next);
      show(places[next]);
    } else if (!onBeyond?.(by) && places.length > 0) {
      const around = by === 1 ? 0 : places.length - 1;
      setAt(around);
      show(places[around]);
    }
  };
  const isTurned = (n: number) => asTurn(version.turns[n - 1] ?? 0);
  const paged = shows === "pdf" || shows === "pages";
  return (
    <div className={dark ? "reader dark-reading" : "reader"}>
      <ReaderTools
        pages={paged ? pages : 0}
        page={page}
        onPage={(n) => desk.current?.goTo(n)}
        zoom={zoom}
        scale={scale}
        onZoom={onZoom}
        onTurn={paged && mayChange && !laidOut ? turn : undefined}
        strip={strip}
        onStrip={paged && pages > 1 && !laidOut ? setStrip : undefined}
        dark={dark}
        onDark={onDark}
        words={words}
        onWords={onWords}
        count={words.trim() ? places.length : undefined}
        at={at}
        onStep={step}
        problem={found.error ? wordsOf(found.error) : undefined}
        note={noteOf(found.data, words)}
      >
        {isOffice(version) && !searches && (
          <Button size="small" type="text" loading={office.isPending} onClick={office.turn}>
            {laidOut ? "As words" : "As pages"}
          </Button>
        )}
        {(paged || shows === "text") && (
          <KeepExcerpt paperId={paper.id} version={version.number} page={version.pages === 0 ? 0 : page} />
        )}
        {tools}
      </ReaderTools>
      <div className={strip && paged ? "reader-body with-strip" : "reader-body"}>
        {strip && paged && !laidOut && (
          <PageStrip
            pages={version.pages}
            page={page}
            source={(n) => `${base}/pages/${n}?width=160&turn=${isTurned(n)}`}
            found={new Set(places.map((p) => p.page))}
            onPage={(n) => desk.current?.goTo(n)}
          />
        )}
        {paged && ready && (
          <PaperDesk
            ref={desk}
            pages={pages}
            pdf={pdf.document}
            image={(n, width, quarter) => `${base}/pages/${n}?width=${width}&turn=${quarter}`}
            name={paper.name}
            zoom={zoom}
            turnOf={isTurned}
            onPage={(n) => {
              setPage(n);
              onPage?.(n);
            }}
            onScale={setScale}
            onPlace={onPlace}
            over={(n) => (
              <>
                {differences && (
                  <WordMarks
                    words={differences.pages.find((p) => p.page === n)}
                    turn={isTurned(n)}
                    kind={differences.kind}
                  />
                )}
                <WordMarks
                  words={words.trim() ? found.data?.pages.find((p) => p.page === n) : undefined}
                  turn={isTurned(n)}
                  chosen={here?.page === n ? here.place : undefined}
                />
                {over?.(n, isTurned(n))}
              </>
            )}
          />
        )}
        {paged && !ready && <p className="muted sheet-note">Opening “{paper.name}” …</p>}
        {shows === "text" && (
          <PaperText
            ref={desk}
            id={paper.id}
            number={version.number}
            words={words.trim() ? found.data : undefined}
            chosen={here}
          />
        )}
        {shows === "html" && <HtmlPaper source={`${base}/reading`} name={paper.name} />}
        {shows === "table" && <SheetTable source={`${base}/reading`} />}
        {shows === "recording" && (
          <Recording source={`${base}/reading`} mediaType={version.mediaType} name={paper.name} />
        )}
        {shows === "nothing" && version.placeholder && (
          <div className="desk">
            <NoPages
              paperId={paper.id}
              placeholder={version.placeholder}
              mayChange={mayChange && !paper.enteredInErrorOn && version.number === paper.versions.length}
            />
          </div>
        )}
        {shows === "link" && version.link && (
          <div className="desk">
            <LinkedPaper
              link={version.link}
              check={() =>
                answer(
                  api.POST("/api/documents/{id}/versions/{number}/link-check", {
                    params: { path: { id: paper.id, number: version.number } },
                  }),
                )
              }
            />
          </div>
        )}
      </div>
    </div>
  );
}

function noteOf(found: Shape<"PaperWords"> | undefined, words: string): string | undefined {
  if (!found || !words.trim()) {
    return undefined;
  }
  if (!found.isRead) {
    return "its pages are still being read";
  }
  const count = found.unreadable.length;
  return count === 0 ? undefined : `${count} ${count === 1 ? "page holds" : "pages hold"} no readable text`;
}

function useTurn(id: string, number: number) {
  const { message } = App.useApp();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (degrees: number) =>
      done(
        api.POST("/api/documents/{id}/versions/{number}/turn", {
          params: { path: { id, number } },
          body: { degrees },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["files", "document", id], exact: true }),
    onError: (error) => message.error(wordsOf(error)),
  }).mutate;
}
