package app.denfold.server.chasing.answers;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What people wrote back goes along when files are merged, unless the kept file has the same mail. */
@Configuration
class AnswersFollowMerge {

    @Bean
    FollowsMerge mailAnswersFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("mail_answer", "answer by mail", "answers by mail")
                .versioned()
                .only("and not exists (select 1 from mail_answer o where o.origin = t.origin and o.file_id = :kept)"));
    }
}
