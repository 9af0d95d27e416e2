package app.denfold.server.audit;

import app.denfold.server.access.Actor;
import java.util.UUID;

/**
 * Something that happened.
 *
 * @param action a fixed word such as {@code filed} or {@code looked}, for filtering
 * @param fileId of the file it concerns; null when none
 * @param documentId of the document it concerns; null when none
 * @param sentence what was done, without its subject: {@code filed “Contract, 2026-02-01”}
 */
public record AuditEntry(Actor who, String action, UUID fileId, UUID documentId, String sentence) {

    public static AuditEntry ofFile(Actor who, String action, UUID fileId, String sentence) {
        return new AuditEntry(who, action, fileId, null, sentence);
    }

    public static AuditEntry general(Actor who, String action, String sentence) {
        return new AuditEntry(who, action, null, null, sentence);
    }
}
