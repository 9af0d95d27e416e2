package app.denfold.server.coverage;

import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface FileStandingRepository extends CrudRepository<FileStandingRow, UUID> {}
