package app.denfold.server.portal;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Guests, what they see and what they are asked for go along when files are merged. */
@Configuration
class GuestsFollowMerge {

    @Bean
    FollowsMerge guestsFollow(FileRowsStore rows) {
        return rows.follow(
                Rows.of("guest_right", "guest", "guests")
                        .only(
                                "and not exists (select 1 from guest_right k where k.file_id = :kept and k.account_id = t.account_id)"));
    }

    @Bean
    FollowsMerge sharesFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("share", null, null));
    }

    @Bean
    FollowsMerge asksFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("ask", "ask", "asks"));
    }

    @Bean
    FollowsMerge messagesFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("message", "message", "messages"));
    }
}
