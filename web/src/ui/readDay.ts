/** Which of the two numbers of 3/4/2026 is the day. */
export type DayOrder = "DAY_FIRST" | "MONTH_FIRST";

/** A typed day, as it was understood or why it was not. */
export type DayRead =
  /** @property isDoubtful it could be another day as well, in the other order */
  { iso: string; isDoubtful: boolean } | { refused: string };

const MONTHS: [string, number][] = (
  [
    ["january januar jänner", 1],
    ["february februar feber", 2],
    ["march märz maerz", 3],
    ["april", 4],
    ["may mai", 5],
    ["june juni", 6],
    ["july juli", 7],
    ["august", 8],
    ["september", 9],
    ["october oktober", 10],
    ["november", 11],
    ["december dezember", 12],
  ] as [string, number][]
).flatMap(([names, month]) => names.split(" ").map((name): [string, number] => [name, month]));

const SHORTEST = 3;

function monthNamed(word: string): number | undefined {
  const typed = word.toLowerCase();
  return typed.length < SHORTEST ? undefined : MONTHS.find(([name]) => name.startsWith(typed))?.[1];
}

/** Years of two digits lie within the next twenty years or before them. */
function wholeYear(digits: string, today: string): number {
  const year = Number(digits);
  if (digits.length !== 2) {
    return year;
  }
  const now = Number(today.slice(0, 4));
  const century = Math.floor(now / 100) * 100;
  return year <= (now % 100) + 20 ? century + year : century - 100 + year;
}

const MONTH_WORDS = MONTHS.filter(([, m], i, all) => all.findIndex(([, n]) => n === m) === i).map(([name]) =>
  name.replace(/^./, (c) => c.toUpperCase()),
);

function built(year: number, month: number, day: number, isDoubtful = false): DayRead {
  if (month < 1 || month > 12) {
    return { refused: `There is no month ${month}.` };
  }
  const date = new Date(Date.UTC(year, month - 1, day));
  date.setUTCFullYear(year);
  if (day < 1 || date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day) {
    return { refused: `There is no ${day} ${MONTH_WORDS[month - 1]} ${year}.` };
  }
  return { iso: date.toISOString().slice(0, 10), isDoubtful };
}

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/;
const DIGITS = /^(\d{4})(\d{2})(\d{2})$/;
const NUMBERS = /^(\d{1,2})\s*([-/.])\s*(\d{1,2})\s*\2\s*(\d{4}|\d{2})$/;
const DAY_THEN_NAME = /^(\d{1,2})(?:st|nd|rd|th|\.)?[-\s/]*([\p{L}]+)\.?,?[-\s/']*(\d{4}|\d{2})$/u;
const NAME_THEN_DAY = /^([\p{L}]+)\.?\s*(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4}|\d{2})$/u;
const WEEKDAY = /^\p{L}+day,?\s+/iu;

function ofNumbers(a: number, b: number, year: number, sign: string, order: DayOrder): DayRead {
  // with points the day comes first wherever days are written so
  const isDayFirst = order === "DAY_FIRST" || sign === ".";
  const isDoubtful = a <= 12 && b <= 12 && a !== b && (sign !== "." || order === "MONTH_FIRST");
  const [day, month] = isDayFirst ? [a, b] : [b, a];
  // 11/15/2025 can be meant in one order only
  return month > 12 && day <= 12 ? built(year, day, month) : built(year, month, day, isDoubtful);
}

/**
 * Reads a civil day in the usual notations: ISO 8601, numbers with points, slashes or hyphens, months by their English
 * or German names or the beginnings of these, years of two or four digits.
 *
 * @param order how two numbers are meant of which either could be the day
 * @param today the day to which years of two digits are near, as an ISO date
 */
export function readDay(typed: string, order: DayOrder, today: string): DayRead {
  const text = typed
    .trim()
    .replace(WEEKDAY, "")
    .replace(/\s+of\s+/i, " ")
    .replace(/\s+/g, " ");
  const iso = YEAR_FIRST.exec(text) ?? DIGITS.exec(text);
  if (iso) {
    return built(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  }
  const numbers = NUMBERS.exec(text);
  if (numbers) {
    const [, a, sign = "", b, year = ""] = numbers;
    return ofNumbers(Number(a), Number(b), wholeYear(year, today), sign, order);
  }
  const named = DAY_THEN_NAME.exec(text);
  const turned = NAME_THEN_DAY.exec(text);
  const [day, name = "", year = ""] = named
    ? [named[1], named[2], named[3]]
    : turned
      ? [turned[2], turned[1], turned[3]]
      : [];
  const month = monthNamed(name);
  if (month !== undefined) {
    return built(wholeYear(year, today), month, Number(day));
  }
  return { refused: `“${typed.trim()}” is no day. Type it like 15 Nov ${today.slice(0, 4)}.` };
}
