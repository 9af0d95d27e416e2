package app.denfold.server.signing.telling;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.links.SigningLinks;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** Writes to those whose turn it is, to those who signed, and to whoever asked. Within the transaction of what is told. */
@Service
public class TellSigners {

    private static final String PURPOSE = "signature";

    /** Whoever may not see the paper reads nothing of it in the list of mails. */
    private static final String PURPOSE_AMONG = "signing";

    private final Outbox outbox;
    private final SigningLinks links;
    private final Accounts accounts;
    private final Documents documents;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    TellSigners(
            Outbox outbox,
            SigningLinks links,
            Accounts accounts,
            Documents documents,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.outbox = outbox;
        this.links = links;
        this.accounts = accounts;
        this.documents = documents;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /** Those whose turn has come and who do not know it yet. */
    public void turnsThatCame(SignatureRequest request) {
        turnsThatCame(List.of(request));
    }

    /** The same for several requests at once. */
    public void turnsThatCame(List<SignatureRequest> all) {
        Set<String> withAccount = accounts.viewersByEmail(all.stream()
                        .flatMap(r -> r.whoseTurn().stream())
                        .map(SignatureTurn::address)
                        .filter(Objects::nonNull)
                        .map(Objects::requireNonNull)
                        .toList())
                .keySet();
        for (SignatureRequest request : all) {
            if (request.isAtDesk()) {
                continue;
            }
            for (SignatureTurn turn : request.whoseTurn()) {
                if (turn.toldAt() == null) {
                    turn.told(calendar.now());
                    itsYourTurn(request, turn, needsCode(turn, withAccount), false);
                }
            }
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
        itsYourTurn(request, turn, needsCode(turn, withAccount), true);
    }

    private void itsYourTurn(SignatureRequest request, SignatureTurn turn, boolean needsCode, boolean again) {
        String to = mailOf(turn);
        if (to == null) {
            return;
        }
        String what = turn.task() == Task.APPROVE ? "look through and pass on" : "read and sign";
        StringBuilder body = new StringBuilder("Dear " + turn.name() + ",\n\n");
        body.append(again ? "this still waits for you: " : "")
                .append(again ? "please " : "Please ")
                .append(what)
                .append(" for ")
                .append(settings.name())
                .append(":\n\n");
        names(request, turn).forEach(n -> body.append("  ").append(n).append('\n'));
        if (request.message() != null) {
            body.append('\n').append(request.message()).append('\n');
        }
        body.append("\n  ").append(linkFor(turn)).append('\n');
        if (needsCode) {
            body.append("\nYou get a code by mail when you open it, so that nobody signs in your name."
                    + " Please do not pass the link on.\n");
        }
        if (request.dueOn() != null) {
            body.append(request.lastDay() == null ? "\nIt is wanted by " : "\nIt can be signed until ")
                    .append(PracticeCalendar.words(request.dueOn()))
                    .append(".\n");
        }
        body.append(closing(request));
        String subject = (again ? "Reminder: " : "")
                + (turn.task() == Task.APPROVE ? "Please look through: " : "Please sign: ")
                + subjectOf(request, turn);
        turn.writtenTo(send(request, to, turn.accountId() != null, subject, body.toString()));
    }

    private String linkFor(SignatureTurn turn) {
        return turn.accountId() == null
                ? address + "/sign/" + links.issue(turn.id())
                : address + "/signing/turns/" + turn.id();
    }

    /** The link leads on to the papers that are sealed by now. */
    public void allSigned(SignatureRequest request) {
        for (SignatureTurn turn : request.turns()) {
            String to = mailOf(turn);
            if (turn.isSigned() && to != null) {
                send(
                        request,
                        to,
                        turn.accountId() != null,
                        "Signed by everyone: " + subjectOf(request, turn),
                        "Dear " + turn.name() + ",\n\neverybody has signed:\n\n"
                                + String.join(
                                        "",
                                        names(request, turn).stream()
                                                .map(n -> "  " + n + "\n")
                                                .toList())
                                + "\nYour sealed copy lies here:\n\n  " + linkFor(turn) + "\n" + closing(request));
            }
        }
    }

    /** It has ended before everybody signed. Those who had something to do in it are told, and not whoever ended it. */
    public void endedEarly(SignatureRequest request, @Nullable UUID by) {
        if (request.isAtDesk()) {
            return;
        }
        for (SignatureTurn turn : request.turns()) {
            String to = mailOf(turn);
            boolean concerned = turn.toldAt() != null && turn.outcome() != Outcome.DECLINED;
            if (to != null && concerned && !(by != null && by.equals(turn.accountId()))) {
                send(
                        request,
                        to,
                        turn.accountId() != null,
                        "No longer to be signed: " + subjectOf(request, turn),
                        "Dear " + turn.name() + ",\n\n" + why(request, turn) + "\n" + closing(request));
            }
        }
    }

    private String why(SignatureRequest request, SignatureTurn turn) {
        String papers = "“" + String.join("”, “", names(request, turn)) + "”";
        String signed = turn.isSigned() ? " Your signature is kept with it." : "";
        return switch (request.state()) {
            case REPLACED ->
                papers + " was corrected. What " + settings.name()
                        + " asked you to sign holds no longer; you are asked again for the corrected paper." + signed;
            case EXPIRED -> "the day for signing " + papers + " has passed." + signed;
            case DECLINED, SENT_BACK -> papers + " is no longer to be signed: somebody else said no." + signed;
            default -> settings.name() + " no longer asks you to sign " + papers + "." + signed;
        };
    }

    /** Whoever asked, of what became of it. */
    public void whoeverAsked(SignatureRequest request, @Nullable UUID by, String what) {
        asker(request)
                .filter(a -> !a.accountId().equals(by))
                .ifPresent(asker -> outbox.queue(
                        asker,
                        message(
                                request,
                                PURPOSE_AMONG,
                                asker.email(),
                                what + ": " + subject(request),
                                "Dear " + asker.name() + ",\n\n" + what + ":\n\n"
                                        + String.join(
                                                "",
                                                allNames(request).stream()
                                                        .map(n -> "  " + n + "\n")
                                                        .toList())
                                        + (request.endReason() == null ? "" : "\n“" + request.endReason() + "”\n")
                                        + "\n  "
                                        + address + "/signing?show=all&request=" + request.id() + "\n")));
    }

    /** A signer asks whoever asked him. */
    public void questioned(SignatureRequest request, SignatureTurn turn, String question) {
        asker(request)
                .ifPresent(asker -> send(
                        request,
                        asker.email(),
                        true,
                        turn.name() + " asks before signing: " + subjectOf(request, turn),
                        "Dear " + asker.name() + ",\n\n" + turn.name() + " asks:\n\n“" + question
                                + "”\n\nAnswer here:\n\n  " + address + "/signing?show=all&request=" + request.id()
                                + "\n"));
    }

    public void answered(SignatureRequest request, SignatureTurn turn, SignatureQuestion question) {
        String to = mailOf(turn);
        if (to != null) {
            send(
                    request,
                    to,
                    turn.accountId() != null,
                    "An answer to your question: " + subjectOf(request, turn),
                    "Dear " + turn.name() + ",\n\nyou asked:\n\n“" + question.question() + "”\n\n"
                            + question.answeredBy() + " answers:\n\n“" + question.answer() + "”\n\nGo on here:\n\n  "
                            + linkFor(turn) + "\n" + closing(request));
        }
    }

    /** The code that goes with a link. */
    public void code(SignatureRequest request, SignatureTurn turn, String code) {
        send(
                request,
                String.valueOf(turn.address()),
                false,
                "Your code for signing",
                "Dear " + turn.name() + ",\n\nwith this code you open the papers of " + settings.name()
                        + ":\n\n  Code " + code.substring(0, 3) + " " + code.substring(3)
                        + "\n\nIt holds for 15 minutes. If you did not ask for it, somebody else has your link: tell us.\n"
                        + closing(request));
    }

    private Optional<Viewer> asker(SignatureRequest request) {
        return Optional.ofNullable(request.askedById()).flatMap(accounts::viewer);
    }

    private @Nullable String mailOf(SignatureTurn turn) {
        return turn.accountId() == null
                ? turn.address()
                : accounts.viewer(turn.accountId()).map(Viewer::email).orElse(null);
    }

    private UUID send(SignatureRequest request, String to, boolean colleague, String subject, String body) {
        Viewer by = asker(request).orElseGet(Viewer::product);
        return outbox.queue(by, message(request, colleague ? PURPOSE_AMONG : PURPOSE, to, subject, body));
    }

    private Message message(SignatureRequest request, String purpose, String to, String subject, String body) {
        List<FiledDocument> papers = papers(request);
        return Message.aboutPaper(
                papers.get(0).fileId(),
                papers.get(0).id(),
                papers.stream().flatMap(d -> d.types().stream()).distinct().toList(),
                purpose,
                to,
                subject,
                body);
    }

    private List<FiledDocument> papers(SignatureRequest request) {
        return request.papers().stream()
                .map(p -> documents.document(p.documentId()))
                .toList();
    }

    private List<String> names(SignatureRequest request, SignatureTurn turn) {
        return request.papersOf(turn).stream()
                .map(p -> documents.typeLabel(documents.document(p.documentId())))
                .toList();
    }

    private List<String> allNames(SignatureRequest request) {
        return papers(request).stream().map(FiledDocument::name).toList();
    }

    private String subjectOf(SignatureRequest request, SignatureTurn turn) {
        List<String> names = names(request, turn);
        return names.size() == 1 ? names.get(0) : names.size() + " papers";
    }

    private String subject(SignatureRequest request) {
        List<String> names = allNames(request);
        return names.size() == 1 ? names.get(0) : names.size() + " papers";
    }

    private String closing(SignatureRequest request) {
        return "\nKind regards,\n" + request.askedBy() + "\n" + settings.look().closing();
    }

    /** What became of a request, as its asker reads it. */
    public static String words(RequestState state) {
        return switch (state) {
            case OPEN -> "Waits for signatures";
            case COMPLETE -> "Signed by everyone and sealed";
            case DECLINED -> "Declined";
            case SENT_BACK -> "Sent back by the approver";
            case WITHDRAWN -> "Withdrawn";
            case EXPIRED -> "Not signed in time";
            case REPLACED -> "Replaced by a corrected paper";
        };
    }
}
