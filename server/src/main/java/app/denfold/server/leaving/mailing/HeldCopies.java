package app.denfold.server.leaving.mailing;

import app.denfold.core.receiving.Held;
import app.denfold.core.receiving.Held.Reached;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.Outbox.Delivery;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.leaving.CopiesOut.GivenTo;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who was given copies of papers, and whether these reached them. */
@Component
public class HeldCopies {

    private final CopiesOut copies;
    private final CopyMailRepository mails;
    private final Outbox outbox;
    private final PracticeCalendar calendar;

    HeldCopies(CopiesOut copies, CopyMailRepository mails, Outbox outbox, PracticeCalendar calendar) {
        this.copies = copies;
        this.mails = mails;
        this.outbox = outbox;
        this.calendar = calendar;
    }

    /** @param version of which it is a copy */
    public record HeldVersion(int version, Held held) {}

    /** By paper; for the product's own work. */
    @Transactional(readOnly = true)
    public Map<UUID, List<HeldVersion>> of(Collection<UUID> documents) {
        List<GivenTo> given = copies.givenOf(documents);
        Map<UUID, CopyMail> sent = new HashMap<>();
        mails.findAllById(given.stream()
                        .map(GivenTo::mailId)
                        .filter(Objects::nonNull)
                        .collect(Collectors.toSet()))
                .forEach(m -> sent.put(m.id(), m));
        Map<UUID, Delivery> deliveries =
                outbox.deliveries(sent.values().stream().map(CopyMail::noticeId).toList());
        Map<UUID, List<HeldVersion>> all = new HashMap<>();
        for (GivenTo one : given) {
            CopyMail mail = one.mailId() == null ? null : sent.get(one.mailId());
            Held held = new Held(
                    one.reader(),
                    mail == null ? null : mail.address(),
                    calendar.dayOf(one.at()),
                    mail == null ? Reached.HAS : reached(mail, deliveries.get(mail.noticeId()), calendar.today()));
            all.computeIfAbsent(one.documentId(), id -> new ArrayList<>()).add(new HeldVersion(one.version(), held));
        }
        return all;
    }

    private static Reached reached(CopyMail mail, @Nullable Delivery delivery, LocalDate today) {
        if (mail.firstOpenedAt() != null) {
            return Reached.HAS;
        }
        if (delivery != null && delivery.failure() != null) {
            return Reached.LOST;
        }
        if (mail.attached()) {
            return Reached.HAS;
        }
        return mail.isOver(today) ? Reached.LOST : Reached.UNOPENED;
    }
}
