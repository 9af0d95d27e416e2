package app.denfold.server.letters;

import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface KeptImageRepository extends CrudRepository<KeptImage, UUID> {

    boolean existsBySha256(String sha256);
}
