package app.denfold.server.letters.many;

import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface LetterBatchRepository extends CrudRepository<LetterBatch, UUID> {}
