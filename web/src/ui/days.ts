import dayjs from "dayjs";
import timezone from "dayjs/plugin/timezone";
import utc from "dayjs/plugin/utc";

dayjs.extend(utc);
dayjs.extend(timezone);

let zone: string | undefined;

/** From now on moments are told as the practice's clock shows them, wherever the browser is. @param name of IANA */
export function tellMomentsIn(name: string) {
  zone = name;
}

/** `2026-11-30` as `30 Nov 2026`. */
export function day(iso: string): string {
  return dayjs(iso).format("D MMM YYYY");
}

/** An instant as day and time where the practice is: `25 Nov 2026, 09:12`. */
export function moment(iso: string): string {
  return (zone ? dayjs(iso).tz(zone) : dayjs(iso)).format("D MMM YYYY, HH:mm");
}

/** The civil day of an instant where the practice is. */
export function dayOf(iso: string): string {
  return (zone ? dayjs(iso).tz(zone) : dayjs(iso)).format("YYYY-MM-DD");
}

/** The civil day so many days later; earlier when negative. */
export function addDays(iso: string, days: number): string {
  return dayjs(iso).add(days, "day").format("YYYY-MM-DD");
}

/** Whole days from one civil day to another; negative when it lies before. */
export function daysBetween(from: string, to: string): number {
  return dayjs(to).startOf("day").diff(dayjs(from).startOf("day"), "day");
}

/** How far a day lies from today, in words: `today`, `in 5 days`, `25 days ago`. */
export function distance(iso: string, today: string): string {
  const days = daysBetween(today, iso);
  if (days === 0) {
    return "today";
  }
  const count = Math.abs(days) === 1 ? "1 day" : `${Math.abs(days)} days`;
  return days > 0 ? `in ${count}` : `${count} ago`;
}

/** A number of bytes for people, in steps of 1,024: `1.4 MB`. */
export function bytes(size: number): string {
  if (size < 1_048_576) {
    return `${Math.max(1, Math.round(size / 1024))} kB`;
  }
  return `${Number((size / 1_048_576).toFixed(1))} MB`;
}
