package app.denfold.server.coverage;

import app.denfold.core.rules.ClearThrough;
import app.denfold.core.rules.DocumentReason;
import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.RequirementDays;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.Section;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.Files;
import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A file as its reader sees it: sections with their slots and papers, and how the file stands. */
@Service
public class Ledger {

    private final Files files;
    private final EvaluateFile evaluate;
    private final Catalog catalog;
    private final PracticeCalendar calendar;

    Ledger(Files files, EvaluateFile evaluate, Catalog catalog, PracticeCalendar calendar) {
        this.files = files;
        this.evaluate = evaluate;
        this.catalog = catalog;
        this.calendar = calendar;
    }

    /** @param clearThrough null when not clear, or clear without end */
    public record LedgerAnswer(
            boolean clear,
            @Nullable LocalDate clearThrough,
            int openSlots,
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
            String status,
            boolean blocking,
            @Nullable LocalDate since,
            @Nullable LocalDate coveredThrough,
            @Nullable LocalDate due,
            String renewal,
            @Nullable LocalDate nextChangeOn,
            @Nullable String nextStatus,
            List<String> types,
            List<String> reasons,
            List<LedgerPaper> papers) {}

    /** @param state {@code counts}, {@code in review}, {@code sent back}, {@code unsigned}, {@code voided} or {@code filed} */
    public record LedgerPaper(
            UUID id, String name, String type, String typeLabel, LocalDate documentDate, String state, int versions) {}

    /** @throws app.denfold.server.problems.Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public LedgerAnswer of(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        LocalDate today = calendar.today();
        EvaluateFile.Evaluated evaluated = evaluate.evaluateFor(viewer, file, today);
        return new Build(viewer, evaluated, today).answer();
    }

    /** The slots of a file that are not met or about to lapse, for telling people about them. */
    @Transactional(readOnly = true)
    public List<SlotAnswer> openSlots(Viewer viewer, UUID fileId) {
        return of(viewer, fileId).sections().stream()
                .flatMap(s -> s.slots().stream())
                .filter(Ledger::isWanting)
                .toList();
    }

    /** The same whoever asks; for the product's own work. */
    @Transactional(readOnly = true)
    public List<SlotAnswer> openSlots(UUID fileId) {
        PersonFile file = files.file(fileId);
        LocalDate today = calendar.today();
        Viewer all = new Viewer(null, "", "", Role.ADMINISTRATOR, null, true, false);
        return new Build(all, evaluate.evaluate(file, today), today)
                .answer().sections().stream()
                        .flatMap(s -> s.slots().stream())
                        .filter(Ledger::isWanting)
                        .toList();
    }

    /** True for a slot that a new paper from the person would help. */
    static boolean isWanting(SlotAnswer slot) {
        return switch (slot.status()) {
            case "missing", "lapsed", "sent-back", "in-grace", "not-yet-due" -> true;
            case "expiring" -> slot.renewal().equals("none");
            default -> false;
        };
    }

    private final class Build {
        private final Viewer viewer;
        private final EvaluateFile.Evaluated evaluated;
        private final Catalog.Rules rules;
        private final LocalDate today;
        private final Map<String, FiledDocument> papers;
        private final Set<UUID> placed = new HashSet<>();

        Build(Viewer viewer, EvaluateFile.Evaluated evaluated, LocalDate today) {
            this.viewer = viewer;
            this.evaluated = evaluated;
            this.rules = evaluated.rules();
            this.today = today;
            this.papers = evaluated.documents().stream()
                    .filter(d -> EvaluateFile.isVisible(viewer, rules, d))
                    .collect(Collectors.toMap(d -> d.id().toString(), d -> d));
        }

        LedgerAnswer answer() {
            FileStanding standing = evaluated.known().on(today);
            List<SectionAnswer> sections = new ArrayList<>();
            for (Section section : catalog.sections()) {
                SectionAnswer answer = section(section);
                if (!answer.slots().isEmpty()) {
                    sections.add(answer);
                }
            }
            int open = (int) standing.requirements().stream()
                    .filter(r -> r.level() == Requirement.Level.BLOCKING
                            && r.status().isOpen())
                    .count();
            LocalDate through = standing.clearThrough() instanceof ClearThrough.Through t ? t.day() : null;
            return new LedgerAnswer(standing.isClear(), through, open, sections, others());
        }

