package app.denfold.server.access.accounts;

import app.denfold.server.access.Role;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface AccountRepository extends CrudRepository<Account, UUID> {

    Optional<Account> findByEmail(String email);

    List<Account> findByEmailIn(Collection<String> emails);

    List<Account> findByRoleInAndClosedFalseAndPausedFalseOrderByName(Collection<Role> roles);

    List<Account> findByRoleInOrderByName(Collection<Role> roles);

    List<Account> findByDeputyAndClosedFalse(UUID deputy);

    List<Account> findByOwnFileAndClosedFalseAndPausedFalse(UUID file);

    @Query("select a.name from Account a where a.closed = false"
            + " and (a.team = :team or array_contains(a.leads, :team)) order by a.name")
    List<String> findNamesOfTeam(String team);

    List<Account> findByIdIn(Collection<UUID> ids);

    List<Account> findByNameIn(Collection<String> names);
}
