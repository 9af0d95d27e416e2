package app.denfold.server.documents;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface FiledDocumentRepository extends JpaRepository<FiledDocument, UUID> {

    @Query(
            "select distinct d from FiledDocument d left join fetch d.versions where d.fileId = :fileId order by d.documentDate desc, d.id")
    List<FiledDocument> findWithVersions(UUID fileId);

    @Query("select distinct d from FiledDocument d left join fetch d.versions where d.id in :ids")
    List<FiledDocument> findByIdIn(Collection<UUID> ids);

    @Query("""
            select d.fileId, d.id, d.type, d.documentDate, d.effectiveDate, d.statedExpiry, d.receivedOn, d.acceptedOn,
            d.sentBackOn, d.enteredInErrorOn, d.furtherTypes, d.currentSince, d.superseded from FiledDocument d
            where d.fileId in :fileIds and d.awaited = false order by d.documentDate desc, d.id
            """)
    List<Object[]> findForRules(Collection<UUID> fileIds);

    @Query("""
            select d.id, s.role, s.signedOn from FiledDocument d join d.signatures s where d.fileId in :fileIds
            order by d.id, index(s)
            """)
    List<Object[]> findSignatures(Collection<UUID> fileIds);

    /**
     * Papers that wait for review with an account or with nobody in particular, the longest waiting first.
     *
     * @param types those of which papers wait with the account unless one was given to somebody else
     * @param reviewed all that ask for review
     */
    @Query("""
            select d from FiledDocument d join PersonFile f on f.id = d.fileId
            where ((d.reviewer is null and (array_contains(:types, d.type) or array_overlaps(d.furtherTypes, :types)))
              or (d.reviewer in :accounts
                and (array_contains(:reviewed, d.type) or array_overlaps(d.furtherTypes, :reviewed))))
            and not array_contains(:hidden, d.type) and not array_overlaps(d.furtherTypes, :hidden)
            and d.enteredInErrorOn is null and d.acceptedOn is null and d.sentBackOn is null and d.awaited = false
            and (:everybody = true or f.team in :teams or f.id in :people) order by d.receivedOn, d.id
            """)
    List<FiledDocument> findToReview(
            String[] types,
            String[] reviewed,
            Collection<UUID> accounts,
            String[] hidden,
            boolean everybody,
            Collection<String> teams,
            Collection<UUID> people,
            Limit most);

    /** Awaited papers of a type, the longest awaited first. */
    List<FiledDocument> findByFileIdAndTypeAndAwaitedTrueAndEnteredInErrorOnIsNullOrderByCreatedAt(
            @Nullable UUID fileId, @Nullable String type);

    /** @param changes how often it was changed @param lacks what its name says it lacks */
    record KeptState(UUID id, int changes, String lacks) {}

    @Query("select d.id, d.version, d.lacks from FiledDocument d where d.id in :ids")
    List<KeptState> findStates(Collection<UUID> ids);

    @Query("select d.id from FiledDocument d where d.fileId = :fileId")
    List<UUID> findIdsOfFile(UUID fileId);

    @Query("select distinct d.id from FiledDocument d join d.versions v where v.sha256 = :sha256")
    List<UUID> findIdsWithContent(String sha256);

    @Query("select d.id from FiledDocument d")
    List<UUID> findAllIds();

    /** Documents one of whose versions has these bytes. */
    @Query("select distinct d from FiledDocument d join d.versions v where v.sha256 = :sha256 order by d.id")
    List<FiledDocument> findWithContent(String sha256);

    /** Also of those in the wastebasket, which the entity's restriction hides: hence by SQL. */
    @Query(value = "select exists (select 1 from document_version where sha256 = :sha256)", nativeQuery = true)
    boolean existsWithContent(String sha256);

    /** In the wastebasket, which the entity's restriction hides: hence by SQL. */
    @Query(value = """
            select * from document where file_id = :fileId and discarded_at is not null
            order by discarded_at desc limit 500
            """, nativeQuery = true)
    List<FiledDocument> findDiscarded(UUID fileId);

    /** Likewise, all of them. */
    @Query(value = "select * from document where file_id = :fileId and discarded_at is not null", nativeQuery = true)
    List<FiledDocument> findAllDiscarded(UUID fileId);

    @Query(value = "select * from document where id = :id and discarded_at is not null", nativeQuery = true)
    Optional<FiledDocument> findInWastebasket(UUID id);

    @Query("select d.name from FiledDocument d where d.fileId = :fileId and d.id <> :except")
    List<String> findNames(UUID fileId, UUID except);
}
