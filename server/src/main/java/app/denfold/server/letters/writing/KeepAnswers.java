package app.denfold.server.letters.writing;

import app.denfold.core.letters.AskedFor;
import app.denfold.server.access.Viewer;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonDetails.SpanDetails;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Validator;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells the file what was answered in a letter, so that nobody is asked for it again. */
@Service
class KeepAnswers {

    private final WriteLetters write;
    private final DraftLetterRepository letters;
    private final KnownNames names;
    private final PersonFiles files;
    private final Validator validator;
    private final PracticeCalendar calendar;

    KeepAnswers(
            WriteLetters write,
            DraftLetterRepository letters,
            KnownNames names,
            PersonFiles files,
            Validator validator,
            PracticeCalendar calendar) {
        this.write = write;
        this.letters = letters;
        this.names = names;
        this.files = files;
        this.validator = validator;
        this.calendar = calendar;
    }

    /**
     * Keeps an answer as a fact from today on. The letter says what the file knows from then on; one that takes effect
     * earlier keeps its answer.
     *
     * @param changes of the letter as the writer read it
     * @return how often the letter was changed by now
     * @throws Refusal when there is no answer, the file cannot keep it, or somebody else changed the letter since
     */
    @Transactional
    int keep(Viewer viewer, UUID id, int changes, String name) {
        DraftLetter draft = write.toChange(viewer, id, changes);
        PersonFile file = files.visible(viewer, draft.fileId());
        String answer = draft.writing().answers().getOrDefault(name, "").strip();
        if (answer.isEmpty()) {
            throw Refusal.invalid("name", "Answer it first.");
        }
        if (!names.keepable(viewer, file).contains(name)) {
            throw Refusal.invalid("name", "The file cannot keep this.");
        }
        PersonDetails details = with(file, name, answer);
        validator.validate(details).stream().findFirst().ifPresent(wrong -> {
            throw Refusal.invalid("name", "This " + wrong.getMessage() + ".");
        });
        files.change(viewer, file.id(), file.version(), details);
        if (names.of(viewer, viewer, file, draft.effectiveOn(), Set.of(name)).containsKey(name)) {
            draft.write(draft.writing().without(name), viewer, calendar.now());
            letters.saveAndFlush(draft);
        }
        return draft.changes();
    }

    private PersonDetails with(PersonFile file, String name, String answer) {
        Map<String, String> facts = new HashMap<>(file.factsOn(calendar.today()));
        if (name.startsWith(KnownNames.FACT)) {
            boolean isNumber = names.kinds().get(name) == AskedFor.Kind.NUMBER;
            facts.put(name.substring(KnownNames.FACT.length()), isNumber ? answer.replace(',', '.') : answer);
        }
        return new PersonDetails(
                file.kind(),
                file.givenName(),
                file.familyName(),
                name.equals(KnownNames.BIRTH_DATE) ? day(answer) : file.birthDate(),
                name.equals(KnownNames.EMAIL) ? answer : file.email(),
                file.team(),
                null,
                file.activeSpans().stream()
                        .map(s -> new SpanDetails(s.fromDay(), s.toDay()))
                        .toList(),
                facts,
                null,
                null);
    }

    private static LocalDate day(String answer) {
        try {
            return LocalDate.parse(answer);
        } catch (DateTimeParseException none) {
            throw Refusal.invalid("name", "Choose a day.");
        }
    }
}
