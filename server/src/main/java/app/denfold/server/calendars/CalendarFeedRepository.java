package app.denfold.server.calendars;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.ListCrudRepository;

interface CalendarFeedRepository extends ListCrudRepository<CalendarFeed, UUID> {

    List<CalendarFeed> findByAccountIdAndEndedAtIsNullOrderByAt(UUID account);

    Optional<CalendarFeed> findBySecretHashAndEndedAtIsNull(String hash);

    long countByAccountIdAndEndedAtIsNull(UUID account);
}
