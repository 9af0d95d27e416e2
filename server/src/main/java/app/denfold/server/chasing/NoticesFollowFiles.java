package app.denfold.server.chasing;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import app.denfold.server.people.PeopleEvents.FileDestroyed;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;

/**
 * Notices sent about a person go along when files are merged, and with a file that is destroyed. Of those that tell of
 * others too, only that they went stays.
 */
@Configuration
class NoticesFollowFiles {

    private final ObjectProvider<NoticeRepository> notices;

    NoticesFollowFiles(ObjectProvider<NoticeRepository> notices) {
        this.notices = notices;
    }

    @Bean
    FollowsMerge noticesFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("notice", "notice", "notices"));
    }

    @EventListener
    void on(FileDestroyed event) {
        notices.getObject().blankShared(event.fileId());
        notices.getObject().handOnShared(event.fileId());
    }
}
