package app.denfold.server.chasing.answers;

import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.MailAnswers.ByLink;
import app.denfold.server.chasing.addresses.SilentAddresses;
import app.denfold.server.chasing.history.Told;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The page behind the link in a notice. It says no more than the mail did, and not whose papers are meant. */
@Service
class ToldByLink {

    private final MailAnswers mails;
    private final ToldRepository told;
    private final SilentAddresses silent;
    private final PracticeSettings settings;

    ToldByLink(MailAnswers mails, ToldRepository told, SilentAddresses silent, PracticeSettings settings) {
        this.mails = mails;
        this.told = told;
        this.silent = silent;
        this.settings = settings;
    }

    /**
     * @param papers how many the mail asked for
     * @param mayUnsubscribe whether the recipient may ask for no more
     */
    record ToldAnswer(String practice, String colour, int papers, boolean mayUnsubscribe) {}

    /** Notes that somebody followed the link. @throws Refusal when there is no such link */
    @Transactional
    public ToldAnswer open(String secret) {
        ByLink link = mails.opened(secret).orElseThrow(LinkCodes::unknown);
        List<Told> lines = told.findByNoticeIdIn(List.of(link.noticeId()));
        PracticeLook look = settings.look();
        return new ToldAnswer(look.name(), look.colour(), lines.size(), link.mayUnsubscribe());
    }

    /** Whoever reads the address gets no more of what is no duty. @throws Refusal when it is one, or there is no such link */
    @Transactional
    public void unsubscribe(String secret) {
        ByLink link = mails.byLink(secret).orElseThrow(LinkCodes::unknown);
        if (!link.mayUnsubscribe()) {
            throw Refusal.conflict("duty", "These notices are about papers that are needed; answer the mail instead.");
        }
        silent.unsubscribe(link.recipient());
    }
}
