package app.denfold.server.leaving.mailing;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface CopyMailRepository extends CrudRepository<CopyMail, UUID> {

    Optional<CopyMail> findByNoticeId(UUID noticeId);

    /** Those with which copies of papers of a file went, the last sent first. */
    @Query("""
            select m from CopyMail m where m.id in
              (select c.mailId from LeavingPaper c join FiledDocument d on d.id = c.documentId where d.fileId = :file)
            order by m.at desc
            """)
    List<CopyMail> findOfFile(UUID file);

    /** Held until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from CopyMail m where m.id = :id")
    Optional<CopyMail> lock(UUID id);
}
