package app.denfold.server.relations;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Who is what to a person goes along when files are merged, unless it is told in the kept file already. */
@Configuration
class RelationsFollowMerge {

    @Bean
    FollowsMerge relationsFollow(FileRowsStore store) {
        Rows rows = Rows.of("relation", "relation", "relations").only("""
                        and t.other_file_id is distinct from :kept and not exists (
                          select 1 from relation k where k.file_id = :kept and k.kind = t.kind
                          and coalesce(k.other_file_id, k.outsider_id) = coalesce(t.other_file_id, t.outsider_id))
                        """);
        return store.follow(rows);
    }

    @Bean
    FollowsMerge relatedFollow(FileRowsStore store) {
        String more = """
                and t.file_id <> :kept and not exists (
                  select 1 from relation k where k.file_id = t.file_id and k.kind = t.kind and k.other_file_id = :kept)
                """;
        return store.follow(new Rows("relation", "id", "other_file_id", null, null, more, false));
    }
}
