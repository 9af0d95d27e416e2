package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.paper.reading.PageFacts;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.letters.writing.PreviewLetters.Pages;
import app.denfold.server.letters.writing.PreviewLetters.Whole;
import app.denfold.server.letters.writing.WriteLetters.Written;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes papers of letters that are written. */
@Service
public class FileLetters {

    private static final int TRIES = 3;

    private final DraftLetterRepository letters;
    private final WriteLetters write;
    private final PreviewLetters preview;
    private final LayOutLetters layOut;
    private final Documents documents;
    private final Readings readings;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    FileLetters(
            DraftLetterRepository letters,
            WriteLetters write,
            PreviewLetters preview,
            LayOutLetters layOut,
            Documents documents,
            Readings readings,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.letters = letters;
        this.write = write;
        this.preview = preview;
        this.layOut = layOut;
        this.documents = documents;
        this.readings = readings;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /**
     * Files it as a paper of its model's type. What was found ready is what is filed: the pages that were looked at, unless
     * the file knows something else by now.
     *
     * @param changes as whoever files it read it
     * @throws Refusal when something is missing that must be known, or somebody changed it since it was looked at
     */
    public FiledDocument file(Viewer viewer, UUID id, int changes) {
        viewer.requireChange();
        for (int tries = 0; tries < TRIES; tries++) {
            Optional<FiledDocument> filed = tryToFile(viewer, id, changes);
            if (filed.isPresent()) {
                return filed.get();
            }
        }
        throw Refusal.conflict("changed-meanwhile", "What the file knows changed just now. Look at the letter again.");
    }

    /** @return empty when the file, or what others see of it, changed at that moment */
    private Optional<FiledDocument> tryToFile(Viewer viewer, UUID id, int changes) {
        Whole whole = Objects.requireNonNull(transactions.execute(t -> {
            WriteLetters.open(viewer, write.draft(viewer, id), changes);
            return preview.whole(viewer, id);
        }));
        requireReady(whole.written().letter());
        Optional<Pages> pages = preview.pages(whole);
        if (pages.isEmpty()) {
            return Optional.empty();
        }
        List<PageFacts> read = layOut.read(whole.wanted(), pages.get().sha256());
        return Objects.requireNonNull(transactions.execute(t -> file(viewer, whole, pages.get(), read, changes)));
    }

    private Optional<FiledDocument> file(Viewer viewer, Whole whole, Pages pages, List<PageFacts> read, int changes) {
        DraftLetter draft =
                letters.findToFile(whole.written().draft().id()).orElseThrow(() -> Refusal.notFound("letter"));
        write.requireVisible(viewer, draft);
        WriteLetters.open(viewer, draft, changes);
        // papers that are attached may be gone, and facts others, since it was laid out
        Whole now = preview.whole(viewer, draft.id());
        if (!pages.sha256().equals(draft.previewSha256()) || !now.key().equals(draft.previewOf())) {
            return Optional.empty();
        }
        Written written = now.written();
        LocalDate today = calendar.today();
        LocalDate day = draft.effectiveOn();
        FiledDocument filed = documents.file(
                viewer,
                new FilingDetails(draft.fileId(), written.model().type(), today, day.equals(today) ? null : day, null),
                new Documents.Received(
                        pages.sha256(),
                        today,
                        "written as “" + written.model().name() + "”, version "
                                + written.version().number(),
                        false,
                        sources(pages.count(), now.attached())));
        if (read.isEmpty()) {
            readings.ask(pages.sha256());
        } else {
            readings.note(pages.sha256(), read);
        }
        draft.file(filed.id(), viewer, calendar.now());
        letters.save(draft);
        return Optional.of(filed);
    }

    /** @return null where none of its pages comes from elsewhere */
    private static @Nullable List<PageSource> sources(int pages, List<AttachedPapers.Page> attached) {
        return attached.isEmpty()
                ? null
                : Stream.concat(
                                IntStream.rangeClosed(1, pages - attached.size())
                                        .mapToObj(page -> new PageSource(null, 0, page, 0)),
                                attached.stream().map(AttachedPapers.Page::source))
                        .toList();
    }

    private static void requireReady(Letter letter) {
        if (!letter.isReady()) {
            throw Refusal.conflict(
                    "missing",
                    "Something is missing that the letter must say. Answer what is asked before you file it.");
        }
    }
}
