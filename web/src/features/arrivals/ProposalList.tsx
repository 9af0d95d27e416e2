/** Something that can be taken by a click or a digit. */
export type Offer = {
  key: string;
  label: string;
  detail?: string;
  reason: string;
  confidence: number;
};

type ProposalListProps = {
  offers: Offer[];
  value?: string | null;
  /** The digit of the first one. */
  firstDigit: number;
  onTake: (key: string) => void;
  name: string;
};

/** How sure, in a word. */
export function sureness(confidence: number): string {
  return confidence >= 0.9
    ? "sure"
    : confidence >= 0.7
      ? "likely"
      : confidence >= 0.4
        ? "perhaps"
        : "a guess";
}

/** What is proposed and why; the taken one is marked. */
export function ProposalList({ offers, value, firstDigit, onTake, name }: ProposalListProps) {
  if (offers.length === 0) {
    return null;
  }
  const [only] = offers;
  if (offers.length === 1 && only && only.key === value) {
    // it stands in the field above; only why is left to say
    return (
      <div className="why muted">
        {sureness(only.confidence)}: {only.reason}
      </div>
    );
  }
  return (
    <fieldset className="proposals" aria-label={name}>
      {offers.map((offer, i) => (
        <button
          key={offer.key}
          type="button"
          className="proposal"
          aria-pressed={offer.key === value}
          onClick={() => onTake(offer.key)}
        >
          <kbd>{(firstDigit + i) % 10}</kbd>
          <span className="proposal-words">
            <span>
              <strong>{offer.label}</strong> {offer.detail && <span className="muted">{offer.detail}</span>}
            </span>
            <span className="muted small">
              {sureness(offer.confidence)}: {offer.reason}
            </span>
          </span>
        </button>
      ))}
    </fieldset>
  );
}
