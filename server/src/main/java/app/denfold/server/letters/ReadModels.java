package app.denfold.server.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.FillLetter;
import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.core.letters.FillLetter.Writing;
import app.denfold.core.letters.LetterBlock;
import app.denfold.core.letters.LetterModel;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.Person;
import app.denfold.exchange.BadInput;
import app.denfold.exchange.RulesJson;
import app.denfold.paper.forms.FormBox;
import app.denfold.paper.forms.FormFields;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.people.PersonFile;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads models as they were typed, and fills them for a file. */
@Component
public class ReadModels {

    private final KnownNames names;
    private final EvaluateFile people;
    private final Catalog catalog;
    private final KeptFormRepository forms;
    private final KeptImageRepository images;
    private final Currency money;

    ReadModels(
            KnownNames names,
            EvaluateFile people,
            Catalog catalog,
            KeptFormRepository forms,
            KeptImageRepository images,
            @Value("${denfold.currency:EUR}") String currency) {
        this.names = names;
        this.people = people;
        this.catalog = catalog;
        this.forms = forms;
        this.images = images;
        this.money = Currency.getInstance(currency);
    }

    /** @throws Refusal in words, when it cannot be so or names what set-up does not know */
    public LetterModel checked(ModelWords words) {
        LetterModel model = read(words);
        Set<String> unknown = model.unknown(names.kinds().keySet());
        if (!unknown.isEmpty()) {
            throw Refusal.invalid("words", "Nothing is known by the name " + inWords(unknown) + ".");
        }
        if (words.form() != null) {
            requireBoxes(words.form(), model);
        }
        requireKept(words);
        return model;
    }

    /** Pictures and what is attached are there. */
    private void requireKept(ModelWords words) {
        if (!words.pictureIds().stream().allMatch(images::existsById)) {
            throw Refusal.invalid("words", "One of its pictures is missing. Put it in again.");
        }
        if (words.attached().size() > ModelWords.MOST_ATTACHMENTS) {
            throw Refusal.invalid("words", "A letter can have up to " + ModelWords.MOST_ATTACHMENTS + " attachments.");
        }
        if (!words.attached().stream()
                .allMatch(a -> forms.existsById(a.formId()) && !a.name().isBlank())) {
            throw Refusal.invalid("words", "One of the attachments is missing or has no name. Choose it again.");
        }
        if (words.form() != null
                && words.form().leaveOpen()
                && !words.attached().isEmpty()) {
            throw Refusal.invalid(
                    "words", "Nothing can be attached to a form whose fields stay open: they would be lost.");
        }
    }

    /** Each block of a form stands in one of its fields, or at a place on its pages. */
    private void requireBoxes(ModelWords.OnForm form, LetterModel model) {
        KeptForm kept = forms.findById(form.formId())
                .orElseThrow(() -> Refusal.invalid("words", "This form is not known. Choose it again."));
        Set<String> blocks = model.blocks().stream().map(LetterBlock::id).collect(Collectors.toSet());
        Set<String> placed =
                form.boxes().stream().map(ModelWords.FormPlace::block).collect(Collectors.toSet());
        Set<String> fields = kept.fields().stream().map(FormBox::name).collect(Collectors.toSet());
        if (!placed.equals(blocks) || form.boxes().size() > FormFields.MOST) {
            throw Refusal.invalid("words", "Each part stands in a field of the form, or at a place on it.");
        }
        for (ModelWords.FormPlace box : form.boxes()) {
            boolean isOnPage = box.page() >= 1
                    && box.page() <= kept.pages()
                    && isWithin(box.left(), box.width())
                    && isWithin(box.top(), box.height());
            if (box.field() == null ? !isOnPage : !fields.contains(box.field())) {
                throw Refusal.invalid("words", "A place lies outside of the form, or its field is not there.");
            }
        }
    }

    private static boolean isWithin(double from, double size) {
        return from >= 0 && size > 0 && from + size <= 1.001;
    }

    private LetterModel read(ModelWords words) {
        try {
            return words.asModel(json -> RulesJson.condition(json, catalog.sense()));
        } catch (BadInput | IllegalArgumentException wrong) {
            throw Refusal.invalid("words", wrong.getMessage() + ".");
        }
    }

    private static String inWords(Set<String> names) {
        return names.stream().map(n -> "“" + n + "”").collect(Collectors.joining(", "));
    }

    /**
     * A letter to be written by a model.
     *
     * @param viewer who looks at it
     * @param writer whose name stands under it
     * @throws Refusal when the model says what set-up does not know any more
     */
    @Transactional(readOnly = true)
    public Letter fill(
            Viewer viewer,
            Viewer writer,
            PersonFile file,
            ModelWords words,
            String language,
            LocalDate day,
            Writing writing) {
        LetterModel model = read(words);
        Map<String, AskedFor.Kind> kinds = names.kinds();
        Set<String> unknown = model.unknown(kinds.keySet());
        if (!unknown.isEmpty()) {
            throw Refusal.conflict(
                    "unknown-names",
                    "The model says " + inWords(unknown)
                            + ", which is not known any more. An administrator mends it in Set-up, Models.");
        }
        FillLetter fill = new FillLetter(
                names.of(viewer, writer, file, day, model.names()),
                kinds,
                conditions(model, file, day),
                Locale.forLanguageTag(language),
                money);
        return fill.fill(model, writing);
    }

    /** What they are about is read only where there are any. */
    private Predicate<Condition> conditions(LetterModel model, PersonFile file, LocalDate day) {
        if (model.blocks().stream().allMatch(b -> b.when() == null)) {
            return condition -> true;
        }
        Person person =
                Objects.requireNonNull(people.persons(List.of(file.id())).get(file.id()));
        return condition -> condition.holdsFor(person, day);
    }
}
