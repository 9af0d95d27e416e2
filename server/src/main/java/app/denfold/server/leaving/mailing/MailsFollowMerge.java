package app.denfold.server.leaving.mailing;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Mails with copies go along with the papers when files are merged. */
@Configuration
class MailsFollowMerge {

    @Bean
    FollowsMerge copyMailsFollow(FileRowsStore store) {
        return store.follow(Rows.of("copy_mail", null, null));
    }
}
