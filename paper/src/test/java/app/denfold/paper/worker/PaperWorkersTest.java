package app.denfold.paper.worker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.reading.Reading;
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
        try (PaperWorkers workers = workers(1, 256, PATIENT)) {
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

    private static PaperWorkers workers(int processes, int megabytes, Duration most) throws IOException {
        return new PaperWorkers(Sandbox.in(Files.createTempDirectory("workers"), "nobody"), processes, megabytes, most);
    }

    private static List<ProcessHandle> processes() {
        return ProcessHandle.current().descendants().toList();
    }

    @Test
    void aWorkerThatIsKilledCostsNoPaperAndAPageIsToldOnce() throws IOException {
        try (PaperWorkers workers = workers(1, 256, PATIENT)) {
            Path pdf = SamplePapers.pdf(folder, 6, 0);
            List<Integer> told = new ArrayList<>();
            List<Long> killed = new ArrayList<>();
            workers.read(pdf, Format.PDF, ReadPages.Settings.codesOnly(), 1, page -> {
                told.add(page.number());
                processes().forEach(p -> {
                    killed.add(p.pid());
                    p.destroyForcibly();
                });
            });
            assertThat(told).containsExactly(1, 2, 3, 4, 5, 6);
            assertThat(killed).isNotEmpty();
        }
    }

    @Test
    void aPaperIsNotBlamedForWorkersThatAreKilledEachTime() throws Exception {
        try (PaperWorkers workers = workers(1, 256, PATIENT)) {
            Path pdf = SamplePapers.pdf(folder, 2, 0);
            java.util.concurrent.atomic.AtomicBoolean stop = new java.util.concurrent.atomic.AtomicBoolean();
            Thread killer = new Thread(() -> {
                while (!stop.get()) {
                    processes().forEach(ProcessHandle::destroyForcibly);
                }
            });
            killer.start();
            try {
                assertThatThrownBy(() -> workers.identify(pdf, "a.pdf")).isInstanceOf(WorkerLost.class);
            } finally {
                stop.set(true);
                killer.join();
            }
            assertThat(workers.identify(pdf, "a.pdf")).isEqualTo(new Reading.Readable(Format.PDF, 2));
        }
    }

    @Test
    void aWorkerHasNothingOfTheServersEnvironmentAndAFolderOfItsOwn() throws IOException {
        Sandbox sandbox = Sandbox.in(Files.createTempDirectory("workers"), "nobody");
        try (WorkFolder own = sandbox.folder()) {
            Path said = folder.resolve("said");
            Process process = sandbox.confined(own, List.of("sh", "-c", "env; pwd; id -u; ls /sys/class/net"))
                    .redirectOutput(said.toFile())
                    .start();
            assertThat(process.waitFor(20, java.util.concurrent.TimeUnit.SECONDS))
                    .isTrue();
            List<String> lines = Files.readAllLines(said);
            assertThat(lines)
                    .filteredOn(l -> l.matches("[A-Z_]+=.*"))
                    .allMatch(l -> l.matches("(PATH|HOME|TMPDIR|LC_ALL|PWD|OLDPWD|SHLVL|_|TESSDATA_PREFIX)=.*"));
            assertThat(lines).contains(own.path().toString());
            if (sandbox.isOtherUser()) {
                assertThat(lines).doesNotContain("0");
            }
        } catch (InterruptedException stopped) {
            throw new IllegalStateException(stopped);
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
        try (PaperWorkers workers = workers(1, 48, PATIENT)) {
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
        try (PaperWorkers workers = workers(1, 128, Duration.ofMillis(20))) {
            assertThatThrownBy(() -> workers.identify(pdf, "slow.pdf"))
                    .isInstanceOf(WorkerFailed.class)
                    .hasMessageStartingWith("reading it took longer than");
        }
    }

    @Test
    void aReaderThatBreaksOffLeavesNoAnswersForTheNextPaper() throws IOException {
        try (PaperWorkers workers = workers(1, 256, PATIENT)) {
            Path pdf = SamplePapers.pdf(folder, 5, 0);
            assertThatThrownBy(() -> workers.read(pdf, Format.PDF, ReadPages.Settings.codesOnly(), 1, p -> {
                        throw new IllegalStateException("the database is away");
                    }))
                    .hasMessage("the database is away");
            assertThat(workers.identify(pdf, "again.pdf")).isEqualTo(new Reading.Readable(Format.PDF, 5));
        }
    }

    @Test
    void manyCallersShareFewProcesses() throws IOException {
        try (PaperWorkers workers = workers(2, 256, PATIENT)) {
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
