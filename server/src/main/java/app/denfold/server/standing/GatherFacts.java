package app.denfold.server.standing;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.filing.Subject;
import app.denfold.core.people.RelationKind;
import app.denfold.core.people.Representation;
import app.denfold.core.people.Representation.Somebody;
import app.denfold.core.receiving.Held;
import app.denfold.core.receiving.Held.Reached;
import app.denfold.core.receiving.MustHave;
import app.denfold.core.receiving.PaperFacts;
import app.denfold.core.receiving.PaperFacts.Waiting;
import app.denfold.core.receiving.Receiver;
import app.denfold.core.receiving.ReceivingRule;
import app.denfold.core.rules.Decision;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.Signer;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.handover.HandOvers;
import app.denfold.server.leaving.mailing.HeldCopies;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.portal.seeing.ShownPapers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.relations.Outsider;
import app.denfold.server.relations.PeopleAround;
import app.denfold.server.relations.PeopleAround.Near;
import app.denfold.server.signing.asking.SignersOf;
import app.denfold.server.standing.PaperStandingRow.Named;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Brings together what was done about papers, wherever it is kept: signing, copies, the portal, hand-overs. */
@Component
class GatherFacts {

    private final Catalog catalog;
    private final Decisions decisions;
    private final PersonFiles files;
    private final Kinds kinds;
    private final PeopleAround around;
    private final Accounts accounts;
    private final SignersOf signers;
    private final HeldCopies copies;
    private final ShownPapers shown;
    private final HandOvers handOvers;
    private final PracticeCalendar calendar;

    GatherFacts(
            Catalog catalog,
            Decisions decisions,
            PersonFiles files,
            Kinds kinds,
            PeopleAround around,
            Accounts accounts,
            SignersOf signers,
            HeldCopies copies,
            ShownPapers shown,
            HandOvers handOvers,
            PracticeCalendar calendar) {
        this.catalog = catalog;
        this.decisions = decisions;
        this.files = files;
        this.kinds = kinds;
        this.around = around;
        this.accounts = accounts;
        this.signers = signers;
        this.copies = copies;
        this.shown = shown;
        this.handOvers = handOvers;
        this.calendar = calendar;
    }

    /**
     * What is known of a paper.
     *
     * @param named those of the names in it who have a label or a file of their own
     */
    record Gathered(PaperFacts facts, List<Named> named) {

        /** Somebody by the name under which the rules know them. */
        Named named(String name) {
            return named.stream()
                    .filter(n -> n.name().equals(name))
                    .findFirst()
                    .orElse(new Named(name, name, null, null));
        }
    }

    /** What was done about several papers, read at once. */
    private record Done(
            Map<UUID, List<Waiting>> asked,
            Map<UUID, List<HeldCopies.HeldVersion>> copies,
            Map<UUID, List<Held>> signed,
            Map<UUID, List<Held>> handed) {}

    Map<UUID, Gathered> of(Collection<FiledDocument> papers) {
        Map<UUID, DocumentTypes> types = new HashMap<>();
        papers.forEach(p -> types.put(p.id(), catalog.types(p.types())));
        Done done =
                done(papers.stream().filter(p -> isFollowed(p, types(types, p))).toList());
        return papers.stream().collect(Collectors.toMap(FiledDocument::id, p -> gather(p, types(types, p), done)));
    }

    /** Whether what was done elsewhere matters for the paper; most need nothing of that. */
    boolean isFollowed(FiledDocument paper) {
        return isFollowed(paper, catalog.types(paper.types()));
    }

    private static boolean isFollowed(FiledDocument paper, DocumentTypes types) {
        return paper.state(types) == DocumentState.UNSIGNED
                || !types.receiving(LocalDate.MAX).asksNothing();
    }

    private static DocumentTypes types(Map<UUID, DocumentTypes> all, FiledDocument paper) {
        return Objects.requireNonNull(all.get(paper.id()));
    }

    private Done done(List<FiledDocument> papers) {
        if (papers.isEmpty()) {
            return new Done(Map.of(), Map.of(), Map.of(), Map.of());
        }
        Set<UUID> ids = papers.stream().map(FiledDocument::id).collect(Collectors.toSet());
        return new Done(signers.waiting(ids), copies.of(ids), signers.copied(papers), handOvers.handedTo(ids));
    }

    private Gathered gather(FiledDocument paper, DocumentTypes types, Done done) {
        DocumentState state = paper.state(types);
        DocumentVersion newest = SignersOf.newestPaper(paper);
        boolean isFirst = paper.versions().get(0).equals(newest);
        LocalDate since = isFirst ? paper.receivedOn() : calendar.dayOf(newest.madeAt());
        List<Named> named = new ArrayList<>();
        PaperFacts itself = new PaperFacts(
                state,
                since,
                paper.decision() == Decision.SENT_BACK ? paper.sentBackOn() : paper.acceptedOn(),
                paper.signatures().stream()
                        .map(GivenSignature::signedOn)
                        .max(LocalDate::compareTo)
                        .orElse(null),
                paper.isFromOutside(),
                paper.unsignedBy(types).stream().map(Signer::label).toList(),
                done.asked.getOrDefault(paper.id(), List.of()),
                state == DocumentState.UNSIGNED ? takenAlong(paper, types, done) : List.of(),
                state == DocumentState.IN_REVIEW ? decisions.reviewerNames(paper) : List.of(),
                List.of(),
                false,
                paper.checkedOn());
        ReceivingRule rule = types.receiving(itself.completeOn());
        if (rule.asksNothing()) {
            return new Gathered(itself, named);
        }
        return new Gathered(itself.then(receivers(paper, rule, done, named), rule.secondCheck()), named);
    }

