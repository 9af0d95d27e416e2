package app.denfold.server.arrivals;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What waits for a person in Arrivals, or scans for him, goes along when files are merged. */
@Configuration
class ArrivalsFollowMerge {

    @Bean
    FollowsMerge arrivalsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("arrival", "arrival", "arrivals").versioned());
    }

    @Bean
    FollowsMerge proposalsFollow(FileRowsStore rows) {
        return rows.follow(new Rows("arrival", "id", "proposed_file", null, null, "", true));
    }

    @Bean
    FollowsMerge deskFilesFollow(FileRowsStore rows) {
        return rows.follow(new Rows("desk_file", "desk", "file_id", null, null, "", false));
    }
}
