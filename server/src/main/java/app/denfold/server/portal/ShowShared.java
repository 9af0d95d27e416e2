package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.documents.Documents;
import app.denfold.server.people.PersonFiles;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who outside sees what of a file, and what is asked of whom, as far as the viewer may know it. */
@Service
class ShowShared {

    private final Asks asks;
    private final PersonFiles files;
    private final Documents documents;
    private final Accounts accounts;
    private final GuestRightRepository rights;
    private final ShareRepository shares;

    ShowShared(
            Asks asks,
            PersonFiles files,
            Documents documents,
            Accounts accounts,
            GuestRightRepository rights,
            ShareRepository shares) {
        this.asks = asks;
        this.files = files;
        this.documents = documents;
        this.accounts = accounts;
        this.rights = rights;
        this.shares = shares;
    }

    record GuestAnswer(
            UUID accountId,
            String name,
            String email,
            String relation,
            RightsDetails rights,
            boolean hasPassword,
            boolean closed) {}

    record ShareAnswer(
            UUID documentId,
            String documentName,
            UUID accountId,
            String guestName,
            String sharedBy,
            Instant sharedAt) {}

    /** @param guestName for whom it is; null for an older one that named nobody */
    record OpenAskAnswer(
            UUID id,
            @Nullable String guestName,
            String label,
            String why,
            @Nullable String words,
            String askedBy,
            Instant askedAt) {}

    record SharedAnswer(List<GuestAnswer> guests, List<ShareAnswer> shares, List<OpenAskAnswer> asks) {}

    @Transactional(readOnly = true)
    SharedAnswer ofFile(Viewer viewer, UUID id) {
        files.visible(viewer, id);
        List<GuestAnswer> invited =
                rights.findByFileId(id).stream().map(this::guest).toList();
        List<Share> all = shares.findByFileIdAndWithdrawnAtIsNullOrderBySharedAtDesc(id);
        Map<UUID, String> names = new HashMap<>();
        documents
                .visible(viewer, all.stream().map(Share::documentId).toList())
                .forEach(d -> names.put(d.id(), d.name()));
        List<ShareAnswer> shared = all.stream()
                .filter(s -> names.containsKey(s.documentId()))
                .map(s -> share(s, Objects.requireNonNull(names.get(s.documentId()))))
                .toList();
        List<OpenAskAnswer> asked = asks.ofFile(viewer, id).stream()
                .map(a -> new OpenAskAnswer(
                        a.ask().id(),
                        a.ask().accountId() == null
                                ? a.ask().address()
                                : accounts.viewer(a.ask().accountId())
                                        .map(Viewer::name)
                                        .orElse("closed account"),
                        a.label(),
                        a.why(),
                        a.ask().words(),
                        a.ask().askedBy(),
                        a.ask().askedAt()))
                .toList();
        return new SharedAnswer(invited, shared, asked);
    }

    private GuestAnswer guest(GuestRight right) {
        Viewer account = accounts.viewerEvenIfClosed(right.accountId()).orElseThrow();
        return new GuestAnswer(
                account.accountId(),
                account.name(),
                account.email(),
                right.relation(),
                RightsDetails.of(right.granted()),
                accounts.hasPassword(account.accountId()),
                accounts.viewer(account.accountId()).isEmpty());
    }

    private ShareAnswer share(Share share, String name) {
        return new ShareAnswer(
                share.documentId(),
                name,
                share.accountId(),
                accounts.viewer(share.accountId()).map(Viewer::name).orElse("closed account"),
                share.sharedBy(),
                share.sharedAt());
    }
}
