package app.denfold.server.portal;

import app.denfold.server.access.Accounts;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Documents;
import app.denfold.server.people.Files;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The staff's side of the portal: who sees what of a file. */
@RestController
class SharedController {

    private final Guests guests;
    private final Asks asks;
    private final Files files;
    private final Documents documents;
    private final Accounts accounts;
    private final PortalRepositories.Rights rights;
    private final PortalRepositories.Shares shares;

    SharedController(
            Guests guests,
            Asks asks,
            Files files,
            Documents documents,
            Accounts accounts,
            PortalRepositories.Rights rights,
            PortalRepositories.Shares shares) {
        this.guests = guests;
        this.asks = asks;
        this.files = files;
        this.documents = documents;
        this.accounts = accounts;
        this.rights = rights;
        this.shares = shares;
    }

    record GuestAnswer(
            UUID accountId, String name, String email, String relation, boolean hasPassword, boolean closed) {}

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

    record InviteRequest(
            @NotBlank(message = "is needed") String name,

            @NotBlank(message = "is needed") @Email(message = "is not a mail address")
            String email,

            @NotBlank(message = "is needed") String relation) {}

    record InvitedAnswer(UUID accountId) {}

    record ShareRequest(@NotNull(message = "is needed") UUID accountId) {}

    /** @param accountId the guest for whom it is */
    record AskRequest(
            @NotNull(message = "is needed") UUID accountId,
            @NotBlank String checklist,
            @NotBlank String requirement,
            @Nullable String words) {}

    @GetMapping("/api/files/{id}/shared")
    @Transactional(readOnly = true)
    SharedAnswer shared(Viewer viewer, @PathVariable UUID id) {
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
                .map(s -> share(s, names.get(s.documentId())))
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

    @PostMapping("/api/files/{id}/guests")
    @ResponseStatus(HttpStatus.CREATED)
    InvitedAnswer invite(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody InviteRequest body) {
        return new InvitedAnswer(guests.invite(viewer, id, body.name(), body.email(), body.relation()));
    }

    @PostMapping("/api/files/{id}/guests/{accountId}/invitation")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void inviteAgain(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        guests.inviteAgain(viewer, id, accountId);
    }

    @PostMapping("/api/files/{id}/asks")
    @ResponseStatus(HttpStatus.CREATED)
    void ask(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody AskRequest body) {
        asks.ask(viewer, id, body.accountId(), body.checklist(), body.requirement(), body.words());
    }

    @PostMapping("/api/files/{id}/asks/{askId}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdrawAsk(Viewer viewer, @PathVariable UUID id, @PathVariable UUID askId) {
        asks.withdraw(viewer, id, askId);
    }

    /** Ends at once all that a guest may do and see in the file. */
    @DeleteMapping("/api/files/{id}/guests/{accountId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endGuest(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        guests.end(viewer, id, accountId);
    }

    @PostMapping("/api/documents/{id}/shares")
    @ResponseStatus(HttpStatus.CREATED)
    void share(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ShareRequest body) {
        guests.share(viewer, List.of(id), body.accountId());
    }

    record ShareManyRequest(
            @NotNull(message = "is needed") UUID accountId,
            @NotNull List<UUID> documents) {}

    /** Shares several papers of one file with one of its guests. */
    @PostMapping("/api/shares")
    @ResponseStatus(HttpStatus.CREATED)
    void shareMany(Viewer viewer, @Valid @RequestBody ShareManyRequest body) {
        guests.share(viewer, body.documents(), body.accountId());
    }

    @DeleteMapping("/api/documents/{id}/shares/{accountId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Viewer viewer, @PathVariable UUID id, @PathVariable UUID accountId) {
        guests.withdraw(viewer, id, accountId);
    }
}
