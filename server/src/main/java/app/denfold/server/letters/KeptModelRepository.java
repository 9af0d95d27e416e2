package app.denfold.server.letters;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface KeptModelRepository extends CrudRepository<KeptModel, UUID> {

    List<KeptModel> findAllByOrderByNameAscIdAsc();

    boolean existsByNameAndIdNot(String name, UUID id);

    /** Nobody else changes it, or writes versions of it, until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select m from KeptModel m where m.id = :id")
    Optional<KeptModel> lock(UUID id);
}
