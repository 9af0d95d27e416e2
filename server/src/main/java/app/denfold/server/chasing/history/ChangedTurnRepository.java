package app.denfold.server.chasing.history;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface ChangedTurnRepository extends JpaRepository<ChangedTurn, UUID> {

    @Query("select c from ChangedTurn c where c.turn.fileId in :files")
    List<ChangedTurn> findOfFiles(Collection<UUID> files);
}
