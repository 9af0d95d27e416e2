package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.core.letters.RichText;
import app.denfold.paper.letters.LetterHead;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Component;

/** Lays letters out as PDF, in a worker. */
@Component
class LayOutLetters {

    private final PaperWorkers workers;
    private final Contents contents;
    private final PracticeSettings settings;

    LayOutLetters(PaperWorkers quickWorkers, Contents contents, PracticeSettings settings) {
        this.workers = quickWorkers;
        this.contents = contents;
        this.settings = settings;
    }

    /** A letter to be laid out. @param title what the document is called @param language an IETF tag */
    record Wanted(List<RichText> content, LetterHead head, String title, String language) {}

    Wanted wanted(Letter letter, String title, String language) {
        PracticeLook look = settings.look();
        byte[] mark = settings.mark().orElse(new byte[0]);
        LetterHead head = new LetterHead(look.name(), look.address(), look.colour(), mark);
        return new Wanted(letter.content(), head, title, language);
    }

    /** By which it is known whether two letters are laid out alike. */
    static String key(Wanted wanted) {
        String all = wanted.content + "|" + wanted.head.name() + "|" + wanted.head.address() + "|"
                + wanted.head.colour() + "|" + Arrays.hashCode(wanted.head.mark()) + "|" + wanted.title + "|"
                + wanted.language;
        return Secrets.sha256(all.getBytes(StandardCharsets.UTF_8));
    }

    /** @throws Refusal when it cannot be laid out @throws NotNow when that is not possible at the moment */
    Contents.Prepared layOut(Wanted wanted) {
        OutsideTransactions.require("laying out a letter");
        try {
            Path pdf = Files.createTempFile("letter", ".pdf");
            try {
                int pages = workers.letter(wanted.content, wanted.head, wanted.title, wanted.language, pdf);
                return contents.made(pdf, pages);
            } finally {
                Files.deleteIfExists(pdf);
            }
        } catch (WorkerFailed tooMuch) {
            throw Refusal.conflict("no-letter", "The letter cannot be laid out: " + tooMuch.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The letter could not be laid out just now: " + ended.getMessage() + ". Try again in a moment.",
                    ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The letter", failed);
        }
    }
}
