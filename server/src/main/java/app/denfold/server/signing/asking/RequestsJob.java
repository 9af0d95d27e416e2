package app.denfold.server.signing.asking;

import app.denfold.core.signing.RequestState;
import app.denfold.server.access.Actor;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureRequestRepository;
import app.denfold.server.signing.requests.SignatureTurn;
import app.denfold.server.signing.telling.TellTurns;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Ends requests whose day has passed, and reminds those who let a paper wait. Each request by itself. */
@Component
class RequestsJob {

    private static final Logger LOG = LoggerFactory.getLogger(RequestsJob.class);

    private final SignatureRequestRepository requests;
    private final RunRequest run;
    private final TellTurns tell;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    RequestsJob(
            SignatureRequestRepository requests,
            RunRequest run,
            TellTurns tell,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.requests = requests;
        this.run = run;
        this.tell = tell;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    @Scheduled(fixedDelayString = "${denfold.signing-interval:PT10M}", initialDelayString = "PT1M")
    void follow() {
        LocalDate today = calendar.today();
        requests.findPastDue(today).forEach(id -> each(id, this::expire));
        requests.findWithReminders().forEach(id -> each(id, r -> remind(r, today)));
    }

    private void each(UUID id, Consumer<SignatureRequest> what) {
        try {
            transactions.executeWithoutResult(
                    t -> requests.lock(id).filter(r -> !r.state().isEnded()).ifPresent(what));
        } catch (RuntimeException failed) {
            LOG.warn("The signature request {} is looked at again later: {}", id, failed.getMessage());
        }
    }

    private void expire(SignatureRequest request) {
        Actor by = Actor.system(request.askedBy());
        run.end(request, RequestState.EXPIRED, by, null);
        run.note(request, by, "signing-expired", "the day for signing passed for", "");
    }

    private void remind(SignatureRequest request, LocalDate today) {
        for (SignatureTurn turn : request.whoseTurn()) {
            if (nextReminder(request, turn, calendar)
                    .filter(day -> !day.isAfter(today))
                    .isPresent()) {
                tell.remind(request, turn);
            }
        }
    }

    /** The day on which somebody whose turn it is, is reminded; empty when he is not. */
    static Optional<LocalDate> nextReminder(SignatureRequest request, SignatureTurn turn, PracticeCalendar calendar) {
        if (turn.toldAt() == null || turn.accountId() == null && turn.address() == null) {
            return Optional.empty();
        }
        return request.reminders()
                .next(
                        calendar.dayOf(turn.toldAt()),
                        turn.reminders(),
                        turn.remindedAt() == null ? null : calendar.dayOf(turn.remindedAt()),
                        request.lastDay());
    }
}
