import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Alert, Button } from "antd";
import { answer, api, wordsOf } from "../../../api/client";
import { NewAddress } from "./NewAddress";
import "./calendars.css";

/** The days of one person's papers, for a calendar program: saved once, or read again and again. */
export function FileCalendar({ fileId }: { fileId: string }) {
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => answer(api.POST("/api/calendars", { body: { reach: "FILE", fileId } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["calendars"] }),
  });
  return (
    <section aria-label="Calendar">
      <h2>Calendar</h2>
      <p className="muted">When papers run out and are due, for a calendar program.</p>
      <div className="buttons">
        <Button href={`/api/files/${fileId}/calendar`}>Save once</Button>
        <Button loading={make.isPending} onClick={() => make.mutate()}>
          Make a private address
        </Button>
      </div>
      {make.data && <NewAddress address={make.data.address} />}
      {make.error && <Alert type="error" title={wordsOf(make.error)} />}
    </section>
  );
}
