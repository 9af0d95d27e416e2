package app.denfold.server.letters.images;

import app.denfold.paper.Format;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.letters.KeptImage;
import app.denfold.server.letters.KeptImageRepository;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes pictures for models in. Each is drawn anew, so that nothing but the picture is kept, and none is too large. */
@Service
public class Images {

    private static final int LARGEST = 20 << 20;
    private static final int WIDTH = 1_400;
    private static final Set<Format> PICTURES = Set.of(Format.PNG, Format.JPEG, Format.GIF);

    private final KeptImageRepository images;
    private final Contents contents;
    private final PaperWorkers workers;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    Images(
            KeptImageRepository images,
            Contents contents,
            PaperWorkers quickWorkers,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.images = images;
        this.contents = contents;
        this.workers = quickWorkers;
        this.trail = trail;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /** @param width and height in pixels */
    public record ImageAnswer(UUID id, String name, int width, int height) {}

    /** @throws Refusal when the viewer is no administrator, or it is no whole picture in PNG, JPEG or GIF of up to 20 MB */
    public ImageAnswer add(Viewer viewer, UploadedFile file) {
        viewer.requireAdministrator();
        try {
            byte[] png = drawn(file);
            BufferedImage picture = Objects.requireNonNull(ImageIO.read(new ByteArrayInputStream(png)));
            Contents.Prepared prepared = contents.made(png, Format.PNG, 1);
            return Objects.requireNonNull(transactions.execute(t -> {
                contents.register(prepared);
                KeptImage image = images.save(new KeptImage(
                        file.name(),
                        prepared.sha256(),
                        picture.getWidth(),
                        picture.getHeight(),
                        viewer.name(),
                        calendar.now()));
                trail.record(AuditEntry.general(viewer.actor(), "set-up", "took in the picture “" + file.name() + "”"));
                return new ImageAnswer(image.id(), image.name(), image.width(), image.height());
            }));
        } catch (WorkerFailed damaged) {
            throw Refusal.invalid("file", "“" + file.name() + "” cannot be shown. Is it whole?");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The picture could not be drawn just now: " + ended.getMessage() + ". Try again in a moment.",
                    ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The picture", failed);
        }
    }

    private byte[] drawn(UploadedFile file) throws IOException {
        if (Files.size(file.path()) > LARGEST) {
            throw Refusal.invalid("file", "“" + file.name() + "” has more than 20 MB. A smaller one does as well.");
        }
        if (!(workers.identify(file.path(), withoutEnding(file.name())) instanceof Reading.Readable picture)
                || !PICTURES.contains(picture.format())) {
            throw Refusal.invalid("file", "“" + file.name() + "” is no whole picture in PNG, JPEG or GIF.");
        }
        Path png = Files.createTempFile("picture", ".png");
        try {
            workers.draw(file.path(), picture.format(), 1, WIDTH, 0, png);
            return Files.readAllBytes(png);
        } finally {
            Files.deleteIfExists(png);
        }
    }

    /** What it is, is told by its bytes: the name may be that of the text it stood in, or of what it was drawn from. */
    private static String withoutEnding(String name) {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** Its bytes. */
    String content(UUID id) {
        return images.findById(id)
                .orElseThrow(() -> Refusal.notFound("picture"))
                .sha256();
    }
}
