package app.denfold.server.access.teams;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface TeamRepository extends CrudRepository<KeptTeam, String> {
    List<KeptTeam> findAllByOrderByName();

    /** In one statement, since two may meet a new team in the same instant. */
    @Modifying
    @Query(
            value = "insert into team (name, version, size) values (:name, 0, 'TEAM') on conflict (name) do nothing",
            nativeQuery = true)
    void meet(String name);
}
