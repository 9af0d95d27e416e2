package app.denfold.server.letters;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface KeptModelRepository extends CrudRepository<KeptModel, UUID> {

    List<KeptModel> findAllByOrderByNameAscIdAsc();

    boolean existsByNameAndIdNot(String name, UUID id);
}
