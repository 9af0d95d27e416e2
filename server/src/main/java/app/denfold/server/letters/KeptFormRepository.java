package app.denfold.server.letters;

import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface KeptFormRepository extends CrudRepository<KeptForm, UUID> {

    boolean existsBySha256(String sha256);
}
