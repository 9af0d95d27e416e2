package app.denfold.server.portal.seeing;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.SensitiveThings;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.portal.GuestRight;
import app.denfold.server.portal.GuestRights;
import app.denfold.server.portal.Share;
import app.denfold.server.portal.ShareRepository;
import app.denfold.server.portal.SharedCopies;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The papers that somebody outside sees: those shown to him singly, and those he sees by right. By right nobody sees a
 * sensitive paper, nor one that is not settled; such are shown singly or not at all.
 */
@Service
public class ShownPapers {

    private final GuestRights rights;
    private final ShareRepository shares;
    private final Documents documents;
    private final Contents contents;
    private final Catalog catalog;
    private final ObjectProvider<SensitiveThings> sensitive;
    private final GivenOut given;
    private final ObjectProvider<SharedCopies> copies;
    private final PracticeCalendar calendar;

    ShownPapers(
            GuestRights rights,
            ShareRepository shares,
            Documents documents,
            Contents contents,
            Catalog catalog,
            ObjectProvider<SensitiveThings> sensitive,
            GivenOut given,
            ObjectProvider<SharedCopies> copies,
            PracticeCalendar calendar) {
        this.rights = rights;
        this.shares = shares;
        this.documents = documents;
        this.contents = contents;
        this.catalog = catalog;
        this.sensitive = sensitive;
        this.given = given;
        this.copies = copies;
        this.calendar = calendar;
    }

    /** @param since when it was shown @param singly by somebody who chose it, not by right */
    public record Shown(FiledDocument paper, Instant since, boolean singly) {}

    /** All of them, the last shown first. */
    @Transactional(readOnly = true)
    public List<Shown> of(UUID accountId) {
        Map<UUID, Shown> all = new LinkedHashMap<>();
        List<GuestRight> held = rights.of(accountId);
        Set<UUID> files = held.stream().map(GuestRight::fileId).collect(Collectors.toSet());
        for (Share share : shares.findByAccountIdAndWithdrawnAtIsNullOrderBySharedAtDesc(accountId)) {
            FiledDocument paper = documents.document(share.documentId());
            if (files.contains(paper.fileId()) && !paper.isEnteredInError()) {
                all.put(paper.id(), new Shown(paper, share.sharedAt(), true));
            }
        }
        held.forEach(right -> byRight(right).forEach(shown -> all.putIfAbsent(shown.paper.id(), shown)));
        return all.values().stream()
                .sorted(Comparator.comparing(Shown::since).reversed())
                .toList();
    }

    private List<Shown> byRight(GuestRight right) {
        if (!right.granted().allowsSomewhere(Deed.SEE, calendar.today())) {
            return List.of();
        }
        Set<String> hidden = hidden();
        return documents.ofFile(right.fileId()).stream()
                .filter(paper -> isByRight(right, paper, hidden))
                .map(paper -> new Shown(paper, byRightSince(right, paper), false))
                .toList();
    }

    private Set<String> hidden() {
        return sensitive.stream()
                .flatMap(s -> s.typesWithSections().keySet().stream())
                .collect(Collectors.toSet());
    }

    private boolean isByRight(GuestRight right, FiledDocument paper, Set<String> hidden) {
        return right.granted().allows(Deed.SEE, sectionOf(paper), calendar.today())
                && paper.types().stream().noneMatch(hidden::contains)
                && documents.state(paper) == DocumentState.FILED
                && contents.placeholder(paper.latest().sha256()).isEmpty();
    }

    /** @param since when it was shown */
    public record SeenBy(UUID accountId, Instant since) {}

    /** Who outside sees a paper. */
    @Transactional(readOnly = true)
    public List<SeenBy> by(FiledDocument paper) {
        Map<UUID, Instant> singly = paper.isEnteredInError()
                ? Map.of()
                : shares.findByDocumentIdAndWithdrawnAtIsNull(paper.id()).stream()
                        .collect(Collectors.toMap(Share::accountId, Share::sharedAt, (a, b) -> a));
        Set<String> hidden = hidden();
        return rights.ofFile(paper.fileId()).stream()
                .flatMap(right -> {
                    Instant shown = singly.get(right.accountId());
                    return shown != null
                            ? Stream.of(new SeenBy(right.accountId(), shown))
                            : isByRight(right, paper, hidden)
                                    ? Stream.of(new SeenBy(right.accountId(), byRightSince(right, paper)))
                                    : Stream.empty();
                })
                .toList();
    }

    private static Instant byRightSince(GuestRight right, FiledDocument paper) {
        Instant filed = paper.createdAt();
        return filed.isAfter(right.grantedAt()) ? filed : right.grantedAt();
    }

    /** Code of the section in which a paper lies. */
    public String sectionOf(FiledDocument paper) {
        return catalog.type(paper.type()).section();
    }

    /** One of them. @throws Refusal when the account does not see it, or no longer */
    @Transactional(readOnly = true)
    public FiledDocument one(UUID accountId, UUID documentId) {
        return find(accountId, documentId).orElseThrow(() -> Refusal.notFound("paper"));
    }

    /**
     * The bytes that somebody sees of a paper that is shown to him: the copy that was made for him, as long as it is what he
     * may see, else the newest version with its covers closed.
     */
    public String bytes(UUID accountId, UUID documentId) {
        return shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(accountId, documentId)
                .map(Share::copyId)
                .flatMap(copy ->
                        copies.stream().flatMap(c -> c.present(copy).stream()).findFirst())
                .orElseGet(() -> given.closedNewest(documentId));
    }

    public boolean sees(UUID accountId, UUID documentId) {
        return find(accountId, documentId).isPresent();
    }

    private Optional<FiledDocument> find(UUID accountId, UUID documentId) {
        Optional<FiledDocument> paper = documents.outsideWastebasket(documentId).filter(p -> rights.in(
                        accountId, p.fileId())
                .filter(right -> isSingly(accountId, p) || isByRight(right, p, hidden()))
                .isPresent());
        // read before the transaction ends
        paper.ifPresent(FiledDocument::latest);
        return paper;
    }

    private boolean isSingly(UUID accountId, FiledDocument paper) {
        return !paper.isEnteredInError()
                && shares.findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(accountId, paper.id())
                        .isPresent();
    }
}
