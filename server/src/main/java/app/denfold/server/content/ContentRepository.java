package app.denfold.server.content;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ContentRepository extends Repository<Content, String> {

    Optional<Content> findById(String sha256);

    List<Content> findBySha256In(Collection<String> hashes);

    /** Those after a hash, in their order. */
    List<Content> findBySha256GreaterThanAndDestroyedAtIsNullOrderBySha256(String after, Limit limit);

    /** Bytes that come again and are understood better than before are known as that from now on. */
    @Modifying
    @Query(value = """
                    insert into content (sha256, size, media_type, pages, virus, stored_at)
                    values (:sha256, :size, :mediaType, :pages, :virus, :at)
                    on conflict (sha256) do update
                    set virus = coalesce(excluded.virus, content.virus), destroyed_at = null,
                        media_type = case when content.pages = 0 and excluded.pages > 0
                                          then excluded.media_type else content.media_type end,
                        pages = greatest(content.pages, excluded.pages)
                    where excluded.virus is not null or content.destroyed_at is not null
                       or (content.pages = 0 and excluded.pages > 0)
                    """, nativeQuery = true)
    void insertOrImprove(String sha256, long size, String mediaType, int pages, @Nullable String virus, Instant at);
}
