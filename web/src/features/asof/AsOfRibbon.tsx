import { Button, Segmented } from "antd";
import { day, distance } from "../../ui/days";
import { useAsOf } from "./asOf";

/** Across the top while another day than today is looked at. */
export function AsOfRibbon() {
  const { query, isToday, today, ask } = useAsOf();
  if (isToday || !query.asOf) {
    return null;
  }
  const ahead = query.asOf > today;
  return (
    <div className="as-of-ribbon" role="status">
      <strong>As of {day(query.asOf)}</strong>
      <span>
        {distance(query.asOf, today)}
        {ahead ? " · if nothing new comes in" : " · nothing can be changed"}
      </span>
      {!ahead && (
        <Segmented
          size="small"
          aria-label="Known"
          value={query.known ?? "then"}
          onChange={(known) => ask(query.asOf ?? null, known === "now" ? "now" : "then")}
          options={[
            { value: "then", label: "as known then" },
            { value: "now", label: "as known now" },
          ]}
        />
      )}
      <Button size="small" onClick={() => ask(null)}>
        Back to today
      </Button>
    </div>
  );
}
