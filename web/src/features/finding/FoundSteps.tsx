import { LeftOutlined, RightOutlined } from "@ant-design/icons";
import { Button } from "antd";
import { Link, useNavigate, useSearchParams } from "react-router";
import { useKeys } from "../../ui/keys";
import { foundAddress, foundPlace, type TrailPaper } from "./foundTrail";

/** For a paper that was opened from those found: which of them it is, the one before and the next, and the way back. */
export function FoundSteps({ paperId }: { paperId: string }) {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const words = search.get("words") ?? "";
  const place = search.has("found") ? foundPlace(words, paperId) : undefined;
  const go = (to?: TrailPaper) => to && navigate(foundAddress(to, words));
  useKeys({ n: () => go(place?.after), p: () => go(place?.before) });
  if (!place) {
    return null;
  }
  const step = { type: "text", size: "small" } as const;
  return (
    <nav className="found-steps tabular" aria-label="Found papers">
      <Link to={place.address}>All found</Link>
      <span className="muted">
        {place.at} of {place.of}
      </span>
      <Button
        {...step}
        icon={<LeftOutlined />}
        aria-label="Found paper before"
        title={place.before ? `${place.before.name} (p)` : "This is the first"}
        disabled={!place.before}
        onClick={() => go(place.before)}
      />
      <Button
        {...step}
        icon={<RightOutlined />}
        aria-label="Next found paper"
        title={place.after ? `${place.after.name} (n)` : "This is the last"}
        disabled={!place.after}
        onClick={() => go(place.after)}
      />
    </nav>
  );
}
