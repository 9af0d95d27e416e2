package app.denfold.server.relations;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RelationRepository extends JpaRepository<Relation, UUID> {

    @Query("select r from Relation r where r.fileId = :file or r.otherFileId = :file order by r.addedAt, r.id")
    List<Relation> findOfFile(UUID file);

    List<Relation> findByOutsiderIdOrderByAddedAt(UUID outsider);

    List<Relation> findByFileIdInOrderByAddedAtAscIdAsc(Collection<UUID> files);
}
