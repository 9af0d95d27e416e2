import { App } from "antd";
import { useEffect } from "react";

/** Keeps the browser from leaving the application for a file that is dropped where nothing takes it, and says where to. */
export function useStrayDrops() {
  const { message } = App.useApp();
  useEffect(() => {
    const over = (e: DragEvent) => {
      if (!e.defaultPrevented && e.dataTransfer?.types.includes("Files")) {
        e.preventDefault();
      }
    };
    const drop = (e: DragEvent) => {
      if (!e.defaultPrevented && e.dataTransfer?.types.includes("Files")) {
        e.preventDefault();
        message.info("Drop papers in Arrivals or on a person’s file.", 6);
      }
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", drop);
    };
  }, [message]);
}
