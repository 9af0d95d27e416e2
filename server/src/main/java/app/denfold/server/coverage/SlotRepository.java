package app.denfold.server.coverage;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SlotRepository extends CrudRepository<Slot, SlotKey> {

    @Query("select s from Slot s where s.key.fileId = :fileId order by s.place")
    List<Slot> findByFile(UUID fileId);

    @Query("select s from Slot s where s.key.fileId in :fileIds order by s.place")
    List<Slot> findByFiles(Collection<UUID> fileIds);

    @Query("select distinct s.key.fileId from Slot s where s.nextChangeOn <= :day and s.computedFor < :day")
    List<UUID> findFilesChangingBy(LocalDate day);
}
