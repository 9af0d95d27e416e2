package app.denfold.server.coverage.effects;

import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What filing a paper would do to the slots of the file, without doing it. */
@Service
public class FilingEffect {

    private final PersonFiles files;
    private final Documents documents;
    private final EvaluateFile evaluate;
    private final PracticeCalendar calendar;

    FilingEffect(PersonFiles files, Documents documents, EvaluateFile evaluate, PracticeCalendar calendar) {
        this.files = files;
        this.documents = documents;
        this.evaluate = evaluate;
        this.calendar = calendar;
    }

    /** @param name the paper would get @param holdsTo last valid day by the type's rule; null when it never ends */
    public record FilingPreview(String name, @Nullable LocalDate holdsTo, List<SlotEffect> slots) {}

    /** @param accepted how it would stand once the paper is accepted; null when that is no different */
    public record SlotEffect(
            String label,
            SlotStanding before,
            SlotStanding after,
            @Nullable SlotStanding accepted) {}

    public record SlotStanding(Status status, @Nullable LocalDate coveredThrough, Renewal renewal) {
        static SlotStanding of(RequirementAnswer answer) {
            return new SlotStanding(answer.status(), answer.coveredThrough(), answer.renewal());
        }
    }

    /** @throws app.denfold.server.problems.Refusal as filing itself would */
    @Transactional(readOnly = true)
    public FilingPreview of(Viewer viewer, FilingDetails details, LocalDate receivedOn) {
        FiledDocument draft = documents.draft(viewer, details, receivedOn);
        PersonFile file = files.file(details.fileId());
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        List<FiledDocument> papers = documents.ofFile(file.id());
        LocalDate today = calendar.today();
        KnownFile before = evaluate.evaluate(file, rules, papers, today).known();
        List<FiledDocument> more = new ArrayList<>(papers);
        more.add(draft);
        KnownFile after = evaluate.evaluate(file, rules, more, today).known();
        KnownFile accepted = after.supposingAccepted(draft.id().toString(), today);
        LocalDate holdsTo = rules.type(details.type())
                .forRules()
                .validity()
                .lastValidDay(draft.forRules().get(0), file.birthDate())
                .orElse(null);
        return new FilingPreview(
                draft.name(), holdsTo, effects(details.types(), rules, before, after, accepted, today));
    }

    private static List<SlotEffect> effects(
            List<String> types,
            Catalog.Rules rules,
            KnownFile before,
            KnownFile after,
            KnownFile accepted,
            LocalDate today) {
        List<SlotEffect> effects = new ArrayList<>();
        for (int i = 0; i < before.slots().size(); i++) {
            SlotCourse slot = before.slots().get(i);
            if (types.stream().anyMatch(slot.requirementOn(today).types()::contains)
                    && slot.statusOn(today) != Status.NOT_APPLICABLE) {
                SlotStanding now = SlotStanding.of(slot.on(today));
                SlotStanding then = SlotStanding.of(after.slots().get(i).on(today));
                SlotStanding later = SlotStanding.of(accepted.slots().get(i).on(today));
                effects.add(new SlotEffect(
                        rules.label(slot.checklist(), slot.code()), now, then, later.equals(then) ? null : later));
            }
        }
        return effects;
    }
}
