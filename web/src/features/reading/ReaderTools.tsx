import {
  BulbOutlined,
  LayoutOutlined,
  MinusOutlined,
  PlusOutlined,
  RotateRightOutlined,
} from "@ant-design/icons";
import { Button, Input, InputNumber, Select } from "antd";
import { type ReactNode, useEffect, useState } from "react";
import { PlaceSteps } from "./PlaceSteps";
import { stepFrom, type Zoom } from "./placing";

type ReaderToolsProps = {
  /** 0 where the paper has no pages of its own. */
  pages: number;
  page: number;
  onPage: (page: number) => void;
  zoom: Zoom;
  scale: number;
  onZoom: (zoom: Zoom) => void;
  onTurn?: (degrees: number) => void;
  strip: boolean;
  onStrip?: (open: boolean) => void;
  dark: boolean;
  onDark: (dark: boolean) => void;
  words: string;
  onWords: (words: string) => void;
  /** How many places there are; undefined while no words are searched for. */
  count?: number;
  at: number;
  onStep: (by: 1 | -1) => void;
  problem?: string;
  note?: string;
  children?: ReactNode;
};

const PAUSE = 350;

/** Zoom, pages, turning, the page strip, dark reading and words in the paper. */
export function ReaderTools(props: ReaderToolsProps) {
  const { pages, page, onPage, zoom, scale, onZoom, onTurn, strip, onStrip, dark, onDark, children } = props;
  const small = { type: "text", size: "small" } as const;
  return (
    <div className="reader-tools">
      {onStrip && (
        <Button
          {...small}
          icon={<LayoutOutlined />}
          aria-label="Page strip"
          aria-pressed={strip}
          onClick={() => onStrip(!strip)}
        />
      )}
      {pages > 0 && (
        <>
          <span className="reader-page tabular">
            <InputNumber
              size="small"
              aria-label="Page"
              controls={false}
              min={1}
              max={pages}
              value={page}
              onChange={(n) => n && onPage(n)}
            />
            <span className="muted">of {pages}</span>
          </span>
          <Button
            {...small}
            icon={<MinusOutlined />}
            aria-label="Smaller"
            onClick={() => onZoom(stepFrom(scale, -1))}
          />
          <Select
            size="small"
            variant="borderless"
            aria-label="Zoom"
            value={typeof zoom === "number" ? `${Math.round(zoom * 100)} %` : zoom}
            style={{ width: 96 }}
            options={[
              { value: "width", label: "to width" },
              { value: "page", label: "whole page" },
              { value: "1", label: "100 %" },
            ]}
            onChange={(value) => onZoom(value === "1" ? 1 : (value as Zoom))}
          />
          <Button
            {...small}
            icon={<PlusOutlined />}
            aria-label="Larger"
            onClick={() => onZoom(stepFrom(scale, 1))}
          />
        </>
      )}
      {onTurn && (
        <Button
          {...small}
          icon={<RotateRightOutlined />}
          aria-label="Turn all pages"
          title="Turn all pages; remembered for everybody"
          onClick={() => onTurn(90)}
        />
      )}
      <Button
        {...small}
        icon={<BulbOutlined />}
        aria-label="Dark reading"
        aria-pressed={dark}
        onClick={() => onDark(!dark)}
      />
      <Words {...props} />
      <span className="grow" />
      {children}
    </div>
  );
}

function Words({ words, onWords, count, at, onStep, problem, note }: ReaderToolsProps) {
  const [typed, setTyped] = useState(words);
  useEffect(() => setTyped(words), [words]);
  useEffect(() => {
    if (typed === words) {
      return;
    }
    const timer = setTimeout(() => onWords(typed), PAUSE);
    return () => clearTimeout(timer);
  });
  return (
    <span className="reader-words">
      <Input
        size="small"
        allowClear
        aria-label="Words in this paper"
        placeholder="words"
        maxLength={500}
        value={typed}
        status={problem ? "error" : ""}
        title={problem}
        onChange={(e) => setTyped(e.target.value)}
        onPressEnter={(e) => (typed === words ? onStep(e.shiftKey ? -1 : 1) : onWords(typed))}
      />
      {count !== undefined && (
        <>
          <span className="muted tabular" aria-live="polite">
            {problem ? "" : count === 0 ? "nowhere" : `${at + 1} of ${count}`}
            {note && <span title={note}> · {note}</span>}
          </span>
          <PlaceSteps onStep={onStep} />
        </>
      )}
    </span>
  );
}
