package app.denfold.server.arrivals;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** What waits for a person in Arrivals, or scans for him, goes along when files are merged. */
@Configuration
class ArrivalsFollowMerge {

    @Bean
    FollowsMerge arrivalsFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("arrival", "arrival", "arrivals").versioned());
    }

    @Bean
    FollowsMerge proposalsFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, new Rows("arrival", "id", "proposed_file", null, null, "", true));
    }

    @Bean
    FollowsMerge deskFilesFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, new Rows("desk_file", "desk", "file_id", null, null, "", false));
    }
}
