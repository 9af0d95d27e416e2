package app.denfold.core.people;

/** What somebody is to a person: as told in that person's file, and as told of the somebody. */
public enum RelationKind {
    GUARDIAN("guardian", "guardian of"),
    PARENT("parent", "parent of"),
    PARTNER("spouse or partner", "spouse or partner of"),
    SIBLING("sibling", "sibling of"),
    SAME_PERSON("the same person in another kind of file", "the same person as"),
    EMERGENCY_CONTACT("emergency contact", "emergency contact of"),
    SUPERVISOR("supervisor", "supervisor of"),
    PAYER("payer", "pays for"),
    PHYSICIAN("physician", "physician of"),
    REFERRER("referrer", "referred"),
    INSURER("insurer", "insures"),
    OTHER("other", "related to");

    private final String label;
    private final String reverse;

    RelationKind(String label, String reverse) {
        this.label = label;
        this.reverse = reverse;
    }

    /** Such as {@code guardian}: he is the guardian. */
    public String label() {
        return label;
    }

    /** Such as {@code guardian of}: whom he is the guardian of. */
    public String reverse() {
        return reverse;
    }
}
