import { BankOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Splitter, Tabs } from "antd";
import { type ReactNode, useState } from "react";
import { Link, Navigate, useParams, useSearchParams } from "react-router";
import { Problem, type Shape } from "../../api/client";
import { day } from "../../ui/days";
import { useKept } from "../../ui/kept";
import { Loaded } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { meOptions } from "../access/sessionQueries";
import { AddPapers } from "../arrivals/AddPapers";
import { CoverSheetModal } from "../arrivals/CoverSheetModal";
import { DropOnFile } from "../arrivals/PapersForFile";
import { ScansForThisFile } from "../arrivals/ScansForThisFile";
import { useAsOf, useKeepingAsOf, useMayChange } from "../asof/asOf";
import { ChaseModal } from "../chasing/ChaseModal";
import { ComesBack } from "../chasing/ChaseStop";
import { LedgerList } from "../coverage/LedgerList";
import { LinesView } from "../coverage/LinesView";
import { ReadView } from "../documents/pages/ReadView";
import { ExcerptsSection } from "../excerpts/ExcerptsSection";
import { KeepingHold, OnHold } from "../keeping/KeepingHold";
import { BundlesSection } from "../leaving/BundlesSection";
import { CopiesSection } from "../leaving/CopiesSection";
import { MarksSection } from "../marks/MarksSection";
import { SamePersonNotes } from "../merging/SamePersonNotes";
import { NumberSetsSection } from "../numbering/NumberSetsSection";
import { DetailsView } from "../people/DetailsView";
import { fileOptions, ledgerOptions } from "../people/fileQueries";
import { SharedView } from "../portal/SharedView";
import { useReadyForPdf } from "../reading/pdf";
import { RelationsInHead } from "../relations/RelationsInHead";
import { RelationsSection } from "../relations/RelationsSection";
import { NextVisit } from "../visits/NextVisit";
import { VisitsSection } from "../visits/VisitsSection";
import { WholeFile } from "../wholefile/WholeFile";
import "../people/people.css";
import { verdictWords } from "../../ui/standing";
import { TrailView } from "../people/TrailView";

type File = Shape<"FileAnswer">;
type LedgerData = Shape<"LedgerAnswer">;

export function FilePage() {
  const { id = "" } = useParams();
  const file = useQuery(fileOptions(id));
  const { query } = useAsOf();
  const keep = useKeepingAsOf();
  const ledger = useQuery(ledgerOptions(id, query));
  useReadyForPdf();
  if (file.error instanceof Problem && file.error.code === "merged-into") {
    return <Navigate to={`/files/${file.error.more.fileId}`} replace />;
  }
  return (
    <Loaded query={file}>
      {(head) => (
        <Droppable file={head}>
          <Where>
            <Link to={keep("/files")}>Files</Link> › <strong>{head.name}</strong>
          </Where>
          <div>
            <Head file={head} ledger={ledger.data} />
            <SamePersonNotes fileId={head.id} />
          </div>
          <Body
            ledger={<Loaded query={ledger}>{(data) => <LedgerList file={head} ledger={data} />}</Loaded>}
            view={<Views file={head} ledger={ledger.data} />}
          />
        </Droppable>
      )}
    </Loaded>
  );
}

function Droppable({ file, children }: { file: File; children: ReactNode }) {
  return (
    <DropOnFile person={file} mayTake={useMayChange()}>
      <div className="file-page">{children}</div>
    </DropOnFile>
  );
}

const LEDGER_WIDTH = 400;

/** The ledger and the view with a divider between them that stays where it was moved to. */
function Body({ ledger, view }: { ledger: ReactNode; view: ReactNode }) {
  const [width, setWidth] = useKept("ledger-width", LEDGER_WIDTH);
  const [moved, setMoved] = useState<number>();
  return (
    <Splitter
      className="file-body"
      onResize={([first]) => setMoved(first)}
      onResizeEnd={([first]) => {
        setMoved(undefined);
        setWidth(Math.round(first ?? LEDGER_WIDTH));
      }}
    >
      <Splitter.Panel size={moved ?? width} min={240} max="60%">
        {ledger}
      </Splitter.Panel>
      <Splitter.Panel>{view}</Splitter.Panel>
    </Splitter>
  );
}

