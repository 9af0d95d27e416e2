import "./practice.css";

/** The practice's mark; nothing when it has none. @param mark of {@link practiceOptions} */
export function PracticeMark({ mark }: { mark?: string | null }) {
  return mark ? <img className="practice-mark" src={`/api/practice/mark?v=${mark}`} alt="" /> : null;
}
