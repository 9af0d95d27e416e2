package app.denfold.server.chasing.history;

import app.denfold.server.chasing.ChaseEvents.MailCameBack;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What a mail told that came back was told to nobody. */
@Component
class MayBeToldAgain {

    private final ToldRepository told;

    MayBeToldAgain(ToldRepository told) {
        this.told = told;
    }

    @EventListener
    void on(MailCameBack event) {
        told.markCameBack(event.noticeId());
    }
}
