package app.denfold.server.signing.requests;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

/** Questions of signers. */
public interface SignatureQuestionRepository extends CrudRepository<SignatureQuestion, UUID> {

    List<SignatureQuestion> findByRequestIdInOrderByAskedAt(Collection<UUID> requests);

    void deleteByRequestId(UUID requestId);
}
