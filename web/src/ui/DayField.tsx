import dayjsConfig from "@rc-component/picker/generate/dayjs";
import { useQuery } from "@tanstack/react-query";
import { DatePicker } from "antd";
import dayjs, { type Dayjs } from "dayjs";
import { useRef, useState } from "react";
import { practiceOptions } from "../api/practice";
import { day } from "./days";
import { readDay } from "./readDay";

/** How the practice writes days, for the calendar's own reading of what is typed; set by the field. */
const practice: { order: "DAY_FIRST" | "MONTH_FIRST"; today: string; weekStart: number } = {
  order: "DAY_FIRST",
  today: dayjs().format("YYYY-MM-DD"),
  weekStart: 1,
};

function read(text: string) {
  return readDay(text, practice.order, practice.today);
}

const Picker = DatePicker.generatePicker<Dayjs>({
  ...dayjsConfig,
  locale: {
    ...dayjsConfig.locale,
    // dayjs counts from Sunday as 0
    getWeekFirstDay: () => practice.weekStart % 7,
    parse: (_, text) => {
      const found = read(text);
      return "iso" in found ? dayjs(found.iso) : null;
    },
  },
});

type DayFieldProps = {
  id?: string;
  /** Its name for who does not see what stands beside it. */
  label?: string;
  value?: string | null;
  onChange?: (iso: string | null) => void;
  /** Enter was pressed, and what was typed is taken. */
  onEnter?: (iso: string | null) => void;
  placeholder?: string;
  status?: "error" | "";
};

/**
 * A civil day, typed in any usual notation or chosen from a calendar. What could be two days is spelled out as it was
 * read; what is no day is refused in words.
 */
export function DayField({ id, label, value, onChange, onEnter, placeholder, status }: DayFieldProps) {
  const known = useQuery(practiceOptions).data;
  practice.order = known?.dayOrder ?? practice.order;
  practice.today = known?.today ?? practice.today;
  practice.weekStart = known?.weekStart ?? practice.weekStart;
  const box = useRef<HTMLSpanElement>(null);
  // as it was typed, before the field writes it its own way
  const typed = useRef<string>(undefined);
  const [told, setTold] = useState<{ words: string; isRefused: boolean; of: string | null }>();
  const shown = told && (told.isRefused || told.of === value) ? told : undefined;
  /** Takes what stands in the field. @returns the day, as far as it is one */
  const take = (): string | null => {
    const shownText = box.current?.querySelector("input")?.value ?? "";
    const text = (typed.current ?? shownText).trim();
    typed.current = undefined;
    // as the field itself writes it, it is what it was
    if (text === "" || (value && text === day(value))) {
      if (text === "" && value) {
        onChange?.(null);
      }
      // words about an emptied field stay with what was refused, words about a doubtful day with that day
      setTold((before) => (before?.isRefused === (text === "") ? before : undefined));
      return text === "" ? null : (value ?? null);
    }
    const found = read(text);
    if ("refused" in found) {
      setTold({ words: found.refused, isRefused: true, of: null });
      onChange?.(null);
      return null;
    }
    const order = practice.order === "DAY_FIRST" ? "day before month" : "month before day";
    const spelled = dayjs(found.iso).format("D MMMM YYYY");
    setTold((before) =>
      found.isDoubtful
        ? { words: `Read as ${spelled}, ${order}.`, isRefused: false, of: found.iso }
        : // the field has written out what was just read
          before?.of === found.iso
          ? before
          : undefined,
    );
    if (found.iso !== value) {
      onChange?.(found.iso);
    }
    return found.iso;
  };
  return (
    <span
      ref={box}
      className="day-field"
      onChange={(event) => {
        typed.current = (event.target as HTMLInputElement).value;
      }}
    >
      <Picker
        id={id}
        aria-label={label}
        value={value ? dayjs(value) : null}
        format="D MMM YYYY"
        placeholder={placeholder ?? "day"}
        status={shown?.isRefused ? "error" : status}
        style={{ width: "100%" }}
        onBlur={take}
        onKeyDown={(event) => {
          // Enter takes the typed day; it must not send the form around it as well
          if (event.key === "Enter") {
            event.preventDefault();
            const taken = take();
            onEnter?.(taken);
          }
        }}
        onChange={(picked) => {
          const iso = picked ? picked.format("YYYY-MM-DD") : null;
          // the field itself takes what was typed as well
          setTold((before) => (before?.of === iso ? before : undefined));
          onChange?.(iso);
        }}
      />
      {shown && (
        <span className={shown.isRefused ? "day-told clay" : "day-told muted"} role="status">
          {shown.words}
        </span>
      )}
    </span>
  );
}