    /** Copies that lie with those who have still to sign. */
    private List<Waiting> takenAlong(FiledDocument paper, DocumentTypes types, Done done) {
        PersonFile file = files.file(paper.fileId());
        if (kinds.kind(file.kind()).subject() != Subject.PERSON) {
            return List.of();
        }
        List<Somebody> related = somebodies(around.near(file.id()));
        List<Somebody> wanted = paper.unsignedBy(types).stream()
                .flatMap(
                        s -> Representation.signer(
                                s.role(), PeopleAround.self(file), file.birthDate(), related, calendar.today())
                                .stream())
                .toList();
        return ofNewest(paper, done)
                .filter(held -> held.reached() != Reached.LOST)
                .filter(held -> wanted.stream().anyMatch(s -> held.isOf(s.name(), s.email())))
                .map(held -> new Waiting(held.name(), held.on()))
                .toList();
    }

    private static Stream<Held> ofNewest(FiledDocument paper, Done done) {
        return done.copies.getOrDefault(paper.id(), List.of()).stream()
                .filter(c -> c.version() == paper.versions().size())
                .map(HeldCopies.HeldVersion::held);
    }

    private List<MustHave> receivers(FiledDocument paper, ReceivingRule rule, Done done, List<Named> named) {
        List<Held> given = new ArrayList<>(ofNewest(paper, done).toList());
        given.addAll(done.signed.getOrDefault(paper.id(), List.of()));
        given.addAll(done.handed.getOrDefault(paper.id(), List.of()));
        shown.by(paper).forEach(seen -> accounts.viewer(seen.accountId())
                .ifPresent(guest ->
                        given.add(new Held(guest.name(), guest.email(), calendar.dayOf(seen.since()), Reached.HAS))));
        PersonFile file = files.file(paper.fileId());
        List<Near> near = around.near(file.id());
        return rule.receivers().stream()
                .flatMap(r -> all(r, file, near, given, named))
                .toList();
    }

    /** All whom a receiver of the type means for this file; one that is unknown when it means nobody. */
    private Stream<MustHave> all(
            Receiver receiver, PersonFile file, List<Near> near, List<Held> given, List<Named> named) {
        Receiver.Who who = receiver.who();
        return switch (who) {
            case PERSON -> person(file, near, given, named);
            case RELATION -> {
                RelationKind kind = RelationKind.valueOf(receiver.code());
                List<MustHave> these = near.stream()
                        .filter(n -> n.kind() == kind)
                        .map(n -> one(who, kind.label(), n.name(), n.email(), n.fileId(), given, named))
                        .toList();
                yield these.isEmpty() ? Stream.of(unknown(who, kind.label(), named)) : these.stream();
            }
            case OUTSIDER -> {
                Optional<Outsider> outsider = around.outsiderById(UUID.fromString(receiver.code()));
                yield Stream.of(outsider.map(o -> one(who, o.name(), o.name(), o.email(), null, given, named))
                        .orElseGet(() -> unknown(who, "somebody no longer known", named)));
            }
            case ROLE -> {
                Optional<Viewer> colleague = accounts.signerAs(receiver.code());
                yield Stream.of(colleague
                        .map(c -> one(who, receiver.code(), c.name(), c.email(), null, given, named))
                        .orElseGet(() -> unknown(who, receiver.code(), named)));
            }
        };
    }

    /** The person, of a child the guardians. */
    private Stream<MustHave> person(PersonFile file, List<Near> near, List<Held> given, List<Named> named) {
        Receiver.Who who = Receiver.Who.PERSON;
        List<Somebody> related = somebodies(near);
        List<Somebody> these =
                Representation.receiving(PeopleAround.self(file), file.birthDate(), related, calendar.today());
        if (these.isEmpty()) {
            return Stream.of(unknown(who, RelationKind.GUARDIAN.label(), named));
        }
        return these.stream()
                .map(s -> s.kind() == null
                        ? one(
                                who,
                                kinds.kind(file.kind()).label().toLowerCase(Locale.ROOT),
                                file.name(),
                                file.email(),
                                file.id(),
                                given,
                                named)
                        : one(who, s.kind().label(), s.name(), s.email(), ownFile(near, s), given, named));
    }

    private static List<Somebody> somebodies(List<Near> near) {
        return near.stream()
                .map(n -> new Somebody(n.kind(), n.name(), n.email()))
                .toList();
    }

    private static @Nullable UUID ownFile(List<Near> near, Somebody somebody) {
        return near.stream()
                .filter(n -> n.kind() == somebody.kind() && n.name().equals(somebody.name()))
                .findFirst()
                .map(Near::fileId)
                .orElse(null);
    }

    private static MustHave one(
            Receiver.Who who,
            String label,
            String name,
            @Nullable String email,
            @Nullable UUID fileId,
            List<Held> given,
            List<Named> named) {
        named.add(new Named(label, name, fileId, who));
        return MustHave.of(label, name, email, given);
    }

    private static MustHave unknown(Receiver.Who who, String label, List<Named> named) {
        named.add(new Named(label, label, null, who));
        return MustHave.unknown(label);
    }
}
