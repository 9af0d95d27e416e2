package app.denfold.paper.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import app.denfold.paper.drawing.PageImage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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

    @Test
    void whatIsOfTheSameSortUnderAnotherEndingIsTakenAsWhatItIs() throws IOException {
        Path letter = Files.writeString(folder.resolve("letter.doc"), "{\\rtf1\\ansi Dear Mrs Vahdani,\\par}");
        assertThat(ReadPaper.read(letter, "letter.doc")).isEqualTo(new Reading.Readable(Format.RTF, 1));
    }

    @Test
    void plainTextIsTakenWhateverItsWords() throws IOException {
        for (String words : List.of(
                "From: Edie\nSubject: lesson\n\nI come later.",
                "#!/bin/sh\necho hello\n",
                "<html><b>not a page</b></html>",
                "%PDF is how such files begin",
                "{\\rtf is how those begin")) {
            Path note = Files.writeString(folder.resolve("note.txt"), words);
            assertThat(ReadPaper.read(note, "note.txt")).as(words).isEqualTo(new Reading.Readable(Format.TEXT, 1));
        }
        Path bytes = Files.write(folder.resolve("bytes.txt"), new byte[] {1, 2, 0, 3});
        assertThat(ReadPaper.read(bytes, "bytes.txt")).isNotInstanceOf(Reading.Readable.class);
    }

    @Test
    void aLockedOpenDocumentIsLockedAndNotBroken() throws IOException {
        Path locked = folder.resolve("contract.odt");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(locked))) {
            byte[] type = "application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII);
            ZipEntry mimetype = new ZipEntry("mimetype");
            mimetype.setMethod(ZipEntry.STORED);
            mimetype.setSize(type.length);
            CRC32 sum = new CRC32();
            sum.update(type);
            mimetype.setCrc(sum.getValue());
            zip.putNextEntry(mimetype);
            zip.write(type);
            zip.putNextEntry(new ZipEntry("META-INF/manifest.xml"));
            zip.write(
                    "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\"><manifest:file-entry><manifest:encryption-data/></manifest:file-entry></manifest:manifest>"
                            .getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("content.xml"));
            zip.write(new byte[] {7, 1, 4});
        }
        Reading reading = ReadPaper.read(locked, "contract.odt");
        assertThat(reading).isInstanceOf(Reading.SetAside.class);
        assertThat(reading.why()).get().asString().contains("locked with a password");
    }
}
