package app.denfold.server.signing.requests;

import app.denfold.core.signing.RequestState;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Signature requests and their turns. */
public interface SignatureRequestRepository extends JpaRepository<SignatureRequest, UUID> {

    /** Held until the transaction ends: whoever acts on it waits for whoever acts on it now. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from SignatureRequest r where r.id = :id")
    Optional<SignatureRequest> lock(UUID id);

    @Query("select r from SignatureRequest r join r.papers p where p.documentId = :documentId and p.waits")
    Optional<SignatureRequest> findOpenOn(UUID documentId);

    @Query("select distinct r from SignatureRequest r join r.papers p where p.documentId in :documents and p.waits")
    List<SignatureRequest> findOpenOnAny(Collection<UUID> documents);

    @Query("select r from SignatureRequest r join r.papers p where p.documentId = :documentId order by r.askedAt, r.id")
    List<SignatureRequest> findOn(UUID documentId);

    @Query(
            "select distinct r from SignatureRequest r join r.papers p where p.documentId in :documents order by r.askedAt, r.id")
    List<SignatureRequest> findOnAny(Collection<UUID> documents);

    @Query("select r from SignatureRequest r join r.turns t where t.id = :turnId")
    Optional<SignatureRequest> findOfTurn(UUID turnId);

    /** Of colleagues, open. */
    @Query("select r from SignatureRequest r join r.turns t where r.state = OPEN and not r.atDesk and t.outcome = OPEN"
            + " and (t.accountId in :accounts or lower(t.address) = lower(:address)) order by r.askedAt, r.id")
    List<SignatureRequest> findWaitingFor(Collection<UUID> accounts, String address);

    /** Those in which somebody has or had something to do without an account of a colleague. */
    @Query(
            "select distinct r from SignatureRequest r join r.turns t where not r.atDesk and lower(t.address) = lower(:address)"
                    + " order by r.askedAt desc, r.id")
    List<SignatureRequest> findAskedByMail(String address, Limit limit);

    @Query("select r from SignatureRequest r where not r.atDesk and (:all = true or r.askedById = :account)"
            + " and r.state in :states order by r.askedAt desc, r.id")
    List<SignatureRequest> findAsked(boolean all, UUID account, Collection<RequestState> states, Limit limit);

    @Query("select r.id from SignatureRequest r where r.state = OPEN and r.endsAtDue and r.dueOn < :today")
    List<UUID> findPastDue(LocalDate today);

    @Query("select r.id from SignatureRequest r where r.state = OPEN and not r.atDesk and r.remindEveryDays > 0")
    List<UUID> findWithReminders();

    /** Papers of which sealed copies were made before a moment, or of which later ones may have been. */
    @Query(
            "select distinct p.documentId from SignatureRequest r join r.papers p where r.endedAt < :moment and p.sealed")
    List<UUID> findSealedBefore(Instant moment);

    @Query("select count(t) > 0 from SignatureRequest r join r.turns t where t.scanSha256 = :sha256")
    boolean existsWithScan(String sha256);

    /** Requests that it took the place of know of no successor any more. */
    @Modifying
    @Query("update SignatureRequest r set r.replacedBy = null where r.replacedBy = :id")
    void forgetSuccessor(UUID id);
}
