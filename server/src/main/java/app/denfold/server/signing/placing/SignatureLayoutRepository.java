package app.denfold.server.signing.placing;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface SignatureLayoutRepository extends CrudRepository<SignatureLayout, UUID> {

    Optional<SignatureLayout> findByDocumentTypeAndPages(String documentType, int pages);
}
