package app.denfold.server.excerpts;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.annotation.Nullable;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Excerpts of the papers of a file. They go where their papers go. */
@Service
class Excerpts {

    private static final int LONGEST = 4_000;
    private static final int LONGEST_NOTE = 200;

    private final JdbcTemplate sql;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Excerpts(
            JdbcTemplate sql,
            Documents documents,
            Contents contents,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.sql = sql;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * @param paper name of the paper it stands on
     * @param version from 1
     * @param page from 1; 0 for a paper without pages
     * @param mayRemove whether the viewer picked it or is an administrator
     */
    public record ExcerptAnswer(
            UUID id,
            UUID documentId,
            String paper,
            LocalDate documentDate,
            int version,
            int page,
            String words,
            @Nullable String note,
            String by,
            Instant at,
            boolean mayRemove) {}

    /** Of all papers of the file that the viewer may see, the last picked first. */
    @Transactional(readOnly = true)
    public List<ExcerptAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        Map<UUID, FiledDocument> visible = new HashMap<>();
        List<UUID> ids = sql.queryForList(
                "select distinct e.document_id from excerpt e join document d on d.id = e.document_id"
                        + " where d.file_id = ? and d.discarded_at is null",
                UUID.class,
                fileId);
        documents.visible(viewer, ids).forEach(d -> visible.put(d.id(), d));
        return sql
                .query(
                        "select e.* from excerpt e join document d on d.id = e.document_id where d.file_id = ?"
                                + " and d.discarded_at is null order by e.at desc, e.id",
                        (row, i) -> {
                            FiledDocument document = visible.get(row.getObject("document_id", UUID.class));
                            return document == null
                                    ? null
                                    : new ExcerptAnswer(
                                            row.getObject("id", UUID.class),
                                            document.id(),
                                            document.name(),
                                            document.documentDate(),
                                            row.getInt("version"),
                                            row.getInt("page"),
                                            row.getString("words"),
                                            row.getString("note"),
                                            row.getString("by_name"),
                                            row.getTimestamp("at").toInstant(),
                                            viewer.isAdministrator()
                                                    || row.getObject("by_id", UUID.class)
                                                            .equals(viewer.accountId()));
                        },
                        fileId)
                .stream()
                .filter(java.util.Objects::nonNull)
                .toList();
    }

    /** @throws Refusal when there is no such version or page, or nothing or too much was picked */
    @Transactional
    public UUID keep(Viewer viewer, UUID documentId, int version, int page, String words, @Nullable String note) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        List<DocumentVersion> versions = document.versions();
        if (version < 1 || version > versions.size()) {
            throw Refusal.notFound("version");
        }
        int pages = contents.content(versions.get(version - 1).sha256()).pages();
        if (page < Math.min(1, pages) || page > pages) {
            throw Refusal.notFound("page");
        }
        String picked = words == null ? "" : words.strip();
        if (picked.isEmpty() || picked.length() > LONGEST) {
            throw Refusal.invalid("words", "An excerpt has from 1 to " + LONGEST + " letters.");
        }
        if (note != null && note.length() > LONGEST_NOTE) {
            throw Refusal.invalid("note", "The note has up to " + LONGEST_NOTE + " letters.");
        }
        UUID id = UuidCreator.getTimeOrderedEpoch();
        sql.update(
                "insert into excerpt (id, document_id, version, page, words, note, by_id, by_name, at)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?, ?)",
                id,
                documentId,
                version,
                page,
                picked,
                note == null || note.isBlank() ? null : note.strip(),
                viewer.accountId(),
                viewer.name(),
                Timestamp.from(calendar.now()));
        trail.record(new AuditEntry(
                viewer.actor(),
                "excerpt-kept",
                document.fileId(),
                documentId,
                "kept an excerpt of “" + document.name() + "”, page " + page));
        return id;
    }

    /** @throws Refusal when the viewer neither picked it nor is an administrator */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        List<UUID[]> found = sql.query(
                "select document_id, by_id from excerpt where id = ?",
                (row, i) -> new UUID[] {row.getObject(1, UUID.class), row.getObject(2, UUID.class)},
                id);
        if (found.isEmpty()) {
            throw Refusal.notFound("excerpt");
        }
        FiledDocument document = documents.visible(viewer, found.get(0)[0]);
        viewer.requireChange();
        if (!viewer.isAdministrator() && !found.get(0)[1].equals(viewer.accountId())) {
            throw Refusal.forbidden("Only who picked an excerpt, or an administrator, removes it.");
        }
        sql.update("delete from excerpt where id = ?", id);
        trail.record(new AuditEntry(
                viewer.actor(),
                "excerpt-removed",
                document.fileId(),
                document.id(),
                "removed an excerpt of “" + document.name() + "”"));
    }
}
