package app.denfold.server.documents.guarding;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface ConfirmedSectionRepository extends CrudRepository<ConfirmedSection, ConfirmedSection.Key> {

    List<ConfirmedSection> findByKeyFileId(UUID fileId);

    /** Two administrators may confirm the same at one moment. @return 0 when it is confirmed already */
    @Modifying
    @Query(value = """
            insert into confirmed_section (file_id, section, by_name, confirmed_on)
            values (:file, :section, :by, :on) on conflict do nothing
            """, nativeQuery = true)
    int insertUnlessThere(UUID file, String section, String by, LocalDate on);

    @Modifying
    @Query("delete from ConfirmedSection s where s.key.fileId = :file and s.key.section = :section")
    int deleteOne(UUID file, String section);
}
