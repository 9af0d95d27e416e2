import { useQuery } from "@tanstack/react-query";
import { type Ref, useEffect, useImperativeHandle, useRef } from "react";
import { answer, api } from "../../api/client";
import { Loaded } from "../../ui/Quiet";
import type { DeskHandle } from "./PaperDesk";
import type { At, PaperWords } from "./readingQueries";

type PaperTextProps = { id: string; number: number; words?: PaperWords; chosen?: At; ref?: Ref<DeskHandle> };

/** A paper without pages of its own, as the words it holds. */
export function PaperText({ id, number, words, chosen, ref }: PaperTextProps) {
  const desk = useRef<HTMLElement>(null);
  const text = useQuery({
    queryKey: ["files", "document", id, "text", number],
    queryFn: () =>
      answer(api.GET("/api/documents/{id}/versions/{number}/text", { params: { path: { id, number } } })),
    refetchInterval: (query) => (query.state.data?.isRead === false ? 1500 : false),
  });
  const show = (page: number) =>
    desk.current?.querySelector(`[data-page="${page}"]`)?.scrollIntoView({ block: "start" });
  useImperativeHandle(ref, () => ({ goTo: show, scrollTo: (place) => show(Math.floor(place)) }));
  // biome-ignore lint/correctness/useExhaustiveDependencies: once another place is chosen it comes into view
  useEffect(() => {
    desk.current?.querySelector("mark.chosen")?.scrollIntoView({ block: "center" });
  }, [chosen?.page, chosen?.place, text.data]);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling area must be reachable by keyboard
    <section ref={desk} className="desk" tabIndex={0} aria-label="Words of the paper">
      <Loaded query={text}>
        {({ pages, isRead }) => (
          <>
            {!isRead && <p className="muted sheet-note">Its words are being read.</p>}
            {isRead && pages.length === 0 && (
              <p className="muted sheet-note">It holds no words that can be shown.</p>
            )}
            {pages.map((page) => (
              <div key={page.page} data-page={page.page} className="sheet sheet-text">
                <Marked
                  text={page.text}
                  places={words?.pages.find((p) => p.page === page.page)?.places ?? []}
                  chosen={chosen?.page === page.page ? chosen.place : undefined}
                />
              </div>
            ))}
          </>
        )}
      </Loaded>
    </section>
  );
}

type Place = { first: number; last: number };

/** A text with its places marked; places are told by the numbers of words, parted by white space. */
export function Marked({ text, places, chosen }: { text: string; places: Place[]; chosen?: number }) {
  const parts = text.trim().split(/(\s+)/);
  const out: React.ReactNode[] = [];
  let at = 0;
  places.forEach((place, i) => {
    out.push(parts.slice(at, 2 * place.first).join(""));
    out.push(
      <mark key={place.first} className={i === chosen ? "word-mark chosen" : "word-mark"}>
        {parts.slice(2 * place.first, 2 * place.last + 1).join("")}
      </mark>,
    );
    at = 2 * place.last + 1;
  });
  out.push(parts.slice(at).join(""));
  return <>{out}</>;
}
