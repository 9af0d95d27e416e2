package app.denfold.server.chasing.answers;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.ListCrudRepository;

interface MailAnswerRepository extends ListCrudRepository<MailAnswer, UUID> {

    boolean existsByOriginAndFileId(String origin, UUID fileId);

    List<MailAnswer> findByFileIdOrderByAtDesc(UUID fileId);

    List<MailAnswer> findBySeenAtIsNullOrderByAt(Limit limit);
}
