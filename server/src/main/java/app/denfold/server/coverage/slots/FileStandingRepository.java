package app.denfold.server.coverage.slots;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface FileStandingRepository extends CrudRepository<FileStandingRow, UUID> {

    /** Some files whose slots were computed by rules older than the revision. */
    @Query(value = """
                    select file_id from file_standing where rules_revision < :revision
                    order by rules_revision, file_id limit :most
                    """, nativeQuery = true)
    List<UUID> findOutdated(long revision, int most);

    @Modifying
    @Query("delete from FileStandingRow s where s.fileId = :file")
    void deleteOfFile(UUID file);

    @Query("select count(s) from FileStandingRow s where s.rulesRevision < :revision")
    int countOutdated(long revision);
}
