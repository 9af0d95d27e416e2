package app.denfold.server.chasing;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Notices sent about a person go along when files are merged. */
@Configuration
class NoticesFollowMerge {

    @Bean
    FollowsMerge noticesFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("notice", "notice", "notices"));
    }
}
