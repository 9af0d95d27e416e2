import { Segmented } from "antd";
import { useSearchParams } from "react-router";
import { Where } from "../../../ui/Where";
import { AheadView } from "../ahead/AheadView";
import "../chasing.css";
import { PlansView } from "../plans/PlansView";
import { WentOutView } from "./WentOutView";

const VIEWS = [
  { value: "ahead", label: "Going out" },
  { value: "out", label: "Went out" },
  { value: "plans", label: "Plans" },
];

/** What goes out to whom, what went out and what came of it, and the plans by which it does. */
export function ChasingPage() {
  const [search, setSearch] = useSearchParams();
  const view = search.get("view") ?? "ahead";
  return (
    <div className="chasing-page">
      <Where>
        <strong>Chasing</strong>
      </Where>
      <Segmented
        className="chasing-views"
        value={view}
        onChange={(to) => setSearch({ view: to })}
        options={VIEWS}
      />
      {view === "out" ? <WentOutView /> : view === "plans" ? <PlansView /> : <AheadView />}
    </div>
  );
}
