package app.denfold.server.calendars;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Calendars of a file go along when it is merged; its events are cancelled when they are next read there. */
@Configuration
class CalendarsFollowMerge {

    @Bean
    FollowsMerge calendarFeedsFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("calendar_feed", null, null));
    }
}
