package app.denfold.server.visits;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class VisitsFollowMerge {

    @Bean
    FollowsMerge visitsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("visit", "visit", "visits"));
    }
}
