package app.denfold.server.access.accounts;

import app.denfold.server.access.Role;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface AccountRepository extends CrudRepository<Account, UUID> {

    Optional<Account> findByEmail(String email);

    List<Account> findByRoleNotAndClosedFalseAndPausedFalseOrderByName(Role role);

    List<Account> findByRoleNotOrderByName(Role role);

    List<Account> findByIdIn(Collection<UUID> ids);

    List<Account> findByNameIn(Collection<String> names);
}
