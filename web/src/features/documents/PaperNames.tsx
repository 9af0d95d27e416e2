/** The papers a dialog is about; a long list scrolls by itself. */
export function PaperNames({ names }: { names: string[] }) {
  return names.length === 0 ? null : (
    <ul className="paper-names">
      {names.map((name) => (
        <li key={name}>{name}</li>
      ))}
    </ul>
  );
}
