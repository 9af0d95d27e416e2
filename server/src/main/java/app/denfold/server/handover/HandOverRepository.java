package app.denfold.server.handover;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface HandOverRepository extends CrudRepository<HandOver, UUID> {

    @Query("select h from HandOver h where h.documentId = :documentId order by h.id desc")
    List<HandOver> findByDocumentId(UUID documentId);

    List<HandOver> findByDocumentIdIn(Collection<UUID> documentIds);

    @Query("select h from HandOver h where h.documentId = :documentId"
            + " and h.state = app.denfold.server.handover.HandOver.State.OPEN")
    Optional<HandOver> findOpen(UUID documentId);

    /** What lies with any of these accounts, the most urgent first. */
    @Query("select h from HandOver h where h.holderId in :accounts"
            + " and h.state = app.denfold.server.handover.HandOver.State.OPEN order by h.due nulls last, h.id")
    List<HandOver> findLyingWith(Collection<UUID> accounts);
}
