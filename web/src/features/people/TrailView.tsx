import { useQuery } from "@tanstack/react-query";
import { moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { trailOptions } from "./fileQueries";

/** Who did what in this file, newest first. */
export function TrailView({ fileId }: { fileId: string }) {
  const trail = useQuery(trailOptions(fileId));
  return (
    <Loaded query={trail}>
      {(lines) => (
        <ol className="plain-list trail" aria-label="Trail, newest first">
          {lines.map((line) => (
            <li key={line.seq}>
              <time className="muted tabular" dateTime={line.at}>
                {moment(line.at)}
              </time>
              <span>
                <strong>{line.who}</strong> {line.sentence}
              </span>
            </li>
          ))}
        </ol>
      )}
    </Loaded>
  );
}
