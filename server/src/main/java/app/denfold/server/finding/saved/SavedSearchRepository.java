package app.denfold.server.finding.saved;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SavedSearchRepository extends CrudRepository<SavedSearch, UUID> {

    @Query("select s from SavedSearch s where s.ownerId = :account or s.shared = true order by lower(s.name), s.id")
    List<SavedSearch> findFor(UUID account);

    Optional<SavedSearch> findByOwnerIdAndNameIgnoreCase(UUID ownerId, String name);
}
