package app.denfold.server.portal;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Guests, what they see and what they are asked for go along when files are merged. */
@Configuration
class GuestsFollowMerge {

    @Bean
    FollowsMerge guestsFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(
                sql,
                Rows.of("guest_right", "guest", "guests")
                        .only(
                                "and not exists (select 1 from guest_right k where k.file_id = :kept and k.account_id = t.account_id)"));
    }

    @Bean
    FollowsMerge sharesFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("share", null, null));
    }

    @Bean
    FollowsMerge asksFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("ask", "ask", "asks"));
    }
}
