import { DatePicker } from "antd";
import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat";

dayjs.extend(customParseFormat);

const FORMATS = ["D MMM YYYY", "YYYY-MM-DD", "D.M.YYYY", "D/M/YYYY", "D MMMM YYYY"];

type DayFieldProps = {
  id?: string;
  /** Its name for who does not see what stands beside it. */
  label?: string;
  value?: string | null;
  onChange?: (iso: string | null) => void;
  placeholder?: string;
  status?: "error" | "";
};

/** A civil day; several notations may be typed. */
export function DayField({ id, label, value, onChange, placeholder, status }: DayFieldProps) {
  return (
    <DatePicker
      id={id}
      aria-label={label}
      value={value ? dayjs(value) : null}
      format={FORMATS}
      placeholder={placeholder ?? "day"}
      status={status}
      style={{ width: "100%" }}
      onKeyDown={(event) => {
        // Enter takes the typed day; it must not send the form around it as well
        if (event.key === "Enter") {
          event.preventDefault();
        }
      }}
      onChange={(picked) => onChange?.(picked ? picked.format("YYYY-MM-DD") : null)}
    />
  );
}
