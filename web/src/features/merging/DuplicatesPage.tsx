import { useQuery } from "@tanstack/react-query";
import { Button, Table } from "antd";
import { Link } from "react-router";
import type { Shape } from "../../api/client";
import { day } from "../../ui/days";
import { Loaded, QuietEmpty } from "../../ui/Quiet";
import { Where } from "../../ui/Where";
import { meOptions } from "../access/sessionQueries";
import { useMayChange } from "../asof/asOf";
import "./merging.css";
import { duplicatesOptions } from "./mergeQueries";
import { useNotSame } from "./useNotSame";

type Pair = Shape<"LikePair">;

/** Pairs of files that may be of one person, the likeliest first. */
export function DuplicatesPage() {
  const pairs = useQuery(duplicatesOptions);
  const mayChange = useMayChange();
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const notSame = useNotSame();
  return (
    <div className="merging">
      <Where>
        <Link to="/files">Files</Link> › <strong>Possible duplicates</strong>
      </Where>
      <Loaded query={pairs}>
        {(list) =>
          list.length === 0 ? (
            <QuietEmpty title="No two files look like one person">
              <p>Names, birth dates, numbers and addresses of all files were compared.</p>
            </QuietEmpty>
          ) : (
            <Table<Pair>
              size="small"
              rowKey={(pair) => pair.one.id + pair.other.id}
              dataSource={list}
              pagination={false}
              sticky
              columns={[
                { title: "One file", render: (_, pair) => <Who file={pair.one} /> },
                { title: "Another", render: (_, pair) => <Who file={pair.other} /> },
                {
                  title: "Speaks for one person",
                  render: (_, pair) => <span className="muted">{pair.reasons.join(", ")}</span>,
                },
                {
                  title: "Likely",
                  width: 80,
                  align: "right",
                  render: (_, pair) => <span className="tabular">{pair.likelihood} %</span>,
                },
                {
                  title: "",
                  width: 220,
                  render: (_, pair) => (
                    <span className="buttons">
                      {isAdministrator && (
                        <Link to={`/files/merge?kept=${pair.one.id}&gone=${pair.other.id}`}>
                          <Button size="small">Compare</Button>
                        </Link>
                      )}
                      {mayChange && (
                        <Button
                          size="small"
                          type="text"
                          onClick={() => notSame.mutate({ id: pair.one.id, other: pair.other.id })}
                        >
                          Two persons
                        </Button>
                      )}
                    </span>
                  ),
                },
              ]}
            />
          )
        }
      </Loaded>
    </div>
  );
}

function Who({ file }: { file: Shape<"LikeFile"> }) {
  return (
    <>
      <Link to={`/files/${file.id}`}>
        <strong>{file.name}</strong>
      </Link>{" "}
      <span className="muted tabular">
        {file.number}
        {file.birthDate && ` · born ${day(file.birthDate)}`}
        {file.team && ` · ${file.team}`}
      </span>
    </>
  );
}
