package app.denfold.server.letters.writing;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface DraftLetterRepository extends JpaRepository<DraftLetter, UUID> {

    @Query("from DraftLetter l where l.filedAt is null order by l.changedAt desc, l.id")
    List<DraftLetter> findOpen(Limit most);

    @Query("from DraftLetter l where l.filedAt is not null order by l.filedAt desc, l.id")
    List<DraftLetter> findFiled(Limit most);

    List<DraftLetter> findByBatchIdOrderById(UUID batchId);

    List<DraftLetter> findByFileIdOrderByChangedAtDesc(UUID fileId);

    /** Keeps how it was laid out, which is no change of it. */
    @Modifying(clearAutomatically = true)
    @Query("update DraftLetter l set l.previewSha256 = :sha256, l.previewOf = :of where l.id = :id")
    void show(UUID id, String sha256, String of);

    @Query("select distinct l.previewSha256 from DraftLetter l where l.fileId = :file and l.previewSha256 is not null")
    List<String> findPreviewsOf(UUID file);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("delete from DraftLetter l where l.fileId = :file")
    void deleteOf(UUID file);

    boolean existsByPreviewSha256(String sha256);

    /** Of two who file it at once, the second waits and finds it filed. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("from DraftLetter l where l.id = :id")
    Optional<DraftLetter> findToFile(UUID id);
}
