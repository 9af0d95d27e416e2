package app.denfold.server.coverage.ledger;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.rules.DocumentReason;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Status;
import app.denfold.core.rules.Verdict;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.coverage.SlotKey;
import app.denfold.server.coverage.Waiver;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.AsOf;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A file as its reader sees it: sections with their slots and papers, and how the file stands. */
@Service
public class Ledger {

    private final PersonFiles files;
    private final EvaluateFile evaluate;
    private final Catalog catalog;
    private final PracticeCalendar calendar;

    Ledger(PersonFiles files, EvaluateFile evaluate, Catalog catalog, PracticeCalendar calendar) {
        this.files = files;
        this.evaluate = evaluate;
        this.catalog = catalog;
        this.calendar = calendar;
    }

    /**
     * @param clear whether it is, whatever of it the viewer may see
     * @param clearThrough null when not clear, or clear without end
     * @param openSlots blocking ones that are open and that the viewer may see
     * @param hiddenOpen how many are open besides
     */
    public record LedgerAnswer(
            boolean clear,
            @Nullable LocalDate clearThrough,
            int openSlots,
            int hiddenOpen,
            List<SectionAnswer> sections,
            List<LedgerPaper> otherPapers) {}

    public record SectionAnswer(String code, String label, int met, int of, List<SlotAnswer> slots) {}

    /**
     * @param since first day of the present status; null when it was never another
     * @param reasons why it stands so, one sentence per document
     */
    public record SlotAnswer(
            String checklist,
            String requirement,
            String label,
            Status status,
            boolean blocking,
            @Nullable LocalDate since,
            @Nullable LocalDate coveredThrough,
            @Nullable LocalDate due,
            Renewal renewal,
            @Nullable LocalDate nextChangeOn,
            @Nullable Status nextStatus,
            List<String> types,
            List<String> reasons,
            List<LedgerPaper> papers) {}

    /** @param counts whether it counts for the slot beside which it stands @param state on the day that is known */
    public record LedgerPaper(
            UUID id,
            String name,
            String type,
            String typeLabel,
            LocalDate documentDate,
            DocumentState state,
            boolean counts,
            int versions,
            int changes) {}

    /** @throws Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public LedgerAnswer of(Viewer viewer, UUID fileId, AsOf day) {
        PersonFile file = files.visible(viewer, fileId);
        return new Build(viewer, evaluate.evaluate(file, day.known()), day).answer();
    }

    /** One slot of a file. @throws Refusal when there is none or the viewer may not see it */
    @Transactional(readOnly = true)
    SlotAnswer slot(Viewer viewer, UUID fileId, SlotKey key, AsOf day) {
        PersonFile file = files.visible(viewer, fileId);
        Build build = new Build(viewer, evaluate.evaluate(file, day.known()), day);
        return build.slots()
                .filter(s -> s.checklist().equals(key.checklist()) && s.code().equals(key.requirement()))
                .findFirst()
                .map(build::slot)
                .orElseThrow(() -> Refusal.notFound("slot"));
    }

    /** The slots of a file that are not met or about to lapse, for telling people about them. */
    @Transactional(readOnly = true)
    public List<SlotAnswer> openSlots(Viewer viewer, UUID fileId) {
        return of(viewer, fileId, calendar.asOf(null, null)).sections().stream()
                .flatMap(s -> s.slots().stream())
                .filter(Ledger::isWanting)
                .toList();
    }

    /** The same whoever asks; for the product's own work. */
    @Transactional(readOnly = true)
    public List<SlotAnswer> openSlots(UUID fileId) {
        PersonFile file = files.file(fileId);
        AsOf today = calendar.asOf(null, null);
        return new Build(Viewer.product(), evaluate.evaluate(file, today.known()), today)
                .answer().sections().stream()
                        .flatMap(s -> s.slots().stream())
                        .filter(Ledger::isWanting)
                        .toList();
    }

    /** True for a slot that a new paper from the person would help. */
    static boolean isWanting(SlotAnswer slot) {
        return slot.status().isWanting(slot.renewal());
    }

    private final class Build {
        private final Viewer viewer;
        private final EvaluateFile.Evaluated evaluated;
        private final Catalog.Rules rules;
        private final LocalDate day;
        private final LocalDate known;
        private final Map<String, FiledDocument> papers;
        private final Set<UUID> placed = new HashSet<>();

        Build(Viewer viewer, EvaluateFile.Evaluated evaluated, AsOf asked) {
            this.viewer = viewer;
            this.evaluated = evaluated;
            this.rules = evaluated.rules();
            this.day = asked.on();
            this.known = asked.known();
            this.papers = evaluated.documents().stream()
                    .filter(d -> viewer.maySee(d.types()))
                    .filter(d -> !d.receivedOn().isAfter(known))
                    .collect(Collectors.toMap(d -> d.id().toString(), d -> d));
        }

