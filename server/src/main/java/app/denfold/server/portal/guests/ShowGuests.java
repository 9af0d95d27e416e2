package app.denfold.server.portal.guests;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.audit.TrailLine;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.portal.Asks;
import app.denfold.server.portal.GuestRight;
import app.denfold.server.portal.GuestRightRepository;
import app.denfold.server.portal.RightsDetails;
import app.denfold.server.portal.page.Portal;
import app.denfold.server.portal.seeing.SeenOfSent;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All guests, as far as the viewer knows the files they come for. */
@Service
class ShowGuests {

    private static final int MOST_ACTS = 200;

    private final GuestRightRepository rights;
    private final Accounts accounts;
    private final PersonFiles files;
    private final Documents documents;
    private final Portal portal;
    private final Asks asks;
    private final Arrivals arrivals;
    private final SeenOfSent seen;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    ShowGuests(
            GuestRightRepository rights,
            Accounts accounts,
            PersonFiles files,
            Documents documents,
            Portal portal,
            Asks asks,
            Arrivals arrivals,
            SeenOfSent seen,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.rights = rights;
        this.accounts = accounts;
        this.files = files;
        this.documents = documents;
        this.portal = portal;
        this.asks = asks;
        this.arrivals = arrivals;
        this.seen = seen;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param ended whether its last day is past */
    record FileOfGuest(UUID fileId, String name, String number, String relation, RightsDetails rights, boolean ended) {}

    /** @param lastVisit when the guest last signed in; null when that was never */
    record GuestOverview(
            UUID accountId,
            String name,
            String email,
            boolean hasPassword,
            boolean closed,
            @Nullable Instant lastVisit,
            List<FileOfGuest> files) {}

    @Transactional(readOnly = true)
    List<GuestOverview> all(Viewer viewer) {
        Map<UUID, List<GuestRight>> byGuest =
                rights.findAll().stream().collect(Collectors.groupingBy(GuestRight::accountId));
        Set<UUID> visible = files.visibleAmong(
                viewer,
                byGuest.values().stream()
                        .flatMap(List::stream)
                        .map(GuestRight::fileId)
                        .distinct()
                        .toList());
        return byGuest.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(r -> visible.contains(r.fileId())))
                .map(e -> overview(
                        e.getKey(),
                        e.getValue().stream()
                                .filter(r -> visible.contains(r.fileId()))
                                .toList()))
                .sorted(Comparator.comparing(GuestOverview::name))
                .toList();
    }

    private GuestOverview overview(UUID accountId, List<GuestRight> held) {
        Viewer guest = accounts.viewerEvenIfClosed(accountId).orElseThrow();
        return new GuestOverview(
                accountId,
                guest.name(),
                guest.email(),
                accounts.hasPassword(accountId),
                accounts.viewer(accountId).isEmpty(),
                accounts.lastVisit(accountId).orElse(null),
                held.stream()
                        .map(this::fileOf)
                        .sorted(Comparator.comparing(FileOfGuest::name))
                        .toList());
    }

    private FileOfGuest fileOf(GuestRight right) {
        PersonFile file = files.file(right.fileId());
        return new FileOfGuest(
                file.id(),
                file.name(),
                file.number(),
                right.relation(),
                RightsDetails.of(right.granted()),
                !right.granted().holdsOn(calendar.today()));
    }

    private Set<UUID> filesOf(Viewer viewer, UUID guest) {
        List<UUID> held =
                rights.findByAccountId(guest).stream().map(GuestRight::fileId).toList();
        Set<UUID> visible = files.visibleAmong(viewer, held);
        if (visible.isEmpty()) {
            throw Refusal.notFound("guest");
        }
        return visible;
    }

    /** The portal as the guest sees it now, without what the viewer himself may not see. */
    @Transactional(readOnly = true)
    Portal.PortalAnswer asSeenBy(Viewer viewer, UUID accountId) {
        Set<UUID> visible = filesOf(viewer, accountId);
        Viewer guest = accounts.viewer(accountId).orElseThrow(() -> Refusal.notFound("guest"));
        Portal.PortalAnswer page = portal.portal(guest);
        Set<UUID> papers =
                documents
                        .visible(
                                viewer,
                                page.shared().stream()
                                        .map(Portal.SharedPaper::documentId)
                                        .toList())
                        .stream()
                        .map(FiledDocument::id)
                        .collect(Collectors.toSet());
        Set<UUID> asked = visible.stream()
                .flatMap(file -> asks.ofFile(viewer, file).stream())
                .map(a -> a.ask().id())
                .collect(Collectors.toSet());
        Set<UUID> sent = arrivals.sentBy(accountId).stream()
                .filter(s -> s.fileId() != null && visible.contains(s.fileId()) && seen.maySee(viewer, s))
                .map(Arrivals.Sent::id)
                .collect(Collectors.toSet());
        return new Portal.PortalAnswer(
                page.practice(),
                page.colour(),
                page.guest(),
                page.previousVisit(),
                page.people().stream().filter(p -> visible.contains(p.fileId())).toList(),
                page.asks().stream().filter(a -> asked.contains(a.id())).toList(),
                page.shared().stream()
                        .filter(s -> papers.contains(s.documentId()))
                        .toList(),
                page.sent().stream().filter(s -> sent.contains(s.id())).toList());
    }

    /** What the guest did in the files the viewer knows, the last first. */
    @Transactional(readOnly = true)
    List<TrailLine> did(Viewer viewer, UUID accountId) {
        return trail.ofActor(viewer, accountId, filesOf(viewer, accountId), MOST_ACTS);
    }
}
