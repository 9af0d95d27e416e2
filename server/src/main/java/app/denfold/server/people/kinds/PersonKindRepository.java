package app.denfold.server.people.kinds;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface PersonKindRepository extends JpaRepository<PersonKind, String> {

    List<PersonKind> findAllByOrderByOrdinal();

    @Query(value = """
                    select count(*) from fact a join person_file f on f.id = a.file_id
                    where f.kind = :kind and a.name = :name and (:value = '' or a.value = :value)
                    """, nativeQuery = true)
    long countValues(String kind, String name, String value);

    @Query(value = "select count(*) from person_file where kind = :kind", nativeQuery = true)
    long countFiles(String kind);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select k from PersonKind k where k.code = :code")
    Optional<PersonKind> lock(String code);
}
