package app.denfold.server.documents.guarding;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface DocumentHoldRepository extends Repository<DocumentHold, UUID> {

    Optional<DocumentHold> findByDocumentIdAndLastAtAfter(UUID documentId, Instant idle);

    /** On documents of the files, but those in the wastebasket. */
    @Query("""
            select h from DocumentHold h join FiledDocument d on d.id = h.documentId
            where d.fileId in :files and h.lastAt > :idle
            """)
    List<DocumentHold> findInFiles(List<UUID> files, Instant idle);

    /**
     * One statement, since two may reach for the same document at one moment.
     *
     * @param idle who was last heard of by then holds it no more
     * @return 0 when somebody else holds it
     */
    @Modifying
    @Query(value = """
            insert into document_hold as h (document_id, account_id, by_name, since, last_at)
            values (:document, :account, :by, :now, :now)
            on conflict (document_id) do update set account_id = excluded.account_id, by_name = excluded.by_name,
              last_at = excluded.last_at,
              since = case when h.account_id = excluded.account_id and h.last_at > :idle then h.since
                           else excluded.since end
            where h.account_id = excluded.account_id or h.last_at <= :idle
            """, nativeQuery = true)
    int hold(UUID document, UUID account, String by, Instant now, Instant idle);

    @Modifying
    @Query("delete from DocumentHold h where h.documentId = :document and h.accountId = :account")
    void deleteOwn(UUID document, UUID account);

    @Modifying
    @Query("delete from DocumentHold h where h.documentId = :document")
    void deleteAny(UUID document);
}