        private SectionAnswer section(Section section) {
            List<SlotAnswer> slots = new ArrayList<>();
            int met = 0;
            for (RequirementDays requirement : evaluated.known().requirements()) {
                Status status = requirement.statusOn(today);
                if (status != Status.NOT_APPLICABLE && sectionOf(requirement).equals(section.code())) {
                    slots.add(slot(requirement));
                    met += status.isMet() ? 1 : 0;
                }
            }
            return new SectionAnswer(section.code(), section.label(), met, slots.size(), slots);
        }

        private String sectionOf(RequirementDays requirement) {
            String first = requirement.requirement().types().iterator().next();
            return rules.type(first).section();
        }

        private SlotAnswer slot(RequirementDays requirement) {
            RequirementAnswer answer = requirement.on(today);
            Set<String> types = requirement.requirement().types();
            return new SlotAnswer(
                    answer.checklist(),
                    answer.requirement(),
                    rules.label(answer.checklist(), answer.requirement()),
                    answer.status().code(),
                    answer.level() == Requirement.Level.BLOCKING,
                    requirement.since(today).orElse(null),
                    coveredThrough(answer),
                    answer.due(),
                    answer.renewal().code(),
                    answer.nextChange() == null ? null : answer.nextChange().on(),
                    answer.nextChange() == null
                            ? null
                            : answer.nextChange().status().code(),
                    List.copyOf(types),
                    reasons(requirement, answer),
                    papersOf(types, answer));
        }

        private LocalDate coveredThrough(RequirementAnswer answer) {
            if (answer.status() != Status.WAIVED) {
                return answer.coveredThrough();
            }
            return waiver(answer).map(Waiver::toDay).orElse(null);
        }

        private java.util.Optional<Waiver> waiver(RequirementAnswer answer) {
            return evaluated.waivers().stream()
                    .filter(w -> w.covers(answer.checklist(), answer.requirement(), today))
                    .findFirst();
        }

        private List<String> reasons(RequirementDays requirement, RequirementAnswer answer) {
            List<String> sentences = new ArrayList<>();
            if (answer.status() == Status.WAIVED) {
                waiver(answer).ifPresent(w -> sentences.add(w.words()));
            }
            for (DocumentReason reason : requirement.reasonsOn(today)) {
                FiledDocument document = papers.get(reason.documentId());
                if (document != null) {
                    sentences.add(ReasonWords.of(reason.why(), document));
                }
            }
            if (sentences.isEmpty()) {
                sentences.add("No paper of this type is in the file.");
            }
            return sentences;
        }

        private List<LedgerPaper> papersOf(Set<String> types, RequirementAnswer answer) {
            List<LedgerPaper> lines = new ArrayList<>();
            for (FiledDocument document : evaluated.documents()) {
                if (types.contains(document.type())
                        && !document.isVoided()
                        && papers.containsKey(document.id().toString())) {
                    placed.add(document.id());
                    boolean counts = answer.counted().contains(document.id().toString());
                    lines.add(paper(document, counts ? "counts" : state(document)));
                }
            }
            return lines;
        }

        private String state(FiledDocument document) {
            if (document.isVoided()) {
                return "voided";
            }
            if (document.sentBackOn() != null) {
                return "sent back";
            }
            if (!document.unsignedBy(rules.type(document.type())).isEmpty()) {
                return "unsigned";
            }
            return rules.type(document.type()).needsReview() && document.acceptedOn() == null ? "in review" : "filed";
        }

        private LedgerPaper paper(FiledDocument d, String state) {
            return new LedgerPaper(
                    d.id(),
                    d.name(),
                    d.type(),
                    rules.type(d.type()).label(),
                    d.documentDate(),
                    state,
                    d.versions().size());
        }

        private List<LedgerPaper> others() {
            return evaluated.documents().stream()
                    .filter(d -> papers.containsKey(d.id().toString()) && !placed.contains(d.id()))
                    .map(d -> paper(d, state(d)))
                    .toList();
        }
    }
}
