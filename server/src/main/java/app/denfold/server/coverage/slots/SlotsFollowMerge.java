package app.denfold.server.coverage.slots;

import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.merging.RowsFollow;
import app.denfold.server.merging.RowsFollow.Rows;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;

/** Waivers go along when files are merged; slots are computed, so those of the closed file only go. */
@Configuration
class SlotsFollowMerge {

    @Bean
    FollowsMerge waiversFollow(NamedParameterJdbcTemplate sql) {
        return new RowsFollow(sql, Rows.of("waiver", "waiver", "waivers").versioned());
    }

    @Bean
    FollowsMerge slotsGo(NamedParameterJdbcTemplate sql) {
        return new FollowsMerge() {
            @Override
            public String name() {
                return "slot";
            }

            @Override
            public List<String> follow(UUID gone, UUID kept) {
                sql.update("delete from slot where file_id = :gone", Map.of("gone", gone));
                sql.update("delete from file_standing where file_id = :gone", Map.of("gone", gone));
                return List.of();
            }

            @Override
            public void goBack(UUID gone, UUID kept, List<String> moved) {
                // computed anew because the person changed
            }
        };
    }
}
