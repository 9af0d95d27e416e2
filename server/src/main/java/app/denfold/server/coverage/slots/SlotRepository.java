package app.denfold.server.coverage.slots;

import app.denfold.server.coverage.SlotKey;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SlotRepository extends CrudRepository<Slot, SlotKey> {

    @Query("select s from Slot s where s.key.fileId in :fileIds order by s.place")
    List<Slot> findByFiles(Collection<UUID> fileIds);

    @Query(value = """
                    select distinct file_id from (select file_id from slot where next_change_on <= :day limit :most) due
                    """, nativeQuery = true)
    List<UUID> findFilesChangingBy(LocalDate day, int most);

    @Modifying
    @Query("delete from Slot s where s.key.fileId = :file")
    void deleteOfFile(UUID file);

    @Query("select s from Slot s where s.key.fileId in :fileIds and s.nextChangeOn <= :day")
    List<Slot> findChangingBy(Collection<UUID> fileIds, LocalDate day);

    String AS_AHEAD = """
            select new app.denfold.server.coverage.slots.SlotsAhead$Row(s.key.fileId, s.key.checklist, s.key.requirement,
            s.blocking, s.status, s.since, s.coveredThrough, s.due, s.renewal, s.course) from Slot s
            """;

    /** What wants something now, and what will by then; each condition has an index. */
    @Query(AS_AHEAD + """
            where s.status in (app.denfold.core.rules.Status.EXPIRING, app.denfold.core.rules.Status.IN_GRACE,
              app.denfold.core.rules.Status.LAPSED, app.denfold.core.rules.Status.MISSING,
              app.denfold.core.rules.Status.SENT_BACK, app.denfold.core.rules.Status.IN_REVIEW,
              app.denfold.core.rules.Status.AWAITING_SIGNATURE)
            or (s.status = app.denfold.core.rules.Status.NOT_YET_DUE and s.due <= :by)
            or (s.status = app.denfold.core.rules.Status.ON_FILE and s.fallsOn <= :by)
            order by s.key.fileId, s.place
            """)
    List<SlotsAhead.Row> findWantingBy(LocalDate by);

    @Query(AS_AHEAD + "where s.key.fileId in :fileIds order by s.key.fileId, s.place")
    List<SlotsAhead.Row> findAhead(Collection<UUID> fileIds);
}
