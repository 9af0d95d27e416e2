type Colleague = { id: string; name: string };

/** The colleagues whose names stand behind an @ in the text; of names that begin alike the longest counts. */
export function mentionedIn(text: string, colleagues: Colleague[]): string[] {
  const longestFirst = [...colleagues].sort((a, b) => b.name.length - a.name.length);
  let rest = text;
  const ids: string[] = [];
  for (const { id, name } of longestFirst) {
    if (rest.includes(`@${name}`)) {
      ids.push(id);
      rest = rest.replaceAll(`@${name}`, "");
    }
  }
  return ids;
}
