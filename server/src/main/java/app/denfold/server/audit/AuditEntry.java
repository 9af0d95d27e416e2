package app.denfold.server.audit;

import app.denfold.server.access.Actor;
import jakarta.annotation.Nullable;
import java.util.Collection;
import java.util.List;
import java.util.UUID;

/**
 * Something that happened.
 *
 * @param action a fixed word such as {@code filed} or {@code looked}, for filtering
 * @param fileId of the file it concerns; null when none
 * @param documentId of the document it concerns; null when none
 * @param types codes of the document types that are told of; null for those the document is of when this is recorded
 * @param sentence what was done, without its subject: {@code filed “Contract, 2026-02-01”}
 */
public record AuditEntry(
        Actor who,
        String action,
        @Nullable UUID fileId,
        @Nullable UUID documentId,
        @Nullable List<String> types,
        String sentence) {

    /** Rows of the trail stay for good, so nobody can make them long. */
    private static final int LONGEST = 4_000;

    /** Instead of the code of a type: what is told of has none yet and may turn out to be of any. */
    static final String UNKNOWN_TYPE = "?";

    public AuditEntry {
        sentence = sentence.length() <= LONGEST ? sentence : sentence.substring(0, LONGEST - 1) + "…";
        sentence = sentence.replace("\u0000", "");
        types = types == null ? null : List.copyOf(types);
    }

    public AuditEntry(Actor who, String action, @Nullable UUID fileId, @Nullable UUID documentId, String sentence) {
        this(who, action, fileId, documentId, documentId == null ? List.of() : null, sentence);
    }

    public static AuditEntry ofFile(Actor who, String action, @Nullable UUID fileId, String sentence) {
        return new AuditEntry(who, action, fileId, null, sentence);
    }

    public static AuditEntry general(Actor who, String action, String sentence) {
        return new AuditEntry(who, action, null, null, sentence);
    }

    /** The same, telling of a paper that waits; without any type it is for those who may see all types, and for its doer. */
    public AuditEntry aboutWaiting(Collection<String> codes) {
        return about(codes.isEmpty() ? List.of(UNKNOWN_TYPE) : codes);
    }

    /** The same, telling of papers of these types: whoever may know nothing of them does not see it. */
    public AuditEntry about(Collection<String> codes) {
        return new AuditEntry(
                who, action, fileId, documentId, codes.stream().sorted().toList(), sentence);
    }
}
