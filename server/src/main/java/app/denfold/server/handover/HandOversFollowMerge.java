package app.denfold.server.handover;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Hand-overs stay with their papers when files are merged. */
@Configuration
class HandOversFollowMerge {

    @Bean
    FollowsMerge handOversFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, new Rows("hand_over", "id", "file_id", null, null, "", true));
    }
}
