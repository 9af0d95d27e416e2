package app.denfold.server.chasing;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.CrudRepository;

interface NoticeRepository extends CrudRepository<Notice, UUID> {

    List<Notice> findByFileIdOrderByQueuedAtDesc(UUID fileId, Limit limit);

    List<Notice> findAllByOrderByQueuedAtDesc(Limit limit);

    Optional<Notice> findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(
            UUID fileId, String purpose, LocalDate day);
}
