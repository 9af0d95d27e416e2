import { useQuery } from "@tanstack/react-query";
import { problemOf } from "../../api/client";
import { Loaded } from "../../ui/Quiet";

/** Nothing of it runs, nothing is loaded from elsewhere, and it knows nothing of the page around it. */
const POLICY = "default-src 'none'; img-src data:; style-src 'unsafe-inline'";

/** The text of a web page in the encoding it claims. */
export function decoded(bytes: ArrayBuffer): string {
  const start = new TextDecoder("latin1").decode(bytes.slice(0, 2048));
  const claimed = /charset\s*=\s*["']?([\w-]+)/i.exec(start)?.[1] ?? "utf-8";
  try {
    return new TextDecoder(claimed).decode(bytes);
  } catch {
    return new TextDecoder().decode(bytes);
  }
}

/** What the frame shows: the paper behind a policy of its own, which comes before anything in it. */
export function guarded(html: string): string {
  return `<!doctype html><meta http-equiv="Content-Security-Policy" content="${POLICY}">${html}`;
}

/** A web page that was filed, shown in a frame in which nothing runs. */
export function HtmlPaper({ source, name }: { source: string; name: string }) {
  const page = useQuery({
    queryKey: ["paper-html", source],
    queryFn: async () => {
      const answer = await fetch(source);
      if (!answer.ok) {
        throw problemOf(answer.status, await answer.text());
      }
      return decoded(await answer.arrayBuffer());
    },
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <div className="desk">
      <Loaded query={page}>
        {(html) => <iframe className="html-paper" title={name} sandbox="" srcDoc={guarded(html)} />}
      </Loaded>
    </div>
  );
}
