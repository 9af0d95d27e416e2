import { DownloadOutlined, MinusOutlined, PlusOutlined } from "@ant-design/icons";
import { useQuery } from "@tanstack/react-query";
import { Button, Dropdown } from "antd";
import { useState } from "react";
import { answer, api, type Shape } from "../../api/client";
import { Pages } from "../../ui/Pages";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import "./documents.css";
import { LinkedPaper } from "../links/LinkedPaper";
import { documentOptions } from "./documentQueries";
import { PaperCard } from "./PaperCard";

const WIDTHS = [420, 560, 700, 860, 1100];

type ReadViewProps = { file: Shape<"FileAnswer">; ledger?: Shape<"LedgerAnswer">; documentId: string | null };

/** The pages of the chosen paper, and what is known about it. */
export function ReadView({ file, ledger, documentId }: ReadViewProps) {
  const first =
    ledger?.sections.flatMap((s) => s.slots.flatMap((slot) => slot.papers))[0] ?? ledger?.otherPapers[0];
  const id = documentId ?? first?.id;
  if (!id) {
    return (
      <QuietEmpty title="No paper in this file yet">
        <p>Drop one on an empty slot at the left, or use “Add papers”.</p>
      </QuietEmpty>
    );
  }
  return <OneDocument key={id} id={id} file={file} ledger={ledger} />;
}

function OneDocument({
  id,
  file,
  ledger,
}: {
  id: string;
  file: Shape<"FileAnswer">;
  ledger?: Shape<"LedgerAnswer">;
}) {
  const document = useQuery(documentOptions(id));
  return <Loaded query={document}>{(paper) => <Reading paper={paper} file={file} ledger={ledger} />}</Loaded>;
}

type ReadingProps = {
  paper: Shape<"DocumentAnswer">;
  file: Shape<"FileAnswer">;
  ledger?: Shape<"LedgerAnswer">;
};

function Reading({ paper, file, ledger }: ReadingProps) {
  const [zoom, setZoom] = useState(1);
  const [chosen, setChosen] = useState<number>();
  const version =
    paper.versions.find((v) => v.number === chosen) ?? paper.versions[paper.versions.length - 1];
  if (!version) {
    return null;
  }
  const base = `/api/documents/${paper.id}/versions/${version.number}`;
  const width = WIDTHS[zoom] ?? 560;
  return (
    <div className="read">
      <div className="read-pages">
        <div className="read-tools">
          <Button
            type="text"
            size="small"
            icon={<MinusOutlined />}
            aria-label="Smaller"
            disabled={zoom === 0}
            onClick={() => setZoom(zoom - 1)}
          />
          <Button
            type="text"
            size="small"
            icon={<PlusOutlined />}
            aria-label="Larger"
            disabled={zoom === WIDTHS.length - 1}
            onClick={() => setZoom(zoom + 1)}
          />
          <span className="muted">
            {version.pages} {version.pages === 1 ? "page" : "pages"}
            {paper.versions.length > 1 && ` · version ${version.number} of ${paper.versions.length}`}
          </span>
          <span className="grow" />
          <Dropdown
            trigger={["click"]}
            menu={{
              items: [
                { key: "content", label: <a href={`${base}/content`}>As it came</a> },
                {
                  key: "archive",
                  disabled: version.pages === 0,
                  label: <a href={`${base}/archive`}>Archive copy (PDF/A-2b)</a>,
                },
              ],
            }}
          >
            <Button type="text" size="small" icon={<DownloadOutlined />}>
              Download
            </Button>
          </Dropdown>
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard */}
        <section className="page-desk" tabIndex={0} aria-label="Pages">
          {version.link ? (
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
          ) : (
            <Pages
              count={version.pages}
              width={width}
              name={paper.name}
              source={(page) => `${base}/pages/${page}?width=${width > 900 ? 1400 : 900}`}
            />
          )}
        </section>
      </div>
      <PaperCard paper={paper} file={file} ledger={ledger} version={version.number} onVersion={setChosen} />
    </div>
  );
}
