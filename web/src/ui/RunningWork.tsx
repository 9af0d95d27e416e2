import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Popover, Progress } from "antd";
import { useEffect, useRef } from "react";
import { answer, api } from "../api/client";

const jobsOptions = {
  queryKey: ["jobs"],
  queryFn: () => answer(api.GET("/api/jobs")),
};

/** Long work and how far it is; when some of it ends, what the screens show is asked for anew. */
export function RunningWork() {
  const jobs = useQuery({
    ...jobsOptions,
    refetchInterval: (query) => (query.state.data?.some((j) => j.state === "RUNNING") ? 1_000 : 8_000),
  }).data;
  const queries = useQueryClient();
  const running = jobs?.filter((j) => j.state === "RUNNING") ?? [];
  const before = useRef(0);
  useEffect(() => {
    if (running.length < before.current) {
      queries.invalidateQueries({ queryKey: ["files"] });
    }
    before.current = running.length;
  }, [running.length, queries]);
  if (!jobs || jobs.length === 0) {
    return null;
  }
  const list = (
    <ul className="plain-list running-work">
      {jobs.map((job) => (
        <li key={job.id}>
          <strong>{job.title}</strong>
          {job.state === "RUNNING" ? (
            <Progress
              percent={job.total ? Math.floor((100 * job.done) / job.total) : 0}
              size="small"
              aria-label={job.title}
              format={() => `${job.done} of ${job.total}`}
            />
          ) : (
            <div className={job.state === "FAILED" ? "clay" : "muted"}>
              {job.words} {job.link && <a href={job.link}>Fetch it</a>}
            </div>
          )}
        </li>
      ))}
    </ul>
  );
  return (
    <Popover content={list} trigger="click" placement="bottomRight">
      <button type="button" className="linklike">
        {running.length > 0 ? `${running.length} running` : "work done"}
      </button>
    </Popover>
  );
}
