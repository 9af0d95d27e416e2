package app.denfold.server.signing.telling;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** What all mails about a request have in common. */
@Component
class SigningMail {

    private static final String PURPOSE = "signature";

    /** Whoever may not see the paper reads nothing of it in the list of mails. */
    private static final String PURPOSE_AMONG = "signing";

    private final Outbox outbox;
    private final Accounts accounts;
    private final Documents documents;
    private final PracticeSettings settings;
    private final String address;

    SigningMail(
            Outbox outbox,
            Accounts accounts,
            Documents documents,
            PracticeSettings settings,
            @Value("${denfold.address}") String address) {
        this.outbox = outbox;
        this.accounts = accounts;
        this.documents = documents;
        this.settings = settings;
        this.address = address;
    }

    /** Where whoever asked finds it. */
    String requestAt(SignatureRequest request) {
        return address + "/signing?show=all&request=" + request.id();
    }

    /** @param token of somebody without an account */
    String turnAt(SignatureTurn turn, @Nullable String token) {
        return token == null ? address + "/signing/turns/" + turn.id() : address + "/sign/" + token;
    }

    Optional<Viewer> asker(SignatureRequest request) {
        return Optional.ofNullable(request.askedById()).flatMap(accounts::viewer);
    }

    /** Where somebody is written to; null when no address is known. */
    @Nullable
    String mailOf(SignatureTurn turn) {
        return turn.accountId() == null
                ? turn.address()
                : accounts.viewer(turn.accountId()).map(Viewer::email).orElse(null);
    }

    void send(SignatureRequest request, String to, boolean colleague, String subject, String body) {
        send(Outbox.freshNumber(), request, to, colleague, subject, body);
    }

    /** @param number under which what became of it is asked for */
    void send(UUID number, SignatureRequest request, String to, boolean colleague, String subject, String body) {
        Viewer by = asker(request).orElseGet(Viewer::product);
        outbox.queue(number, by, message(request, colleague ? PURPOSE_AMONG : PURPOSE, to, subject, body));
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

    List<String> names(SignatureRequest request, SignatureTurn turn) {
        return request.papersOf(turn).stream()
                .map(p -> documents.typeLabel(documents.document(p.documentId())))
                .toList();
    }

    List<String> allNames(SignatureRequest request) {
        return papers(request).stream().map(FiledDocument::name).toList();
    }

    String subjectOf(SignatureRequest request, SignatureTurn turn) {
        List<String> names = names(request, turn);
        return names.size() == 1 ? names.get(0) : names.size() + " papers";
    }

    String subject(SignatureRequest request) {
        List<String> names = allNames(request);
        return names.size() == 1 ? names.get(0) : names.size() + " papers";
    }

    String closing(SignatureRequest request) {
        return "\nKind regards,\n" + request.askedBy() + "\n" + settings.look().closing();
    }
}
