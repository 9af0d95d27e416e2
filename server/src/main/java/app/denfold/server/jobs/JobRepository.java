package app.denfold.server.jobs;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface JobRepository extends CrudRepository<Job, UUID> {

    /** Those that run, and those that ended since the moment; newest first. */
    @Query("""
            select j from Job j where (j.state = app.denfold.server.jobs.Job.State.RUNNING or j.endedAt > :since)
            and (:everyones = true or j.startedBy = :account) order by j.startedAt desc limit 20
            """)
    List<Job> findRecent(Instant since, boolean everyones, UUID account);
}
