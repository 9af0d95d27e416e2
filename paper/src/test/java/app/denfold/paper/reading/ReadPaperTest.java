package app.denfold.paper.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.drawing.PageImage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReadPaperTest {

    @TempDir
    Path folder;

    @Test
    void everyFormatIsKnownByItsContent() throws IOException {
        assertThat(ReadPaper.read(SamplePapers.pdf(folder, 3, 0), "letter.pdf"))
                .isEqualTo(new Reading.Readable(Format.PDF, 3));
        assertThat(ReadPaper.read(SamplePapers.image(folder, "jpg"), "photo.JPEG"))
                .isEqualTo(new Reading.Readable(Format.JPEG, 1));
        assertThat(ReadPaper.read(SamplePapers.image(folder, "png"), "no ending"))
                .isEqualTo(new Reading.Readable(Format.PNG, 1));
        assertThat(ReadPaper.read(SamplePapers.tiff(folder, 2), "fax.tiff"))
                .isEqualTo(new Reading.Readable(Format.TIFF, 2));
    }

    @Test
    void aFileThatIsNotWhatItsNameSaysIsRefused() throws IOException {
        Reading reading = ReadPaper.read(SamplePapers.image(folder, "png"), "contract.pdf");
        assertThat(reading).isInstanceOf(Reading.Refused.class);
        assertThat(reading.why()).get().asString().contains("the name says PDF, the content is PNG");
        Path script = Files.writeString(folder.resolve("x"), "#!/bin/sh\necho hello\n");
        assertThat(ReadPaper.read(script, "contract.pdf")).isInstanceOf(Reading.Refused.class);
        assertThat(ReadPaper.read(script, "run.sh").why()).get().asString().contains("none of the formats");
    }

    @Test
    void anEmptyFileIsRefused() throws IOException {
        Path empty = Files.createFile(folder.resolve("empty.pdf"));
        assertThat(ReadPaper.read(empty, "empty.pdf").why()).get().asString().contains("empty");
    }

    @Test
    void lockedAndBrokenPapersAreSetAside() throws IOException {
        assertThat(ReadPaper.read(SamplePapers.lockedPdf(folder), "a.pdf").why())
                .get()
                .asString()
                .contains("locked");
        byte[] whole = Files.readAllBytes(SamplePapers.image(folder, "png"));
        Path half = Files.write(folder.resolve("half.png"), Arrays.copyOf(whole, 60));
        assertThat(ReadPaper.read(half, "half.png")).isInstanceOf(Reading.SetAside.class);
        Path broken = Files.writeString(folder.resolve("broken.pdf"), "%PDF-1.7\nnothing more");
        assertThat(ReadPaper.read(broken, "broken.pdf")).isInstanceOf(Reading.SetAside.class);
    }

    @Test
    void pagesAreDrawnAsTheyAreSeen() throws IOException {
        Path turned = SamplePapers.pdf(folder, 1, 90);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(PageImage.png(turned, Format.PDF, 1, 500, 0)));
        assertThat(image.getWidth()).isBetween(499, 501);
        assertThat(image.getHeight()).isLessThan(400);
        assertThatThrownBy(() -> PageImage.png(turned, Format.PDF, 2, 500, 0)).hasMessageContaining("the paper has 1");
        Path fax = SamplePapers.tiff(folder, 2);
        assertThat(ImageIO.read(new ByteArrayInputStream(PageImage.png(fax, Format.TIFF, 2, 300, 0)))
                        .getHeight())
                .isEqualTo(400);
    }
}
