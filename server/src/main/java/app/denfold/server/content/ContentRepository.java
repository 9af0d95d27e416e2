package app.denfold.server.content;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ContentRepository extends Repository<Content, String> {

    Optional<Content> findById(String sha256);

    List<Content> findBySha256In(Collection<String> hashes);

    @Modifying
    @Query(value = """
                    insert into content (sha256, size, media_type, pages, virus, stored_at)
                    values (:sha256, :size, :mediaType, :pages, :virus, :at)
                    on conflict (sha256) do update set virus = coalesce(excluded.virus, content.virus), destroyed_at = null
                    where excluded.virus is not null or content.destroyed_at is not null
                    """, nativeQuery = true)
    void insertUnlessThere(String sha256, long size, String mediaType, int pages, String virus, Instant at);
}
