package app.denfold.server.chasing.history;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface ToldRepository extends JpaRepository<Told, UUID> {

    @Query("select t from Told t where t.fileId in :files and t.planId is not null and t.cameBack = false")
    List<Told> findOfPlans(Collection<UUID> files);

    List<Told> findByNoticeIdIn(Collection<UUID> notices);

    /** Tasks that nobody closed, for this account or for everybody, the oldest first. */
    @Query("""
            select t from Told t where t.noticeId is null and t.planId is not null and t.closedAt is null
            and (t.accountId is null or t.accountId = :account) order by t.toldOn, t.id
            """)
    List<Told> findTasks(UUID account, Limit limit);

    /** All tasks that nobody closed. */
    @Query("select t from Told t where t.noticeId is null and t.planId is not null and t.closedAt is null")
    List<Told> findAllTasks();

    /** A mail did not arrive: what it told may be told again. */
    @Modifying
    @Query("update Told t set t.cameBack = true where t.noticeId = :notice")
    void markCameBack(UUID notice);

    /** The mail that was to tell these things is not sent. */
    @Modifying
    @Query("delete from Told t where t.id in :ids")
    void forget(Collection<UUID> ids);
}
