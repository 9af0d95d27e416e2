package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is decided about papers: accepted or sent back by those who review them, or marked as entered in error. */
@Service
public class Decisions {

    private final Documents documents;
    private final FiledDocumentRepository repository;
    private final Catalog catalog;
    private final Accounts accounts;
    private final PracticeCalendar calendar;

    Decisions(
            Documents documents,
            FiledDocumentRepository repository,
            Catalog catalog,
            Accounts accounts,
            PracticeCalendar calendar) {
        this.documents = documents;
        this.repository = repository;
        this.catalog = catalog;
        this.accounts = accounts;
        this.calendar = calendar;
    }

    /**
     * Papers that wait for review with the viewer, or with nobody in particular, and that he may see, the longest
     * waiting first.
     */
    @Transactional(readOnly = true)
    public List<FiledDocument> toReview(Viewer viewer, int most) {
        Set<UUID> actsFor = accounts.actsFor(viewer);
        List<KeptDocumentType> reviewed =
                catalog.types().stream().filter(KeptDocumentType::needsReview).toList();
        List<KeptDocumentType> own = reviewed.stream()
                .filter(t -> t.reviewer() == null || actsFor.contains(t.reviewer()))
                .toList();
        return repository.findToReview(
                own.stream().map(KeptDocumentType::code).toArray(String[]::new),
                reviewed.stream().map(KeptDocumentType::code).toArray(String[]::new),
                actsFor,
                viewer.hiddenTypes().toArray(String[]::new),
                viewer.seesEverybody(),
                List.of(viewer.sight().teamNames()),
                List.of(viewer.sight().files()),
                Limit.of(most));
    }

    /** @param version number of the one that the viewer looked at, from 1 @throws Refusal when a newer one came */
    @Transactional
    public void accept(Viewer viewer, UUID id, int version) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        requireReviewer(viewer, document);
        document.accept(calendar.today(), viewer.name());
        decided(viewer, document, "accepted", "accepted");
    }

    /** @param version as above */
    @Transactional
    public void sendBack(Viewer viewer, UUID id, int version, String reason) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        requireReviewer(viewer, document);
        requireReason(reason);
        document.sendBack(calendar.today(), reason.strip());
        decided(viewer, document, "sent-back", "sent back (“" + reason.strip() + "”)");
    }

    private void requireReviewer(Viewer viewer, FiledDocument document) {
        Set<UUID> reviewers = document.reviewers(documents.typesOf(document));
        if (!viewer.isAdministrator()
                && !reviewers.isEmpty()
                && Collections.disjoint(reviewers, accounts.actsFor(viewer))) {
            throw Refusal.forbidden("“" + document.name() + "” waits for review with "
                    + String.join(" and ", reviewerNames(document)) + "; only they, or an administrator, decide.");
        }
    }

    /**
     * In whose place the viewer would decide about papers.
     *
     * @return names by the papers' ids; those that wait for the viewer, or for anyone, are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, String> deputyFor(Viewer viewer, Collection<FiledDocument> papers) {
        Map<UUID, String> away = accounts.viewers(accounts.actsFor(viewer)).stream()
                .filter(v -> !v.accountId().equals(viewer.accountId()))
                .collect(Collectors.toMap(Viewer::accountId, Viewer::name));
        Map<UUID, String> names = new HashMap<>();
        for (FiledDocument paper : papers) {
            Set<UUID> reviewers = paper.reviewers(documents.typesOf(paper));
            if (!reviewers.contains(viewer.accountId())) {
                reviewers.stream()
                        .filter(away::containsKey)
                        .findFirst()
                        .ifPresent(r -> names.put(paper.id(), Objects.requireNonNull(away.get(r))));
            }
        }
        return names;
    }

    /** With whom the document waits for review; empty when that is anyone. */
    public List<String> reviewerNames(FiledDocument document) {
        return accounts.viewers(document.reviewers(documents.typesOf(document))).stream()
                .map(Viewer::name)
                .sorted()
                .toList();
    }

    /** @param version as above */
    @Transactional
    public void enterInError(Viewer viewer, UUID id, int version, String reason) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        requireReason(reason);
        document.enterInError(calendar.today(), reason.strip());
        documents.changed(
                viewer.actor(),
                document,
                "entered-in-error",
                "marked “" + document.name() + "” as entered in error (“" + reason.strip() + "”)");
    }

    /**
     * Notes that a second person checked the paper.
     *
     * @param version as above
     * @throws Refusal when the viewer is the one who filed it, made a version of it or accepted it
     */
    @Transactional
    public void check(Viewer viewer, UUID id, int version) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        if (document.checkedOn() != null) {
            throw Refusal.conflict(
                    "checked", "“" + document.name() + "” was checked by " + document.checkedBy() + " already.");
        }
        if (hadAHand(viewer, document)) {
            throw Refusal.conflict(
                    "second-person", "You had a hand in “" + document.name() + "” yourself; somebody else checks it.");
        }
        document.check(calendar.today(), viewer.name());
        decided(viewer, document, "checked", "checked");
    }

    /** Takes a check back. @throws Refusal when there is none, or somebody else did it */
    @Transactional
    public void uncheck(Viewer viewer, UUID id) {
        FiledDocument document = documents.open(viewer, id);
        if (document.checkedOn() == null) {
            throw Refusal.conflict("not-checked", "“" + document.name() + "” is not checked.");
        }
        if (!viewer.isAdministrator() && !viewer.name().equals(document.checkedBy())) {
            throw Refusal.forbidden("Only " + document.checkedBy() + ", or an administrator, takes back the check of “"
                    + document.name() + "”.");
        }
        document.uncheck();
        decided(viewer, document, "unchecked", "took back the check of");
    }

    /** Whether this viewer filed the paper, made a version of it or accepted it, and so is not a second person to it. */
    public static boolean hadAHand(Viewer viewer, FiledDocument document) {
        return viewer.name().equals(document.filedBy())
                || document.versions().stream().anyMatch(v -> viewer.name().equals(v.madeBy()))
                || viewer.name().equals(document.acceptedBy());
    }

    private void decided(Viewer viewer, FiledDocument document, String action, String words) {
        String before = document.name();
        documents.renamed(document);
        documents.changed(viewer.actor(), document, action, words + " “" + before + "”");
    }

    private static void requireReason(String reason) {
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "A reason is needed; others will read it.");
        }
    }
}
