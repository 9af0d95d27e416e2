import { Progress } from "antd";
import { useUploads } from "./Uploads";
import "./uploads.css";

/** What is being sent, and what was refused until it is put away; on every page the same. */
export function UploadTray() {
  const { uploads, dismiss, goOn } = useUploads();
  if (uploads.length === 0) {
    return null;
  }
  return (
    <section className="upload-tray" aria-label="Files on their way">
      {uploads.map((u) => (
        <div
          key={u.key}
          className={u.error ? "upload-line refused" : "upload-line"}
          role={u.error ? "alert" : undefined}
        >
          {u.error ? (
            <>
              {u.error}{" "}
              {u.canGoOn && (
                <>
                  <button type="button" className="linklike" onClick={() => goOn(u.key)}>
                    Go on
                  </button>{" "}
                </>
              )}
              <button type="button" className="linklike" onClick={() => dismiss(u.key)}>
                Dismiss
              </button>
            </>
          ) : (
            <>
              <div className="upload-name">
                <span className="ellipsis">{u.name}</span>
                <button type="button" className="linklike" onClick={() => dismiss(u.key)}>
                  Stop
                </button>
              </div>
              <Progress percent={Math.round(u.part * 100)} size="small" />
            </>
          )}
        </div>
      ))}
    </section>
  );
}
