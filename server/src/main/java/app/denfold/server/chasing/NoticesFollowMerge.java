package app.denfold.server.chasing;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Notices sent about a person go along when files are merged. */
@Configuration
class NoticesFollowMerge {

    @Bean
    FollowsMerge noticesFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("notice", "notice", "notices"));
    }
}
