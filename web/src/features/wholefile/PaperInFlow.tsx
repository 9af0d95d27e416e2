import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { answer, api, type Shape } from "../../api/client";
import { Marked } from "../reading/PaperText";
import { asTurn } from "../reading/placing";
import { WordMarks } from "../reading/WordMarks";
import type { PaperInFile } from "./wholeFileQueries";

type PaperInFlowProps = {
  paper: PaperInFile;
  words?: Shape<"PageWords">[];
  chosen?: { page: number; place: number };
};

/** The pages or words of one paper among all of its file; nothing of it is loaded before it comes near. */
export function PaperInFlow({ paper, words, chosen }: PaperInFlowProps) {
  const box = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!box.current || typeof IntersectionObserver === "undefined") {
      setNear(true);
      return;
    }
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((e) => e.isIntersecting)) {
          setNear(true);
          observer.disconnect();
        }
      },
      { rootMargin: "120% 0px" },
    );
    observer.observe(box.current);
    return () => observer.disconnect();
  }, []);
  const base = `/api/documents/${paper.id}/versions/${paper.version}`;
  const isDrawn =
    paper.pages > 0 && (paper.mediaType === "application/pdf" || paper.mediaType.startsWith("image/"));
  return (
    <div ref={box}>
      {isDrawn ? (
        Array.from({ length: paper.pages }, (_, i) => i + 1).map((page) => {
          const found = words?.find((w) => w.page === page);
          return (
            <div key={page} data-page={page} className="sheet flow-sheet">
              {near && (
                <img
                  className="flow-page"
                  loading="lazy"
                  src={`${base}/pages/${page}?width=900&upright=true`}
                  alt={`${paper.name}, page ${page} of ${paper.pages}`}
                />
              )}
              <WordMarks
                words={found}
                turn={asTurn((found?.turn ?? 0) + paper.turned)}
                chosen={chosen?.page === page ? chosen.place : undefined}
              />
            </div>
          );
        })
      ) : (
        <Words paper={paper} near={near} words={words} chosen={chosen} />
      )}
    </div>
  );
}

function Words({ paper, near, words, chosen }: PaperInFlowProps & { near: boolean }) {
  const text = useQuery({
    queryKey: ["files", "document", paper.id, "text", paper.version],
    queryFn: () =>
      answer(
        api.GET("/api/documents/{id}/versions/{number}/text", {
          params: { path: { id: paper.id, number: paper.version } },
        }),
      ),
    enabled: near,
  }).data;
  if (text && text.pages.length === 0) {
    return (
      <p className="sheet flow-sheet sheet-note">
        <Link to={`?view=read&paper=${paper.id}`}>Open this paper by itself</Link>
      </p>
    );
  }
  return (text?.pages ?? [{ page: 1, text: "" }]).map((page) => (
    <div key={page.page} data-page={page.page} className="sheet sheet-text flow-sheet">
      <Marked
        text={page.text}
        places={words?.find((w) => w.page === page.page)?.places ?? []}
        chosen={chosen?.page === page.page ? chosen.place : undefined}
      />
    </div>
  ));
}
