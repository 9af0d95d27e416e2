package app.denfold.server.merging;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface PersonMergeRepository extends CrudRepository<PersonMerge, UUID> {

    List<PersonMerge> findByKeptIdAndUndoneAtIsNullOrderByAtDesc(UUID keptId);
}
