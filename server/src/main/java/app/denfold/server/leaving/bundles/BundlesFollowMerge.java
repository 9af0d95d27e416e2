package app.denfold.server.leaving.bundles;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Bundles go along with their papers when files are merged. */
@Configuration
class BundlesFollowMerge {

    @Bean
    FollowsMerge bundlesFollow(FileRowsStore store) {
        return store.follow(Rows.of("bundle", "bundle", "bundles"));
    }
}
