package app.denfold.server.people;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PersonKindRepository extends CrudRepository<PersonKind, String> {

    List<PersonKind> findAllByOrderByOrdinal();

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select k from PersonKind k where k.code = :code")
    Optional<PersonKind> lock(String code);
}
