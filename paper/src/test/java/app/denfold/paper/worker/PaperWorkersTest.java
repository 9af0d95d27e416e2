package app.denfold.paper.worker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.PageFacts;
import app.denfold.paper.ReadPages;
import app.denfold.paper.Reading;
import app.denfold.paper.SamplePapers;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PaperWorkersTest {

    private static final Duration PATIENT = Duration.ofSeconds(60);

    @TempDir
    Path folder;

    @Test
    void papersAreIdentifiedReadAndDrawnInAnotherProcess() throws IOException {
        try (PaperWorkers workers = new PaperWorkers(1, 256, PATIENT)) {
            Path pdf = SamplePapers.pdf(folder, 3, 0);
            assertThat(workers.identify(pdf, "a.pdf")).isEqualTo(new Reading.Readable(Format.PDF, 3));
            assertThat(workers.identify(pdf, "a.png")).isInstanceOf(Reading.Refused.class);
            List<PageFacts> pages = new ArrayList<>();
            workers.read(pdf, Format.PDF, ReadPages.Settings.codesOnly(), 1, pages::add);
            assertThat(pages).extracting(PageFacts::number).containsExactly(1, 2, 3);
            Path png = folder.resolve("page.png");
            workers.draw(pdf, Format.PDF, 2, 300, 90, png);
            BufferedImage drawn = ImageIO.read(png.toFile());
            assertThat(drawn.getWidth()).isEqualTo(300);
            assertThat(drawn.getHeight()).isLessThan(300);
            assertThatThrownBy(() -> workers.draw(pdf, Format.PDF, 9, 300, 0, png))
                    .isInstanceOf(WorkerFailed.class)
                    .hasMessageContaining("the paper has 3");
        }
    }

    /** A small file whose picture unfolds into more memory than a worker has. */
    private Path bomb() throws IOException {
        Path file = folder.resolve("bomb.pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage();
            document.addPage(page);
            BufferedImage huge = new BufferedImage(9_000, 9_000, BufferedImage.TYPE_INT_RGB);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.drawImage(LosslessFactory.createFromImage(document, huge), 0, 0, 600, 600);
            }
            document.save(file.toFile());
        }
        return file;
    }

    @Test
    void aPaperThatUnfoldsIntoTooMuchMemoryCostsThatPaperOnly() throws IOException {
        Path bomb = bomb();
        assertThat(Files.size(bomb)).isLessThan(2_000_000);
        try (PaperWorkers workers = new PaperWorkers(1, 48, PATIENT)) {
            assertThatThrownBy(() -> workers.read(bomb, Format.PDF, ReadPages.Settings.codesOnly(), 1, p -> {}))
                    .isInstanceOf(WorkerFailed.class)
                    .hasMessage("reading it needed more memory than a paper may take");
            assertThat(workers.identify(SamplePapers.pdf(folder, 1, 0), "next.pdf"))
                    .isEqualTo(new Reading.Readable(Format.PDF, 1));
        }
    }

    @Test
    void aPaperThatTakesTooLongIsGivenUp() throws IOException {
        Path pdf = SamplePapers.pdf(folder, 1, 0);
        try (PaperWorkers workers = new PaperWorkers(1, 128, Duration.ofMillis(20))) {
            assertThatThrownBy(() -> workers.identify(pdf, "slow.pdf"))
                    .isInstanceOf(WorkerFailed.class)
                    .hasMessageStartingWith("reading it took longer than");
        }
    }

    @Test
    void aReaderThatBreaksOffLeavesNoAnswersForTheNextPaper() throws IOException {
        try (PaperWorkers workers = new PaperWorkers(1, 256, PATIENT)) {
            Path pdf = SamplePapers.pdf(folder, 5, 0);
            assertThatThrownBy(() -> workers.read(pdf, Format.PDF, ReadPages.Settings.codesOnly(), 1, p -> {
                        throw new IllegalStateException("the database is away");
                    }))
                    .hasMessage("the database is away");
            assertThat(workers.identify(pdf, "again.pdf")).isEqualTo(new Reading.Readable(Format.PDF, 5));
        }
    }

    @Test
    void manyCallersShareFewProcesses() {
        try (PaperWorkers workers = new PaperWorkers(2, 256, PATIENT)) {
            List<Reading> readings = IntStream.range(0, 12)
                    .parallel()
                    .mapToObj(i -> {
                        try {
                            return workers.identify(SamplePapers.pdf(folder, i + 1, 0), "p" + i + ".pdf");
                        } catch (IOException broken) {
                            throw new IllegalStateException(broken);
                        }
                    })
                    .toList();
            assertThat(readings)
                    .containsExactlyElementsOf(IntStream.rangeClosed(1, 12)
                            .<Reading>mapToObj(n -> new Reading.Readable(Format.PDF, n))
                            .toList());
        }
    }
}
