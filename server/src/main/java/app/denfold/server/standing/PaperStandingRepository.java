package app.denfold.server.standing;

import app.denfold.core.receiving.PaperStanding.Side;
import app.denfold.server.people.PersonFile;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PaperStandingRepository extends JpaRepository<PaperStandingRow, UUID> {

    /** A paper that waits, with its row. @param version number of its newest one */
    record Waiting(PaperStandingRow row, UUID fileId, String paper, String type, int version, PersonFile person) {}

    /**
     * Papers that wait and that somebody may see, the longest waiting first.
     *
     * @param sides for whom
     * @param toCheck only those that a second person has still to check; their side does not matter then
     * @param type only of this type; null for all
     */
    @Query("""
            select new app.denfold.server.standing.PaperStandingRepository$Waiting(s, d.fileId, d.name, d.type, size(d.versions), f)
            from PaperStandingRow s join FiledDocument d on d.id = s.documentId join PersonFile f on f.id = d.fileId
            where ((:toCheck = true and s.wantsCheck = true) or (:toCheck = false and s.waitsFor in :sides))
            and (:type is null or d.type = :type or array_contains(d.furtherTypes, :type))
            and not array_contains(:hidden, d.type) and not array_overlaps(d.furtherTypes, :hidden)
            and d.enteredInErrorOn is null and (:everybody = true or f.team in :teams or f.id in :people)
            order by s.since, d.id
            """)
    List<Waiting> findWaiting(
            Collection<Side> sides,
            boolean toCheck,
            @Nullable String type,
            String[] hidden,
            boolean everybody,
            Collection<String> teams,
            Collection<UUID> people,
            Limit most);

    /** Row: side, how many. */
    @Query("""
            select s.waitsFor, count(s), sum(case when s.wantsCheck = true then 1 else 0 end)
            from PaperStandingRow s join FiledDocument d on d.id = s.documentId join PersonFile f on f.id = d.fileId
            where (s.waitsFor is not null or s.wantsCheck = true)
            and (:type is null or d.type = :type or array_contains(d.furtherTypes, :type))
            and not array_contains(:hidden, d.type) and not array_overlaps(d.furtherTypes, :hidden)
            and d.enteredInErrorOn is null and (:everybody = true or f.team in :teams or f.id in :people)
            group by s.waitsFor
            """)
    List<Object[]> count(
            @Nullable String type,
            String[] hidden,
            boolean everybody,
            Collection<String> teams,
            Collection<UUID> people);

    /** Papers of which it is not known how they stand by the present rules. */
    @Query("""
            select d.id from FiledDocument d left join PaperStandingRow s on s.documentId = d.id
            where d.enteredInErrorOn is null and (s.documentId is null or s.outdated = true) order by d.id
            """)
    List<UUID> findOutdated(Limit most);

    @Query("""
            select count(d) from FiledDocument d left join PaperStandingRow s on s.documentId = d.id
            where d.enteredInErrorOn is null and (s.documentId is null or s.outdated = true)
            """)
    int countOutdated();

    @Modifying
    @Query("update PaperStandingRow s set s.outdated = true")
    void outdateAll();

    /** Those that a passing day can change: what waits. */
    @Modifying
    @Query("update PaperStandingRow s set s.outdated = true where s.waitsFor is not null")
    void outdateWaiting();

    /**
     * Makes rows for those of these papers that have none, to be worked out. Of two who do so at once the second waits and
     * finds them made, which no statement of Hibernate says.
     */
    @Modifying
    @Query(value = """
            insert into paper_standing
              (document_id, stage, names, since, sent, receivers, checked, wants_check, outdated)
            select id, 'FILED', '[]', received_on, 0, 0, false, false, true from document
            where id in (:papers) and entered_in_error_on is null
            order by id
            on conflict (document_id) do nothing
            """, nativeQuery = true)
    void insertMissing(Collection<UUID> papers);

    /** Papers of these files that must be received by somebody, or checked. */
    @Query("""
            select d.id from FiledDocument d where d.fileId in :files
            and (array_contains(:types, d.type) or array_overlaps(d.furtherTypes, :types))
            """)
    List<UUID> findOfFiles(Collection<UUID> files, String[] types);
}
