package app.denfold.server.keeping;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.ListCrudRepository;

interface DestroyedFileRepository extends ListCrudRepository<DestroyedFile, UUID> {

    List<DestroyedFile> findByCertificateOrderByNumber(UUID certificate);

    /** What was destroyed together. */
    interface Together {
        UUID getCertificate();

        Instant getOn();

        String getWho();

        long getFiles();
    }

    /** The last first. */
    @Query("""
            select d.certificate as certificate, max(d.at) as on, min(d.byName) as who, count(*) as files
            from DestroyedFile d group by d.certificate order by max(d.at) desc
            """)
    List<Together> findTogether(Limit limit);
}
