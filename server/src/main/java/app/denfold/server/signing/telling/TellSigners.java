package app.denfold.server.signing.telling;

import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.links.SigningLinks;
import app.denfold.server.signing.requests.SignatureQuestion;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Writes to those who signed, and to whoever asked, of what became of it. Within the transaction of what is told. */
@Service
public class TellSigners {

    private final SigningMail mail;
    private final SigningLinks links;
    private final PracticeSettings settings;

    TellSigners(SigningMail mail, SigningLinks links, PracticeSettings settings) {
        this.mail = mail;
        this.links = links;
        this.settings = settings;
    }

    private String freshLink(SignatureTurn turn) {
        if (turn.accountId() != null) {
            return mail.turnAt(turn, null);
        }
        String token = SigningLinks.secret();
        links.issue(turn.id(), token);
        return mail.turnAt(turn, token);
    }

    /** The link leads on to the papers that are sealed by now. */
    public void allSigned(SignatureRequest request) {
        for (SignatureTurn turn : request.turns()) {
            String to = mail.mailOf(turn);
            if (turn.isSigned() && to != null) {
                mail.send(
                        request,
                        to,
                        turn.accountId() != null,
                        "Signed by everyone: " + mail.subjectOf(request, turn),
                        "Dear " + turn.name() + ",\n\neverybody has signed:\n\n"
                                + String.join(
                                        "",
                                        mail.names(request, turn).stream()
                                                .map(n -> "  " + n + "\n")
                                                .toList())
                                + "\nYour sealed copy lies here:\n\n  " + freshLink(turn) + "\n"
                                + mail.closing(request));
            }
        }
    }

    /** It has ended before everybody signed. Those who had something to do in it are told, and not whoever ended it. */
    public void endedEarly(SignatureRequest request, @Nullable UUID by) {
        if (request.isAtDesk()) {
            return;
        }
        for (SignatureTurn turn : request.turns()) {
            String to = mail.mailOf(turn);
            boolean concerned = turn.toldAt() != null && turn.outcome() != Outcome.DECLINED;
            if (to != null && concerned && !(by != null && by.equals(turn.accountId()))) {
                mail.send(
                        request,
                        to,
                        turn.accountId() != null,
                        "No longer to be signed: " + mail.subjectOf(request, turn),
                        "Dear " + turn.name() + ",\n\n" + why(request, turn) + "\n" + mail.closing(request));
            }
        }
    }

    private String why(SignatureRequest request, SignatureTurn turn) {
        String papers = "“" + String.join("”, “", mail.names(request, turn)) + "”";
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
        mail.asker(request)
                .filter(a -> !a.accountId().equals(by))
                .ifPresent(asker -> mail.send(
                        request,
                        asker.email(),
                        true,
                        what + ": " + mail.subject(request),
                        "Dear " + asker.name() + ",\n\n" + what + ":\n\n"
                                + String.join(
                                        "",
                                        mail.allNames(request).stream()
                                                .map(n -> "  " + n + "\n")
                                                .toList())
                                + (request.endReason() == null ? "" : "\n“" + request.endReason() + "”\n")
                                + "\n  "
                                + mail.requestAt(request) + "\n"));
    }

    /** A signer asks whoever asked him. */
    public void questioned(SignatureRequest request, SignatureTurn turn, String question) {
        mail.asker(request)
                .ifPresent(asker -> mail.send(
                        request,
                        asker.email(),
                        true,
                        turn.name() + " asks before signing: " + mail.subjectOf(request, turn),
                        "Dear " + asker.name() + ",\n\n" + turn.name() + " asks:\n\n“" + question
                                + "”\n\nAnswer here:\n\n  " + mail.requestAt(request)
                                + "\n"));
    }

    public void answered(SignatureRequest request, SignatureTurn turn, SignatureQuestion question) {
        String to = mail.mailOf(turn);
        if (to != null) {
            mail.send(
                    request,
                    to,
                    turn.accountId() != null,
                    "An answer to your question: " + mail.subjectOf(request, turn),
                    "Dear " + turn.name() + ",\n\nyou asked:\n\n“" + question.question() + "”\n\n"
                            + question.answeredBy() + " answers:\n\n“" + question.answer() + "”\n\nGo on here:\n\n  "
                            + freshLink(turn) + "\n" + mail.closing(request));
        }
    }

    /** The code that goes with a link. */
    public void code(SignatureRequest request, SignatureTurn turn, String code) {
        mail.send(
                request,
                String.valueOf(turn.address()),
                false,
                "Your code for signing",
                "Dear " + turn.name() + ",\n\nwith this code you open the papers of " + settings.name()
                        + ":\n\n" + LinkCodes.inMail(code)
                        + "\n\nIt holds for 15 minutes. If you did not ask for it, somebody else has your link: tell us.\n"
                        + mail.closing(request));
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
