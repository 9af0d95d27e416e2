package app.denfold.server.demo.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.Place.Format;
import app.denfold.core.letters.RichText;
import app.denfold.server.access.Viewer;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ModelWords.At;
import app.denfold.server.letters.ModelWords.Block;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.ModelWords.Question;
import app.denfold.server.letters.ModelWords.Sheet;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Two models: an agreement with an owner, and a letter to the guardians of a student in two languages. */
@Component
public class DemoLetters {

    private final KeptModelRepository models;
    private final ModelVersionRepository versions;
    private final PracticeCalendar calendar;
    private final JsonMapper mapper = new JsonMapper();

    DemoLetters(KeptModelRepository models, ModelVersionRepository versions, PracticeCalendar calendar) {
        this.models = models;
        this.versions = versions;
        this.calendar = calendar;
    }

    @Transactional
    public void load(Viewer by, LocalDate today) {
        LocalDate from = today.minusYears(1);
        KeptModel agreement = models.save(new KeptModel("Livery agreement", "livery-agreement", List.of("client")));
        keep(by, agreement, 1, "en-GB", from, agreement());
        KeptModel guardians = models.save(new KeptModel("Letter to the guardians", "letter", List.of("student")));
        keep(
                by,
                guardians,
                1,
                "en-GB",
                from,
                guardians(
                        "Dear ",
                        "parents",
                        "in the new term ",
                        " rides in the group ",
                        ". The term begins on ",
                        "Please send ",
                        " to the first lesson with a hat that fits.",
                        "With kind regards,"));
        keep(
                by,
                guardians,
                2,
                "de-AT",
                from,
                guardians(
                        "Guten Tag ",
                        "liebe Eltern",
                        "im neuen Semester reitet ",
                        " in der Gruppe ",
                        ". Es beginnt am ",
                        "Bitte schicken Sie ",
                        " mit einem passenden Helm zur ersten Stunde.",
                        "Mit freundlichen Grüßen"));
    }

    private void keep(Viewer by, KeptModel model, int number, String language, LocalDate from, ModelWords words) {
        versions.save(new ModelVersion(model.id(), number, language, from, words, by.name(), calendar.now()));
    }

    private ModelWords agreement() {
        return new ModelWords(
                List.of(
                        new Question("fee", "Monthly fee", AskedFor.Kind.NUMBER),
                        new Question("deposit", "Deposit", AskedFor.Kind.NUMBER)),
                List.of(
                        block("title", true, null, heading(words("Livery agreement"))),
                        block(
                                "parties",
                                true,
                                null,
                                line(
                                        words("Between "),
                                        place("practice.name", Format.PLAIN),
                                        words(" and "),
                                        place("person.name", Format.PLAIN),
                                        words(", owner of the horse "),
                                        place("fact.horse", Format.PLAIN),
                                        words(", from "),
                                        place("day", Format.LONG_DATE),
                                        words("."))),
                        block(
                                "fee",
                                true,
                                null,
                                line(
                                        words("The horse stands in box "),
                                        place("fact.box", Format.PLAIN),
                                        words(". The owner pays "),
                                        place("ask.fee", Format.MONEY),
                                        words(" a month, which is "),
                                        place("ask.fee * 12", Format.MONEY),
                                        words(" a year, and a deposit of "),
                                        place("ask.deposit", Format.MONEY),
                                        words(". Either side may end it first on "),
                                        place("day + 6 months", Format.LONG_DATE),
                                        words("."))),
                        block(
                                "care",
                                false,
                                null,
                                line(words(
                                        "The yard feeds three times a day, turns out daily and calls the vet when needed."
                                                + " The owner keeps vaccinations and insurance up to date."))),
                        new Block(
                                "trailer",
                                "Place for a trailer",
                                true,
                                true,
                                null,
                                List.of(line(words("A trailer may stand behind the barn at no further cost.")))),
                        block(
                                "end",
                                true,
                                null,
                                line(words("Oakhollin, "), place("today", Format.LONG_DATE)),
                                line(place("sender.name", Format.PLAIN), words(" for the yard")),
                                signLine("Signature of the owner"),
                                signLine("Signature for the yard"))),
                null,
                new Sheet(
                        true,
                        List.of(),
                        List.of(line(words("Livery agreement with "), place("person.name", Format.PLAIN))),
                        true),
                null);
    }

    private static Piece signLine(String under) {
        return new Piece(RichText.Type.SIGN_LINE, under, null, null, null, null);
    }

    private ModelWords guardians(
            String dear,
            String otherwise,
            String term,
            String group,
            String begins,
            String send,
            String hat,
            String end) {
        return ModelWords.letter(
                List.of(new Question("begin", "First day of the term", AskedFor.Kind.DAY)),
                List.of(
                        block(
                                "greeting",
                                false,
                                null,
                                line(
                                        words(dear),
                                        new Piece(
                                                RichText.Type.PLACE,
                                                null,
                                                null,
                                                null,
                                                new At("guardian.name", Format.PLAIN, otherwise, false),
                                                null),
                                        words(","))),
                        block(
                                "term",
                                true,
                                null,
                                line(
                                        words(term),
                                        place("person.givenName", Format.PLAIN),
                                        words(group),
                                        place("fact.group", Format.PLAIN),
                                        words(begins),
                                        place("ask.begin", Format.LONG_DATE),
                                        words("."))),
                        block(
                                "young",
                                false,
                                "{\"ageUnder\": 12}",
                                line(words(send), place("person.givenName", Format.PLAIN), words(hat))),
                        block("end", true, null, line(words(end)), line(place("sender.name", Format.PLAIN)))));
    }

    private Block block(String id, boolean locked, @Nullable String when, Piece... content) {
        return new Block(id, null, locked, false, when == null ? null : mapper.readTree(when), Arrays.asList(content));
    }

    private static Piece heading(Piece... content) {
        return new Piece(RichText.Type.HEADING, null, null, 1, null, List.of(content));
    }

    private static Piece line(Piece... content) {
        return new Piece(RichText.Type.PARAGRAPH, null, null, null, null, List.of(content));
    }

    private static Piece words(String text) {
        return new Piece(RichText.Type.WORDS, text, Set.of(), null, null, null);
    }

    private static Piece place(String what, Format format) {
        return new Piece(RichText.Type.PLACE, null, null, null, new At(what, format, null, true), null);
    }
}
