package app.denfold.server.signing.telling;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.links.SigningLinks;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Writes to those whose turn it is. Within the transaction of what is told. */
@Service
public class TellTurns {

    private final SigningMail mail;
    private final SigningLinks links;
    private final Accounts accounts;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    TellTurns(
            SigningMail mail,
            SigningLinks links,
            Accounts accounts,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.mail = mail;
        this.links = links;
        this.accounts = accounts;
        this.settings = settings;
        this.calendar = calendar;
    }

    /**
     * A mail to somebody whose turn it is.
     *
     * @param token secret of the link in it; null for a colleague
     */
    public record TurnMail(
            UUID number,
            SignatureRequest request,
            SignatureTurn turn,
            @Nullable String token,
            String to,
            String subject,
            String body) {}

    /** Those whose turn has come and who do not know it yet. */
    public void turnsThatCame(SignatureRequest request) {
        send(mailsFor(List.of(request)));
    }

    /** Notes that they are told, which is true once the mails are {@link #send sent}. */
    public List<TurnMail> mailsFor(List<SignatureRequest> all) {
        Set<String> withAccount = accounts.viewersByEmail(all.stream()
                        .flatMap(r -> r.whoseTurn().stream())
                        .map(SignatureTurn::address)
                        .filter(Objects::nonNull)
                        .map(Objects::requireNonNull)
                        .toList())
                .keySet();
        List<TurnMail> mails = new ArrayList<>();
        for (SignatureRequest request : all) {
            if (request.isAtDesk()) {
                continue;
            }
            for (SignatureTurn turn : request.whoseTurn()) {
                if (turn.toldAt() == null) {
                    turn.told(calendar.now());
                    mailFor(request, turn, needsCode(turn, withAccount), false).ifPresent(mails::add);
                }
            }
        }
        return mails;
    }

    /** Their links lead to turns that are kept by now. */
    public void send(List<TurnMail> mails) {
        for (TurnMail one : mails) {
            if (one.token() != null) {
                links.issue(one.turn().id(), one.token());
            }
            mail.send(one.number(), one.request(), one.to(), one.turn().accountId() != null, one.subject(), one.body());
        }
    }

    private static boolean needsCode(SignatureTurn turn, Set<String> withAccount) {
        return turn.accountId() == null
                && turn.address() != null
                && !withAccount.contains(turn.address().strip().toLowerCase(Locale.ROOT));
    }

    /** Once more, because nothing happened. */
    public void remind(SignatureRequest request, SignatureTurn turn) {
        turn.reminded(calendar.now());
        Set<String> withAccount = turn.address() == null
                ? Set.of()
                : accounts.viewersByEmail(List.of(turn.address())).keySet();
        mailFor(request, turn, needsCode(turn, withAccount), true).ifPresent(one -> send(List.of(one)));
    }

    /** Empty when no address is known. */
    private Optional<TurnMail> mailFor(SignatureRequest request, SignatureTurn turn, boolean needsCode, boolean again) {
        String to = mail.mailOf(turn);
        if (to == null) {
            return Optional.empty();
        }
        String token = turn.accountId() == null ? SigningLinks.secret() : null;
        String what = turn.task() == Task.APPROVE ? "look through and pass on" : "read and sign";
        StringBuilder body = new StringBuilder("Dear " + turn.name() + ",\n\n");
        body.append(again ? "this still waits for you: " : "")
                .append(again ? "please " : "Please ")
                .append(what)
                .append(" for ")
                .append(settings.name())
                .append(":\n\n");
        mail.names(request, turn).forEach(n -> body.append("  ").append(n).append('\n'));
        if (request.message() != null) {
            body.append('\n').append(request.message()).append('\n');
        }
        body.append("\n  ").append(mail.turnAt(turn, token)).append('\n');
        if (needsCode) {
            body.append("\nYou get a code by mail when you open it, so that nobody signs in your name."
                    + " Please do not pass the link on.\n");
        }
        if (request.dueOn() != null) {
            body.append(request.lastDay() == null ? "\nIt is wanted by " : "\nIt can be signed until ")
                    .append(PracticeCalendar.words(request.dueOn()))
                    .append(".\n");
        }
        body.append(mail.closing(request));
        String subject = (again ? "Reminder: " : "")
                + (turn.task() == Task.APPROVE ? "Please look through: " : "Please sign: ")
                + mail.subjectOf(request, turn);
        UUID number = Outbox.freshNumber();
        turn.writtenTo(number);
        return Optional.of(new TurnMail(number, request, turn, token, to, subject, body.toString()));
    }
}
