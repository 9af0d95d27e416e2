package app.denfold.server.letters.writing;

import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface LetterBatchRepository extends CrudRepository<LetterBatch, UUID> {}
