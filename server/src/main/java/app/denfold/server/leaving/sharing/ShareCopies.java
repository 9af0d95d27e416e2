package app.denfold.server.leaving.sharing;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.leaving.CopiesOut;
import app.denfold.server.leaving.CopiesOut.Given;
import app.denfold.server.leaving.CopiesOut.Handing;
import app.denfold.server.portal.SharePapers;
import app.denfold.server.portal.SharePapers.CopyOf;
import app.denfold.server.portal.SharedCopies;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts copies into the portal for a guest, who then sees just what was looked at before. */
@Service
class ShareCopies implements SharedCopies {

    private final CopiesOut copies;
    private final SharePapers sharing;
    private final Accounts accounts;

    ShareCopies(CopiesOut copies, SharePapers sharing, Accounts accounts) {
        this.copies = copies;
        this.sharing = sharing;
        this.accounts = accounts;
    }

    /** @throws Refusal when one cannot be given, or was made for somebody else; then none is */
    @Transactional
    public void share(Viewer viewer, List<UUID> ids, UUID accountId, boolean evenIfReadable) {
        viewer.requireChange();
        List<Given> given = copies.give(viewer, ids, Handing.inPortal(evenIfReadable));
        String guest =
                accounts.viewer(accountId).map(Viewer::name).orElseThrow(() -> Refusal.notFound("guest of this file"));
        given.stream().filter(g -> !g.reader().equals(guest)).findFirst().ifPresent(other -> {
            throw Refusal.conflict(
                    "other-reader",
                    "Copy " + other.number() + " was made for " + other.reader() + ", not for " + guest + ".");
        });
        sharing.shareCopies(
                viewer,
                given.stream().map(g -> new CopyOf(g.documentId(), g.id())).toList(),
                accountId);
    }

    @Override
    public Optional<String> present(UUID copyId) {
        return copies.present(copyId);
    }
}
