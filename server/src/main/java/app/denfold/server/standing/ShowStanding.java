package app.denfold.server.standing;

import app.denfold.core.receiving.Held;
import app.denfold.core.receiving.MustHave;
import app.denfold.core.receiving.PaperStanding;
import app.denfold.core.receiving.PaperStanding.Side;
import app.denfold.core.receiving.PaperStanding.Stage;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.standing.GatherFacts.Gathered;
import app.denfold.server.standing.PaperStandingRow.Named;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How one paper stands, and who must have it and has it. */
@Service
class ShowStanding {

    private final GatherFacts gather;
    private final Documents documents;
    private final PersonFiles files;

    ShowStanding(GatherFacts gather, Documents documents, PersonFiles files) {
        this.gather = gather;
        this.documents = documents;
        this.files = files;
    }

    /**
     * Somebody who must have the paper.
     *
     * @param label what they are
     * @param name null when nobody is known who is that, or the viewer may not know who
     * @param address of mail; null when none is known
     * @param given the day they were given what reached them; null when nothing did
     * @param opened false for a link that was sent and not opened yet
     */
    record ReceiverAnswer(
            String label,
            @Nullable String name,
            @Nullable String address,
            @Nullable LocalDate given,
            boolean opened) {}

    /**
     * @param waitsFor null when for nobody
     * @param names of those it waits for; empty for anyone of the practice
     * @param mayCheck whether the viewer can be the second person
     * @param checkedBy null before it was checked
     */
    record StandingAnswer(
            Stage stage,
            @Nullable Side waitsFor,
            List<String> names,
            LocalDate since,
            List<ReceiverAnswer> receivers,
            int sent,
            boolean wantsCheck,
            boolean mayCheck,
            @Nullable LocalDate checkedOn,
            @Nullable String checkedBy) {}

    /** Empty for a paper that was entered in error. @throws app.denfold.server.problems.Refusal when the viewer may not see it */
    @Transactional(readOnly = true)
    Optional<StandingAnswer> of(Viewer viewer, UUID id) {
        FiledDocument paper = documents.visible(viewer, id);
        Gathered gathered = Objects.requireNonNull(gather.of(List.of(paper)).get(id));
        return PaperStanding.of(gathered.facts()).map(s -> answer(viewer, paper, gathered, s));
    }

    private StandingAnswer answer(Viewer viewer, FiledDocument paper, Gathered gathered, PaperStanding standing) {
        Set<UUID> seen = visible(viewer, gathered.named());
        return new StandingAnswer(
                standing.stage(),
                standing.waitsFor(),
                standing.names().stream()
                        .map(gathered::named)
                        .map(n -> shown(n, seen))
                        .toList(),
                standing.since(),
                gathered.facts().receivers().stream()
                        .map(r -> receiver(r, gathered, seen))
                        .toList(),
                standing.sent(),
                standing.wantsCheck(),
                viewer.mayChange() && standing.wantsCheck() && !Decisions.hadAHand(viewer, paper),
                paper.checkedOn(),
                paper.checkedBy());
    }

    private static ReceiverAnswer receiver(MustHave one, Gathered gathered, Set<UUID> seen) {
        Held held = one.held();
        LocalDate given = held == null ? null : held.on();
        String name = one.name();
        boolean isHidden = name == null || isHidden(gathered.named(name), seen);
        return new ReceiverAnswer(
                one.label(), isHidden ? null : name, isHidden ? null : one.address(), given, one.has());
    }

    /** Ids of those files of somebody that the viewer may see. */
    Set<UUID> visible(Viewer viewer, Collection<Named> named) {
        Set<UUID> own =
                named.stream().map(Named::fileId).filter(Objects::nonNull).collect(Collectors.toSet());
        return own.isEmpty() ? Set.of() : files.visibleAmong(viewer, own);
    }

    static boolean isHidden(Named named, Set<UUID> seen) {
        return named.fileId() != null && !seen.contains(named.fileId());
    }

    /** Whose file the viewer may not see is told by what they are, and so is who is not known. */
    static String shown(Named named, Set<UUID> seen) {
        if (named.nobodyKnown()) {
            return named.label() + ", not known yet";
        }
        return isHidden(named, seen) ? named.label() : named.name();
    }
}
