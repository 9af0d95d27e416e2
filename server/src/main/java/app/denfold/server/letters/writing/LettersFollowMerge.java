package app.denfold.server.letters.writing;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Letters go along when files are merged. */
@Configuration
class LettersFollowMerge {

    @Bean
    FollowsMerge lettersFollow(FileRowsStore store) {
        return store.follow(Rows.of("letter", "letter", "letters"));
    }
}
