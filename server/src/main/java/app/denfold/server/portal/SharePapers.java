package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows papers to guests of their file, and no longer. */
@Service
public class SharePapers {

    private static final int MOST_SHARED = 500;

    private final Guests guests;
    private final ShareRepository shares;
    private final Accounts accounts;
    private final Documents documents;
    private final Contents contents;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    SharePapers(
            Guests guests,
            ShareRepository shares,
            Accounts accounts,
            Documents documents,
            Contents contents,
            Outbox outbox,
            AuditTrail trail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.guests = guests;
        this.shares = shares;
        this.accounts = accounts;
        this.documents = documents;
        this.contents = contents;
        this.outbox = outbox;
        this.trail = trail;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /**
     * Makes documents visible to a guest of their file, and tells him by one mail. What he sees already is left as it is.
     *
     * @throws Refusal when one of them cannot be shared, or he sees all of them already
     */
    @Transactional
    public void share(Viewer viewer, List<UUID> documentIds, UUID accountId) {
        viewer.requireChange();
        if (documentIds.isEmpty() || documentIds.size() > MOST_SHARED) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST_SHARED + " papers.");
        }
        List<FiledDocument> chosen =
                documentIds.stream().map(id -> documents.visible(viewer, id)).toList();
        int shared = show(viewer, chosen, accountId);
        FiledDocument last = chosen.get(chosen.size() - 1);
        Viewer guest = guests.guestOf(last.fileId(), accountId);
        if (shared == 0) {
            throw Refusal.conflict(
                    "shared-already",
                    (chosen.size() == 1 ? "This paper is" : "These papers are") + " shared with " + guest.name()
                            + " already.");
        }
        tellOf(viewer, last.fileId(), guest, shared);
    }

    /**
     * Makes copies visible to a guest of the file of their papers, and tells him by one mail of those papers that he did not
     * see before; of the others he sees the copy from now on. Once a paper or its covers change, he sees it as it then
     * stands, with its covers closed.
     *
     * @param copies of whose papers the viewer may see each; at least one
     * @throws Refusal when one of them cannot be shared
     */
    @Transactional
    public void shareCopies(Viewer viewer, List<CopyOf> copies, UUID accountId) {
        viewer.requireChange();
        List<FiledDocument> chosen = copies.stream()
                .map(c -> documents.visible(viewer, c.documentId))
                .toList();
        int shared = show(viewer, chosen, accountId);
        copies.forEach(c -> shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(accountId, c.documentId)
                .ifPresent(s -> s.showCopy(c.copyId)));
        UUID fileId = chosen.get(0).fileId();
        if (shared > 0) {
            tellOf(viewer, fileId, guests.guestOf(fileId, accountId), shared);
        }
    }

    /** A copy of a paper. */
    public record CopyOf(UUID documentId, UUID copyId) {}

    private void tellOf(Viewer viewer, UUID fileId, Viewer guest, int papers) {
        if (accounts.hasPassword(guest.accountId())) {
            tell(viewer, fileId, guest, papers);
        }
    }

    /** Makes documents visible to a guest of their file without a mail of its own; what he sees already stays so. */
    @Transactional
    public void showWith(Viewer viewer, List<UUID> documentIds, UUID accountId) {
        viewer.requireChange();
        show(
                viewer,
                documentIds.stream().map(id -> documents.visible(viewer, id)).toList(),
                accountId);
    }

    /** @return how many he did not see before */
    private int show(Viewer viewer, List<FiledDocument> chosen, UUID accountId) {
        int shared = 0;
        for (FiledDocument paper : chosen) {
            Viewer guest = guests.guestOf(paper.fileId(), accountId);
            requireSomethingToSee(paper);
            if (shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(accountId, paper.id())
                    .isEmpty()) {
                shares.save(new Share(accountId, paper.id(), paper.fileId(), viewer.name(), calendar.now()));
                trail.record(new AuditEntry(
                        viewer.actor(),
                        "shared",
                        paper.fileId(),
                        paper.id(),
                        "shared “" + paper.name() + "” with " + guest.name()));
                shared++;
            }
        }
        return shared;
    }

    private void requireSomethingToSee(FiledDocument paper) {
        if (paper.isEnteredInError()) {
            throw notShared(paper, "entered-in-error", "was marked as entered in error");
        }
        if (paper.isAwaited()) {
            throw notShared(paper, "awaited", "has not come yet");
        }
        if (contents.placeholder(paper.latest().sha256()).isPresent()) {
            throw notShared(paper, "on-paper", "lies on paper, so there is nothing to see of it,");
        }
    }

    private static Refusal notShared(FiledDocument paper, String code, String why) {
        return Refusal.conflict(code, "“" + paper.name() + "” " + why + " and cannot be shared. Nothing was shared.");
    }

    private void tell(Viewer viewer, UUID fileId, Viewer guest, int papers) {
        String what = papers == 1 ? "a new paper" : papers + " new papers";
        String body = "Dear " + guest.name() + ",\n\n" + settings.name() + " has put " + what
                + " into the portal for you. Sign in to read "
                + (papers == 1 ? "it" : "them") + ":\n\n  " + address + "\n\nKind regards,\n" + viewer.name() + "\n"
                + settings.look().closing();
        String subject = what.substring(0, 1).toUpperCase(Locale.ROOT) + what.substring(1) + " in the portal of "
                + settings.name();
        outbox.queue(viewer, new Message(fileId, "share", guest.email(), subject, body));
    }

    /** Where a paper leaves its file, those who saw it there see it no longer. */
    @EventListener
    void on(DocumentLeft event) {
        shares.findByDocumentIdAndWithdrawnAtIsNull(event.documentId()).forEach(s -> s.withdraw(calendar.now()));
    }

    @EventListener
    void on(DocumentDestroyed event) {
        shares.deleteByDocumentId(event.documentId());
    }

    /** Makes a shared document invisible to the guest again. */
    @Transactional
    public void withdraw(Viewer viewer, UUID documentId, UUID accountId) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        Share share = shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(accountId, documentId)
                .orElseThrow(() -> Refusal.notFound("share"));
        share.withdraw(calendar.now());
        trail.record(new AuditEntry(
                viewer.actor(),
                "share-withdrawn",
                document.fileId(),
                documentId,
                "no longer shares “" + document.name() + "” with "
                        + accounts.viewer(accountId).map(Viewer::name).orElse("a guest")));
    }
}
