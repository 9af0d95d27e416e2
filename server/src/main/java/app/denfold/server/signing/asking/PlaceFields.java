package app.denfold.server.signing.asking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.Content;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** Where on the pages of a paper each signer puts what. */
public final class PlaceFields {

    /** So low a signature's box may begin: its name and day still stand on the page. */
    private static final double LOWEST = 0.93;

    private PlaceFields() {}

    /** A paper and which signatures it still lacks; none where its type asks for no signature. */
    public record Page(UUID documentId, Content source, List<Signer> unsigned, boolean asksForNone) {

        boolean isSignedBy(SignatureTurn turn, List<Page> all) {
            boolean wanted = unsigned.stream().anyMatch(s -> s.role().equals(turn.role()));
            boolean wantedNowhere = all.stream()
                    .noneMatch(p -> p.unsigned().stream().anyMatch(s -> s.role().equals(turn.role())));
            return turn.task() == Task.SIGN && (wanted || asksForNone || wantedNowhere);
        }
    }

    /**
     * The places asked for, and for every signer without one on a paper that he signs one at the foot of its last page.
     *
     * @throws Refusal when a place lies outside the paper, or a signer has none
     */
    static List<SignField> of(List<AskDetails.AskedField> asked, List<SignatureTurn> turns, List<Page> pages) {
        List<SignField> fields = new ArrayList<>();
        for (int i = 0; i < asked.size(); i++) {
            fields.add(field(asked.get(i), "fields." + i + ".", turns, pages));
        }
        for (Page page : pages) {
            List<SignatureTurn> signing =
                    turns.stream().filter(t -> page.isSignedBy(t, pages)).toList();
            List<SignatureTurn> unplaced = signing.stream()
                    .filter(t -> fields.stream()
                            .noneMatch(f -> f.turnId().equals(t.id())
                                    && f.documentId().equals(page.documentId())
                                    && f.kind() == SignField.Kind.SIGNATURE))
                    .toList();
            for (int i = 0; i < unplaced.size(); i++) {
                fields.add(atFoot(page, unplaced.get(i).id(), i, unplaced.size()));
            }
        }
        return fields;
    }

    private static SignField field(
            AskDetails.AskedField asked, String path, List<SignatureTurn> turns, List<Page> pages) {
        Page page = pages.stream()
                .filter(p -> p.documentId().equals(asked.paperId()))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid(path + "paperId", "This paper is not among those to be signed."));
        if (asked.signer() >= turns.size() || turns.get(asked.signer()).task() != Task.SIGN) {
            throw Refusal.invalid(path + "signer", "Choose who fills this field.");
        }
        requirePage(asked.page(), page.source(), path + "page");
        return new SignField(
                asked.paperId(),
                turns.get(asked.signer()).id(),
                asked.kind(),
                asked.page(),
                Math.min(asked.left(), 1 - asked.width()),
                Math.min(asked.top(), LOWEST),
                asked.width(),
                asked.height(),
                asked.required(),
                WhoSigns.blankToNull(asked.label()),
                null);
    }

    public static void requirePage(int page, Content source, String path) {
        if (page < 1 || page > source.pages()) {
            throw Refusal.invalid(
                    path,
                    source.pages() == 1 ? "The paper has one page." : "The paper has " + source.pages() + " pages.");
        }
    }

    /** At the foot of the last page, side by side with the others there. */
    public static SignField atFoot(Page page, UUID turn, int place, int count) {
        int row = place / 3;
        double gap = count < 2 ? 0 : (0.84 - SignedCopy.BOX_WIDTH) / Math.max(2, Math.min(3, count) - 1);
        return signature(
                page.documentId(),
                turn,
                page.source().pages(),
                0.08 + place % 3 * Math.min(0.5, gap),
                Math.max(0.1, 0.84 - row * 0.12));
    }

    public static SignField signature(UUID documentId, UUID turn, int page, double left, double top) {
        return new SignField(
                documentId,
                turn,
                SignField.Kind.SIGNATURE,
                page,
                Math.min(left, 1 - SignedCopy.BOX_WIDTH),
                Math.min(top, LOWEST),
                SignedCopy.BOX_WIDTH,
                null,
                true,
                null,
                null);
    }
}