        LedgerAnswer answer() {
            List<SectionAnswer> sections = new ArrayList<>();
            for (Section section : catalog.sections()) {
                SectionAnswer answer = section(section);
                if (!answer.slots().isEmpty()) {
                    sections.add(answer);
                }
            }
            Verdict verdict = EvaluateFile.verdict(viewer, evaluated.known(), day);
            return new LedgerAnswer(
                    verdict.clear(), verdict.clearThrough(), verdict.open(), verdict.hiddenOpen(), sections, others());
        }

        private SectionAnswer section(Section section) {
            List<SlotAnswer> slots = new ArrayList<>();
            int met = 0;
            for (SlotCourse course : slots().toList()) {
                Status status = course.statusOn(day);
                if (status != Status.NOT_APPLICABLE && sectionOf(course).equals(section.code())) {
                    slots.add(slot(course));
                    met += status.isMet() ? 1 : 0;
                }
            }
            return new SectionAnswer(section.code(), section.label(), met, slots.size(), slots);
        }

        Stream<SlotCourse> slots() {
            return evaluated.known().slots().stream().filter(s -> EvaluateFile.isVisible(viewer, s, day));
        }

        private String sectionOf(SlotCourse course) {
            return rules.sectionOf(course.requirementOn(day));
        }

        SlotAnswer slot(SlotCourse course) {
            RequirementAnswer answer = course.on(day);
            Set<String> types = course.requirementOn(day).types();
            return new SlotAnswer(
                    answer.checklist(),
                    answer.requirement(),
                    rules.label(answer.checklist(), answer.requirement()),
                    answer.status(),
                    answer.level() == Requirement.Level.BLOCKING,
                    course.since(day).orElse(null),
                    coveredThrough(answer),
                    answer.due(),
                    answer.renewal(),
                    answer.nextChange() == null ? null : answer.nextChange().on(),
                    answer.nextChange() == null ? null : answer.nextChange().status(),
                    List.copyOf(types),
                    reasons(course, answer, types),
                    papersOf(types, answer));
        }

        private @Nullable LocalDate coveredThrough(RequirementAnswer answer) {
            if (answer.status() != Status.WAIVED) {
                return answer.coveredThrough();
            }
            return waiver(answer).map(Waiver::toDay).orElse(null);
        }

        private java.util.Optional<Waiver> waiver(RequirementAnswer answer) {
            return evaluated.waivers().stream()
                    .filter(w -> w.isKnownOn(known) && w.covers(answer.checklist(), answer.requirement(), day))
                    .findFirst();
        }

        private List<String> reasons(SlotCourse course, RequirementAnswer answer, Set<String> types) {
            List<String> sentences = new ArrayList<>();
            if (answer.status() == Status.WAIVED) {
                waiver(answer).ifPresent(w -> sentences.add(w.words()));
            }
            for (DocumentReason reason : course.reasonsOn(day)) {
                FiledDocument document =
                        papers.get(FiledDocument.idOf(reason.documentId()).toString());
                if (document != null && !isAboutAnotherVersion(reason, document)) {
                    sentences.add(ReasonWords.of(
                            reason.why(),
                            document,
                            rules.types(document.types()).labelAmong(types)));
                }
            }
            if (sentences.isEmpty()) {
                sentences.add("No paper of this type is in the file.");
            }
            return sentences;
        }

        /** Only the version that was the newest on the day that is known is told of. */
        private boolean isAboutAnotherVersion(DocumentReason reason, FiledDocument document) {
            return FiledDocument.isFormerVersion(reason.documentId())
                    ? reason.why() instanceof DocumentReason.EnteredInError
                            || reason.why() instanceof DocumentReason.NotYetReceived
                    : reason.why() instanceof DocumentReason.NotYetReceived
                            && !document.receivedOn().isAfter(known);
        }

        private List<LedgerPaper> papersOf(Set<String> types, RequirementAnswer answer) {
            List<LedgerPaper> lines = new ArrayList<>();
            for (FiledDocument document : evaluated.documents()) {
                if (document.isOfAny(types)
                        && document.existsOn(known)
                        && papers.containsKey(document.id().toString())) {
                    placed.add(document.id());
                    boolean counts = answer.counted().stream()
                            .anyMatch(id -> FiledDocument.idOf(id).equals(document.id()));
                    lines.add(paper(document, counts));
                }
            }
            return lines;
        }

        private LedgerPaper paper(FiledDocument d, boolean counts) {
            return new LedgerPaper(
                    d.id(),
                    d.name(),
                    d.type(),
                    String.join(" and ", rules.types(d.types()).labels()),
                    d.documentDate(),
                    d.stateOn(rules.types(d.types()), known),
                    counts,
                    d.versions().size(),
                    d.changes());
        }

        private List<LedgerPaper> others() {
            return evaluated.documents().stream()
                    .filter(d -> papers.containsKey(d.id().toString()) && !placed.contains(d.id()))
                    .map(d -> paper(d, false))
                    .toList();
        }
    }
}
