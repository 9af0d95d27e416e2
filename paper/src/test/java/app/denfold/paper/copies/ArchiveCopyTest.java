package app.denfold.paper.copies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every copy is looked at by an independent checker of the standard. */
class ArchiveCopyTest {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    @TempDir
    Path folder;

    private interface Change {
        void to(PDDocument document) throws IOException;
    }

    private Path written(boolean embedsItsFont, Change change) throws IOException {
        Path file = folder.resolve("written.pdf");
        try (PDDocument document = new PDDocument();
                InputStream letters = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            PDFont font =
                    embedsItsFont ? PDType0Font.load(document, letters, true) : new PDType1Font(FontName.HELVETICA);
            for (int page = 1; page <= 2; page++) {
                PDPage added = new PDPage();
                document.addPage(added);
                try (PDPageContentStream out = new PDPageContentStream(document, added)) {
                    out.beginText();
                    out.setFont(font, 12);
                    out.newLineAtOffset(72, 700);
                    out.showText("Page " + page + " of a letter to Jorun");
                    out.endText();
                }
            }
            change.to(document);
            document.save(file.toFile());
        }
        return file;
    }

    private ArchiveCopy.Made made(Path file, Format format, int pages) throws IOException {
        byte[] before = Files.readAllBytes(file);
        Path copy = folder.resolve("copy.pdf");
        ArchiveCopy.Made made = ArchiveCopy.to(copy, file, format);
        assertThat(ArchiveCopy.holds(copy)).isTrue();
        try (PDDocument document = Loader.loadPDF(copy.toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(pages);
        }
        assertThat(Files.readAllBytes(file)).as("the paper itself").isEqualTo(before);
        return made;
    }

    private String textOfCopy() throws IOException {
        try (PDDocument document = Loader.loadPDF(folder.resolve("copy.pdf").toFile())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void aPaperThatHoldsItsLettersKeepsThem() throws IOException {
        Path file = written(true, document -> {});
        assertThat(ArchiveCopy.holds(file)).as("it is none before").isFalse();
        assertThat(made(file, Format.PDF, 2)).isEqualTo(ArchiveCopy.Made.FROM_ITS_PAGES);
        assertThat(textOfCopy()).contains("Page 2 of a letter to Jorun");
    }

    @Test
    void whatActsByItselfIsLeftOut() throws IOException {
        Path file = written(true, document -> document.getDocumentCatalog()
                .setOpenAction(new PDActionJavaScript("app.alert('here')")));
        assertThat(made(file, Format.PDF, 2)).isEqualTo(ArchiveCopy.Made.FROM_ITS_PAGES);
    }

    @Test
    void lettersThatAreNotInTheFileBecomePictures() throws IOException {
        assertThat(made(written(false, document -> {}), Format.PDF, 2)).isEqualTo(ArchiveCopy.Made.AS_PICTURES);
    }

    @Test
    void notesOverThePagesAreKeptInThePicture() throws IOException {
        Path file = written(true, document -> {
            PDAnnotationText note = new PDAnnotationText();
            note.setContents("Ask about the date");
            note.setRectangle(new org.apache.pdfbox.pdmodel.common.PDRectangle(100, 600, 20, 20));
            document.getPage(0).getAnnotations().add(note);
        });
        assertThat(made(file, Format.PDF, 2)).isEqualTo(ArchiveCopy.Made.AS_PICTURES);
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png", "gif"})
    void imagesBecomePages(String ending) throws IOException {
        Format format = Format.claimedBy("x." + ending).orElseThrow();
        assertThat(made(SamplePapers.image(folder, ending), format, 1)).isEqualTo(ArchiveCopy.Made.AS_PICTURES);
    }

    @Test
    void anImageThatShinesThroughLiesOnWhite() throws IOException {
        Path file = folder.resolve("clear.png");
        ImageIO.write(new BufferedImage(300, 400, BufferedImage.TYPE_INT_ARGB), "png", file.toFile());
        made(file, Format.PNG, 1);
    }

    @Test
    void allPagesOfAFaxAndOfATextAreThere() throws IOException {
        made(SamplePapers.tiff(folder, 3), Format.TIFF, 3);
        made(Files.writeString(folder.resolve("note.txt"), "A note for the file"), Format.TEXT, 1);
    }

    @Test
    void whatHasNoPagesOrIsLockedIsRefused() throws IOException {
        Path copy = folder.resolve("copy.pdf");
        Path sound = Files.writeString(folder.resolve("memo.wav"), "RIFF");
        assertThatThrownBy(() -> ArchiveCopy.to(copy, sound, Format.WAV)).hasMessageContaining("no pages");
        Path locked = SamplePapers.lockedPdf(folder);
        assertThatThrownBy(() -> ArchiveCopy.to(copy, locked, Format.PDF)).isInstanceOf(IOException.class);
    }
}
