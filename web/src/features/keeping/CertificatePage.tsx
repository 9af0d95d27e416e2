import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { Link, useParams } from "react-router";
import { practiceOptions } from "../../api/practice";
import { day, moment } from "../../ui/days";
import { Loaded } from "../../ui/Quiet";
import { certificateOptions } from "./keepingQueries";
import "./keeping.css";

/** What is left of files that were destroyed together, to be printed or kept. */
export function CertificatePage() {
  const { certificate = "" } = useParams();
  const practice = useQuery(practiceOptions).data;
  return (
    <section className="set-up-body wide keeping" aria-label="Certificate">
      <Loaded query={useQuery(certificateOptions(certificate))}>
        {(files) => (
          <article className="certificate">
            <div className="checklist-head no-print">
              <Link to="/set-up/keeping">Keeping</Link>
              <span className="grow" />
              <Button onClick={() => window.print()}>Print</Button>
            </div>
            <h2>Certificate of destruction</h2>
            <p>
              {files.length === 1
                ? `${practice?.name} destroyed this file for good, with all papers in it and all that was known of the person. It had been kept for as long as the practice's rules ask, and was not on hold.`
                : `${practice?.name} destroyed these ${files.length} files for good, with all papers in them and all that was known of the people. Each had been kept for as long as the practice's rules ask, and none was on hold.`}
            </p>
            <table className="accounts-table">
              <thead>
                <tr>
                  <th>File</th>
                  <th>Kind</th>
                  <th>Last day</th>
                  <th>Kept until</th>
                  <th>Rule</th>
                  <th>Papers</th>
                  <th>Destroyed</th>
                </tr>
              </thead>
              <tbody>
                {files.map((file) => (
                  <tr key={file.number}>
                    <td>{file.number}</td>
                    <td>{file.kind}</td>
                    <td>{day(file.leftOn)}</td>
                    <td>{day(file.keptUntil)}</td>
                    <td>{file.rule}</td>
                    <td>{file.papers}</td>
                    <td>{moment(file.at)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p>Decided by {files[0]?.by}.</p>
            <p className="muted">
              Number {certificate}. The hashes of the destroyed papers stand in the trail, which nobody can
              change.
            </p>
          </article>
        )}
      </Loaded>
    </section>
  );
}
