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
}
