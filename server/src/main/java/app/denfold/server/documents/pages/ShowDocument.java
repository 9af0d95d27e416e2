package app.denfold.server.documents.pages;

import app.denfold.core.rules.Decision;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Placeholder;
import app.denfold.server.content.links.Link;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.documents.guarding.Holds;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A paper with its types, its state and its versions, as it is read. */
@Service
class ShowDocument {

    private final Documents documents;
    private final Decisions decisions;
    private final Catalog catalog;
    private final Contents contents;
    private final Holds holds;
    private final PaperTurns turns;
    private final OfficePages office;

    ShowDocument(
            Documents documents,
            Decisions decisions,
            Catalog catalog,
            Contents contents,
            Holds holds,
            PaperTurns turns,
            OfficePages office) {
        this.documents = documents;
        this.decisions = decisions;
        this.catalog = catalog;
        this.contents = contents;
        this.holds = holds;
        this.turns = turns;
        this.office = office;
    }

    /**
     * @param number from 1, the oldest
     * @param turns by how many degrees clockwise each page is turned to be read; empty when none is
     * @param damage what is wrong with its stored bytes, in words
     * @param laidOut of an office file, once its pages are there
     */
    record VersionAnswer(
            int number,
            String cause,
            String madeBy,
            Instant madeAt,
            String sha256,
            long size,
            String mediaType,
            int pages,
            List<Integer> turns,
            @Nullable Link link,
            @Nullable Placeholder placeholder,
            @Nullable String damage,
            @Nullable OfficePagesController.LaidOutAnswer laidOut) {}

    /** What else a paper is. */
    record FurtherType(String code, String label) {}

    /** Who works on it now. @param own whether it is the viewer */
    record HoldAnswer(String by, Instant since, boolean own) {}

    /** @param reviewers with whom it waits for review, by name; empty for anyone */
    record DocumentAnswer(
            UUID id,
            UUID fileId,
            String type,
            String typeLabel,
            int changes,
            @Nullable String description,
            @Nullable HoldAnswer hold,
            List<FurtherType> furtherTypes,
            String name,
            LocalDate documentDate,
            @Nullable LocalDate effectiveDate,
            @Nullable LocalDate statedExpiry,
            Map<String, String> fields,
            LocalDate receivedOn,
            boolean needsReview,
            List<String> reviewers,
            boolean mayReview,
            @Nullable LocalDate acceptedOn,
            @Nullable String acceptedBy,
            @Nullable LocalDate sentBackOn,
            @Nullable String sentBackReason,
            @Nullable LocalDate enteredInErrorOn,
            @Nullable String errorReason,
            String source,
            String filedBy,
            List<Signer> signers,
            List<Signer> unsignedBy,
            List<GivenSignature> signatures,
            List<VersionAnswer> versions) {}

    @Transactional(readOnly = true)
    DocumentAnswer document(Viewer viewer, UUID id) {
        return answer(viewer, documents.visible(viewer, id));
    }

    private DocumentAnswer answer(Viewer viewer, FiledDocument d) {
        DocumentTypes types = catalog.types(d.types());
        boolean accepted = d.decision() == Decision.ACCEPTED;
        boolean sentBack = d.decision() == Decision.SENT_BACK;
        return new DocumentAnswer(
                d.id(),
                d.fileId(),
                d.type(),
                types.main().label(),
                d.changes(),
                d.description(),
                holds.of(d.id())
                        .map(h -> new HoldAnswer(
                                h.byName(), h.since(), h.accountId().equals(viewer.accountId())))
                        .orElse(null),
                types.all().stream()
                        .skip(1)
                        .map(t -> new FurtherType(t.code(), t.label()))
                        .toList(),
                d.name(),
                d.documentDate(),
                d.effectiveDate(),
                d.statedExpiry(),
                d.fields(),
                d.receivedOn(),
                types.needsReview(),
                decisions.reviewerNames(d),
                viewer.isAdministrator()
                        || d.reviewers(types).isEmpty()
                        || d.reviewers(types).contains(viewer.accountId()),
                accepted ? d.acceptedOn() : null,
                accepted ? d.acceptedBy() : null,
                sentBack ? d.sentBackOn() : null,
                sentBack ? d.sentBackReason() : null,
                d.enteredInErrorOn(),
                d.errorReason(),
                d.source(),
                d.filedBy(),
                types.signers(),
                d.unsignedBy(types),
                d.signatures(),
                versions(d));
    }

    private List<VersionAnswer> versions(FiledDocument d) {
        List<VersionAnswer> answers = new ArrayList<>();
        Map<String, String> damaged = contents.damage(
                d.versions().stream().map(DocumentVersion::sha256).toList());
        for (DocumentVersion v : d.versions()) {
            Content content = contents.content(v.sha256());
            answers.add(new VersionAnswer(
                    answers.size() + 1,
                    v.cause(),
                    v.madeBy(),
                    v.madeAt(),
                    v.sha256(),
                    content.size(),
                    content.mediaType(),
                    content.pages(),
                    turns.of(v.sha256()),
                    damaged.containsKey(v.sha256())
                            ? null
                            : contents.link(v.sha256()).orElse(null),
                    damaged.containsKey(v.sha256())
                            ? null
                            : contents.placeholder(v.sha256()).orElse(null),
                    damaged.get(v.sha256()),
                    laidOut(content)));
        }
        return answers;
    }

    private @Nullable OfficePagesController.LaidOutAnswer laidOut(Content content) {
        return OfficePages.isOffice(content)
                ? office.made(content.sha256())
                        .map(OfficePagesController.LaidOutAnswer::of)
                        .orElse(null)
                : null;
    }
}
