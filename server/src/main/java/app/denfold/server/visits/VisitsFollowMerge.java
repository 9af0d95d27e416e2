package app.denfold.server.visits;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

@Configuration
class VisitsFollowMerge {

    @Bean
    FollowsMerge visitsFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("visit", "visit", "visits"));
    }
}
