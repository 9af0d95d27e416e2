package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter;
import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.core.letters.RichText;
import app.denfold.paper.Format;
import app.denfold.paper.forms.FilledForm;
import app.denfold.paper.letters.LetterHead;
import app.denfold.paper.letters.LetterPages;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.content.copying.ChosenPage;
import app.denfold.server.content.copying.CopiedPages;
import app.denfold.server.letters.KeptFormRepository;
import app.denfold.server.letters.KeptImageRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Lays letters out as PDF, in a worker. */
@Component
class LayOutLetters {

    private final PaperWorkers workers;
    private final Contents contents;
    private final CopiedPages copies;
    private final KeptFormRepository forms;
    private final KeptImageRepository images;
    private final PracticeSettings settings;

    LayOutLetters(
            PaperWorkers quickWorkers,
            Contents contents,
            CopiedPages copies,
            KeptFormRepository forms,
            KeptImageRepository images,
            PracticeSettings settings) {
        this.workers = quickWorkers;
        this.contents = contents;
        this.copies = copies;
        this.forms = forms;
        this.images = images;
        this.settings = settings;
    }

    /** What is to be laid out. */
    sealed interface Wanted {
        /** Pages that follow. */
        List<ChosenPage> attached();
    }

    /** A letter. @param images hashes of its pictures, by their ids @param title what the document is called */
    record OnPages(
            Letter letter,
            LetterHead head,
            Map<String, String> images,
            String title,
            String language,
            List<ChosenPage> attached)
            implements Wanted {}

    /** A form that is filled in. */
    record InForm(String sha256, List<FilledForm.Value> values, boolean leaveOpen, List<ChosenPage> attached)
            implements Wanted {}

    /** @throws Refusal when a picture in it is no longer known */
    Wanted wanted(Letter letter, ModelWords words, String title, String language, List<ChosenPage> attached) {
        if (words.form() != null) {
            return inForm(letter, words.form(), attached);
        }
        PracticeLook look = settings.look();
        byte[] mark = settings.mark().orElse(new byte[0]);
        LetterHead head = new LetterHead(look.name(), look.address(), look.colour(), mark);
        return new OnPages(letter, head, images(letter), title, language, attached);
    }

    private Map<String, String> images(Letter letter) {
        Map<String, String> all = new TreeMap<>();
        Stream.of(letter.content(), letter.sheet().top(), letter.sheet().foot())
                .flatMap(List::stream)
                .flatMap(RichText::all)
                .flatMap(piece -> Stream.ofNullable(piece.picture()))
                .forEach(picture -> all.computeIfAbsent(picture.id(), this::image));
        return all;
    }

    private String image(String id) {
        return images.findById(UUID.fromString(id))
                .orElseThrow(() -> Refusal.conflict(
                        "picture-unknown", "A picture in this letter is missing. Take it out of that part."))
                .sha256();
    }

    private InForm inForm(Letter letter, ModelWords.OnForm form, List<ChosenPage> attached) {
        Map<String, String> texts =
                letter.blocks().stream().collect(Collectors.toMap(f -> f.block().id(), FillLetter.Filled::plain));
        List<FilledForm.Value> values = form.boxes().stream()
                .map(b -> new FilledForm.Value(
                        b.field(),
                        b.kind(),
                        b.tickedIf(),
                        b.page(),
                        b.left(),
                        b.top(),
                        b.width(),
                        b.height(),
                        texts.getOrDefault(b.block(), "")))
                .toList();
        return new InForm(forms.findById(form.formId()).orElseThrow().sha256(), values, form.leaveOpen(), attached);
    }

    /** By which it is known whether two are laid out alike. */
    static String key(Wanted wanted) {
        String all = wanted instanceof OnPages letter
                ? letter.letter.content() + "|" + letter.letter.sheet() + "|" + letter.images + "|" + letter.attached
                        + "|"
                        + letter.head.name() + "|" + letter.head.address() + "|"
                        + letter.head.colour() + "|" + Arrays.hashCode(letter.head.mark()) + "|" + letter.title + "|"
                        + letter.language
                : wanted.toString();
        return Secrets.sha256(all.getBytes(StandardCharsets.UTF_8));
    }

    /** @throws Refusal when it cannot be laid out @throws NotNow when that is not possible at the moment */
    Contents.Prepared layOut(Wanted wanted) {
        OutsideTransactions.require("laying out a letter");
        try {
            Path pdf = Files.createTempFile("letter", ".pdf");
            try {
                int pages = to(pdf, wanted);
                return wanted.attached().isEmpty()
                        ? contents.made(pdf, pages)
                        : withAttached(pdf, pages, wanted.attached());
            } finally {
                Files.deleteIfExists(pdf);
            }
        } catch (WorkerFailed tooMuch) {
            throw Refusal.conflict("no-letter", "It cannot be laid out: " + tooMuch.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "It could not be laid out just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The letter", failed);
        }
    }

    /**
     * What stands on the pages of a letter, so that it is found, and its places to sign are known, as soon as it is filed.
     *
     * @return empty for a form and where papers follow, whose pages may be pictures, and where it is not possible at the moment: then it is read as
     *     all papers are
     */
    List<PageFacts> read(Wanted wanted, String sha256) {
        OutsideTransactions.require("reading a letter");
        List<PageFacts> pages = new ArrayList<>();
        if (wanted instanceof OnPages && wanted.attached().isEmpty()) {
            try {
                workers.read(contents.file(sha256), Format.PDF, ReadPages.Settings.codesOnly(), 1, pages::add);
            } catch (IOException later) {
                return List.of();
            }
        }
        return pages;
    }

    private Contents.Prepared withAttached(Path pdf, int pages, List<ChosenPage> attached) throws IOException {
        Path whole = copies.behind(pdf, pages, attached);
        try {
            return contents.made(whole, pages + attached.size());
        } finally {
            Files.deleteIfExists(whole);
        }
    }

    private int to(Path pdf, Wanted wanted) throws IOException {
        if (wanted instanceof InForm form) {
            return workers.fillForm(
                    contents.wholeFile(contents.content(form.sha256)), form.values, form.leaveOpen, pdf);
        }
        OnPages letter = (OnPages) wanted;
        Map<String, Path> pictures = new HashMap<>();
        letter.images.forEach((id, sha256) -> pictures.put(id, contents.file(sha256)));
        return workers.letter(
                new LetterPages(
                        letter.letter.content(),
                        letter.head,
                        letter.letter.sheet(),
                        pictures,
                        letter.title,
                        letter.language),
                pdf);
    }
}
