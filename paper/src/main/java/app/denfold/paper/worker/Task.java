package app.denfold.paper.worker;

import app.denfold.core.marks.PageBox;
import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.paper.Format;
import app.denfold.paper.codes.CodedPages;
import app.denfold.paper.copies.ArchiveCopy;
import app.denfold.paper.copies.BundlePdf;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.copies.LeavingCopy;
import app.denfold.paper.copies.NumberedCopy;
import app.denfold.paper.copies.Unlock;
import app.denfold.paper.drawing.PageImage;
import app.denfold.paper.forms.FilledForm;
import app.denfold.paper.forms.FormFields;
import app.denfold.paper.letters.LetterPages;
import app.denfold.paper.letters.LetterPdf;
import app.denfold.paper.places.FindPlaces;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.reading.ReadPaper;
import app.denfold.paper.sealing.CheckSeals;
import app.denfold.paper.sealing.Evidence;
import app.denfold.paper.sealing.SignatureMark;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.paper.sealing.SignedPart;
import app.denfold.paper.sealing.Signer;
import app.denfold.paper.sealing.Trust;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a worker process is asked to do: one line of JSON. Paths are absolute and within its reach. */
@JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "what")
sealed interface Task {

    /** Does it, in the worker process. @return the last answer */
    Report done(Conversation with) throws IOException;

    /** What a task can say and ask while it is done. */
    interface Conversation {
        void tell(Report report);

        /** Has bytes signed with a key that only the server holds, and the time stamped, which only the server can ask for. */
        Signer signer();
    }

    record Identify(String file, String name) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.of(ReadPaper.read(Path.of(file), name));
        }
    }

    record Draw(String file, Format format, int page, int width, int turn, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            Files.write(Path.of(to), PageImage.png(Path.of(file), format, page, width, turn));
            return Report.done(true);
        }
    }

    record Read(String file, Format format, boolean recognise, String languages, int from) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            ReadPages.each(
                    Path.of(file),
                    format,
                    new ReadPages.Settings(recognise, languages),
                    from,
                    page -> with.tell(Report.page(page)));
            return Report.done(true);
        }
    }

    record Chosen(String file, Format format, int page, int turn) {}

    record Copy(List<Chosen> pages, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            List<CopyPages.Chosen> chosen = new ArrayList<>();
            for (Chosen page : pages) {
                chosen.add(new CopyPages.Chosen(Path.of(page.file()), page.format(), page.page(), page.turn()));
            }
            CopyPages.to(Path.of(to), chosen);
            return Report.done(true);
        }
    }

    record Leave(String file, Format format, LeavingCopy.Wanted wanted, LeavingCopy.Settings settings, String to)
            implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            LeavingCopy.to(Path.of(to), Path.of(file), format, wanted, settings, page -> with.tell(Report.page(page)));
            return Report.done(true);
        }
    }

    /** @param words what stands on pages, by their numbers from 1 */
    record Number(
            String file,
            Format format,
            NumberForm form,
            long first,
            NumberPlace place,
            float size,
            Map<Integer, List<PageBox>> words,
            List<Integer> turns,
            String to)
            implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.made(NumberedCopy.to(
                    Path.of(to),
                    Path.of(file),
                    format,
                    new NumberedCopy.Wanted(form, first, place, size, words, turns),
                    page -> with.tell(Report.page(PageFacts.reached(page)))));
        }
    }

    /** A paper of a bundle. */
    record BundlePart(String file, String title) {}

    record Bundle(String title, List<BundlePart> parts, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.made(BundlePdf.to(
                    Path.of(to),
                    title,
                    parts.stream()
                            .map(p -> new BundlePdf.Part(Path.of(p.file()), p.title()))
                            .toList()));
        }
    }

    record Letter(LetterPages letter, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.made(LetterPdf.to(Path.of(to), letter));
        }
    }

    /** @param values what is put in, as JSON */
    record FillForm(String file, List<FilledForm.Value> values, boolean leaveOpen, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.made(FilledForm.to(Path.of(to), Path.of(file), values, leaveOpen));
        }
    }

    record ReadForm(String file) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.form(FormFields.of(Path.of(file)));
        }
    }

    record StampCodes(String file, List<String> codes, String words, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            CodedPages.to(Path.of(to), Path.of(file), codes, words);
            return Report.done(true);
        }
    }

    record OpenLocked(String file, String password, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.done(Unlock.to(Path.of(to), Path.of(file), password));
        }
    }

    record Check(String file) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.seals(CheckSeals.of(Files.readAllBytes(Path.of(file))));
        }
    }

    record Places(String file, Format format, int pages) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            return Report.places(FindPlaces.of(Path.of(file), format, pages));
        }
    }

    record Archive(String file, Format format, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            ArchiveCopy.Made made = ArchiveCopy.to(Path.of(to), Path.of(file), format);
            return Report.done(made == ArchiveCopy.Made.FROM_ITS_PAGES);
        }
    }

    /** A mark as JSON: two of strokes, typed and written are null. */
    record Mark(
            String name,
            String role,
            String when,
            @Nullable List<List<SignatureMark.Point>> strokes,
            @Nullable String typed,
            @Nullable String written,
            SignatureMark.Place place) {

        static Mark of(SignatureMark mark) {
            return new Mark(
                    mark.name(),
                    mark.role(),
                    mark.when(),
                    mark.strokes(),
                    mark.typedName(),
                    mark.written(),
                    mark.place());
        }

        SignatureMark mark() {
            SignatureMark.Drawing drawing = written != null
                    ? SignatureMark.written(written)
                    : strokes != null ? SignatureMark.pen(strokes) : SignatureMark.typed(String.valueOf(typed));
            return new SignatureMark(name, role, when, drawing, place);
        }
    }

    /** What one signer put on the paper, as JSON. @param at in milliseconds since 1970 */
    record Part(String reason, long at, List<Mark> marks) {

        static Part of(SignedPart part) {
            return new Part(
                    part.reason(),
                    part.at().toEpochMilli(),
                    part.marks().stream().map(Mark::of).toList());
        }

        SignedPart part() {
            return new SignedPart(
                    reason,
                    Instant.ofEpochMilli(at),
                    marks.stream().map(Mark::mark).toList());
        }
    }

    record RenewSeal(String file, Trust trust, long sealedAt, String to) implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            byte[] renewed = SignedCopy.renewed(
                    Files.readAllBytes(Path.of(file)),
                    new SignedCopy.Sealing(trust, with.signer()),
                    Instant.ofEpochMilli(sealedAt));
            Files.write(Path.of(to), renewed);
            return Report.made(SignedCopy.pagesIn(renewed));
        }
    }

    /** A file that goes with the copy. */
    record Enclosed(String name, String file, String mediaType) {}

    record SealCopy(
            String file,
            Format format,
            List<Part> parts,
            Evidence evidence,
            List<Enclosed> enclosed,
            Trust trust,
            String reason,
            long sealedAt,
            String to)
            implements Task {
        @Override
        public Report done(Conversation with) throws IOException {
            byte[] sealed = SignedCopy.make(
                    Path.of(file),
                    format,
                    parts.stream().map(Part::part).toList(),
                    evidence,
                    enclosed.stream()
                            .map(e -> new SignedCopy.Enclosed(e.name(), Path.of(e.file()), e.mediaType()))
                            .toList(),
                    new SignedCopy.Sealing(trust, with.signer()),
                    reason,
                    Instant.ofEpochMilli(sealedAt));
            Files.write(Path.of(to), sealed);
            return Report.made(SignedCopy.pagesIn(sealed));
        }
    }
}
