package app.denfold.server.keeping;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** A file on hold holds the one it is merged into. */
@Configuration
class KeepingFollowsMerge {

    @Bean
    FollowsMerge keepingHoldsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("keeping_hold", "hold", "holds").versioned());
    }
}
