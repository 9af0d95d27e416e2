package app.denfold.server.handover;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Hand-overs stay with their papers when files are merged. */
@Configuration
class HandOversFollowMerge {

    @Bean
    FollowsMerge handOversFollow(FileRowsStore rows) {
        return rows.follow(new Rows("hand_over", "id", "file_id", null, null, "", true));
    }
}