function Head({ file, ledger }: { file: File; ledger?: LedgerData }) {
  const [chases, setChases] = useState(false);
  const [covers, setCovers] = useState(false);
  const mayChange = useMayChange();
  const initials =
    file.subject === "PRACTICE" ? <BankOutlined /> : `${file.givenName[0] ?? ""}${file.familyName[0] ?? ""}`;
  return (
    <header className="file-head">
      <div className="file-mark" aria-hidden>
        {initials}
      </div>
      <div className="file-who">
        <h1>{file.name}</h1>
        <div className="file-facts tabular">
          <span>{file.number}</span>
          <span>
            {file.kindLabel}
            {file.team && ` · ${file.team}`}
          </span>
          {file.birthDate && (
            <span>
              born <strong>{day(file.birthDate)}</strong> ({file.age})
            </span>
          )}
          {file.activeFrom && (
            <span>
              since <strong>{day(file.activeFrom)}</strong>
            </span>
          )}
          {file.factDefinitions
            .filter((fact) => fact.key && file.facts[fact.name])
            .map((fact) => (
              <span key={fact.name}>
                {fact.label.toLowerCase()} <strong>{file.factWords[fact.name]}</strong>
              </span>
            ))}
          <RelationsInHead fileId={file.id} />
          <ComesBack fileId={file.id} />
          <OnHold fileId={file.id} />
          {file.subject === "PERSON" && <NextVisit fileId={file.id} />}
        </div>
      </div>
      {ledger && <Standing ledger={ledger} />}
      {mayChange && (
        <>
          <Button onClick={() => setChases(true)}>Chase</Button>
          <AddPapers person={file} />
          <Button onClick={() => setCovers(true)}>Cover sheets</Button>
          <CoverSheetModal person={file} open={covers} onClose={() => setCovers(false)} />
          <ScansForThisFile fileId={file.id} />
          <ChaseModal fileId={file.id} open={chases} onClose={() => setChases(false)} />
        </>
      )}
    </header>
  );
}

function Standing({ ledger }: { ledger: LedgerData }) {
  const slots = ledger.sections.reduce((sum, s) => sum + s.of, 0);
  const met = ledger.sections.reduce((sum, s) => sum + s.met, 0);
  return (
    <div className="file-standing">
      <strong className={ledger.clear ? "juniper" : "clay"}>{verdictWords(ledger)}</strong>
      <span className="muted tabular">
        {met} of {slots} slots met
      </span>
    </div>
  );
}

function Views({ file, ledger }: { file: File; ledger?: LedgerData }) {
  const [search, setSearch] = useSearchParams();
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const view = search.get("view") ?? (search.has("paper") ? "read" : "lines");
  const show = (next: string) =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      params.set("view", next);
      return params;
    });
  return (
    <section className="file-view" aria-label="View">
      <Tabs
        activeKey={view}
        onChange={show}
        items={[
          { key: "lines", label: "Lines" },
          { key: "read", label: "Read" },
          { key: "whole", label: "Whole file" },
          { key: "details", label: "Details" },
          { key: "trail", label: "Trail" },
          { key: "shared", label: "Shared" },
        ]}
      />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
      <section className="file-view-body" tabIndex={0} aria-label="Contents of the view">
        {view === "lines" && <LinesView file={file} ledger={ledger} />}
        {view === "read" && <ReadView file={file} ledger={ledger} />}
        {view === "whole" && <WholeFile fileId={file.id} />}
        {view === "details" && (
          <div className="details-columns">
            <DetailsView key={file.id} file={file} />
            <div>
              <RelationsSection file={file} />
              {file.subject === "PERSON" && <VisitsSection fileId={file.id} />}
              <ExcerptsSection fileId={file.id} />
              <MarksSection fileId={file.id} />
              <BundlesSection fileId={file.id} />
              <CopiesSection fileId={file.id} />
              <NumberSetsSection fileId={file.id} />
              {isAdministrator && <KeepingHold fileId={file.id} />}
            </div>
          </div>
        )}
        {view === "trail" && <TrailView fileId={file.id} />}
        {view === "shared" && <SharedView file={file} />}
      </section>
    </section>
  );
}
