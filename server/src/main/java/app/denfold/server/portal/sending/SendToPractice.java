package app.denfold.server.portal.sending;

import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.arrivals.upload.SentPapers;
import app.denfold.server.portal.Asks;
import app.denfold.server.portal.GuestRights;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes papers from somebody outside, as far as he may add to the file at that moment. */
@Service
public class SendToPractice {

    private final TransactionTemplate transactions;
    private final GuestRights rights;
    private final Asks asks;
    private final SentPapers sent;
    private final Arrivals arrivals;

    SendToPractice(
            TransactionTemplate transactions, GuestRights rights, Asks asks, SentPapers sent, Arrivals arrivals) {
        this.transactions = transactions;
        this.rights = rights;
        this.asks = asks;
        this.sent = sent;
        this.arrivals = arrivals;
    }

    /**
     * Receives a paper. Several uploads become one paper, page after page, in their order.
     *
     * @param askId what it answers; null when nothing
     * @param uploads at least one; several have to be pictures or PDFs
     * @throws Refusal when the guest may not add to the file, or the paper is not taken
     */
    public UUID send(Viewer guest, UUID fileId, @Nullable UUID askId, List<UUID> uploads) throws IOException {
        Optional<Asks.OpenAsk> answered =
                Objects.requireNonNull(transactions.execute(t -> answered(guest, fileId, askId)));
        SentPapers.Known known = new SentPapers.Known(
                fileId,
                answered.map(a -> a.types().get(0)).orElse(null),
                answered.map(a -> "Asked for: " + a.label()).orElse(null));
        return uploads.size() == 1
                ? sent.takeOnce(guest, uploads.get(0), Arrival.Source.PORTAL, known)
                : sent.joinOnce(guest, uploads, Arrival.Source.PORTAL, known);
    }

    private Optional<Asks.OpenAsk> answered(Viewer guest, UUID fileId, @Nullable UUID askId) {
        rights.requireAdd(guest, fileId);
        return askId == null
                ? Optional.empty()
                : Optional.of(asks.openFor(guest.accountId(), fileId).stream()
                        .filter(a -> a.ask().id().equals(askId))
                        .findFirst()
                        .orElseThrow(() -> Refusal.notFound("request")));
    }

    /** Takes back what he sent and nobody has filed yet. @throws Refusal when he may not in that file */
    public void takeBack(Viewer guest, UUID id) {
        UUID fileId = arrivals.sentBy(guest.accountId()).stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .map(Arrivals.Sent::fileId)
                .orElseThrow(() -> Refusal.notFound("paper"));
        if (fileId != null && !rights.allows(guest.accountId(), fileId, Deed.REMOVE)) {
            throw Refusal.forbidden("You can no longer take this back. Ask the practice if it is the wrong one.");
        }
        arrivals.takeBack(guest, id);
    }
}
