package app.denfold.server.relations;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Who is what to a person goes along when files are merged, unless it is told in the kept file already. */
@Configuration
class RelationsFollowMerge {

    @Bean
    FollowsMerge relationsFollow(NamedParameterJdbcTemplate sql) {
        Rows rows = Rows.of("relation", "relation", "relations").only("""
                        and t.other_file_id is distinct from :kept and not exists (
                          select 1 from relation k where k.file_id = :kept and k.kind = t.kind
                          and coalesce(k.other_file_id, k.outsider_id) = coalesce(t.other_file_id, t.outsider_id))
                        """);
        return new RowsFollow(sql, rows);
    }

    @Bean
    FollowsMerge relatedFollow(NamedParameterJdbcTemplate sql) {
        String more = """
                and t.file_id <> :kept and not exists (
                  select 1 from relation k where k.file_id = t.file_id and k.kind = t.kind and k.other_file_id = :kept)
                """;
        return new RowsFollow(sql, new Rows("relation", "id", "other_file_id", null, null, more, false));
    }
}
