import { DownOutlined, UpOutlined } from "@ant-design/icons";
import { Button } from "antd";

/** Goes from one place of the searched words to the next or the one before. */
export function PlaceSteps({ onStep }: { onStep: (by: 1 | -1) => void }) {
  const small = { type: "text", size: "small" } as const;
  return (
    <>
      <Button {...small} icon={<UpOutlined />} aria-label="Place before" onClick={() => onStep(-1)} />
      <Button {...small} icon={<DownOutlined />} aria-label="Next place" onClick={() => onStep(1)} />
    </>
  );
}
