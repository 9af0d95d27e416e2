package app.denfold.paper.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

class ScannedPageTest {

    private static final float WIDTH = PDRectangle.A4.getWidth();
    private static final float HEIGHT = PDRectangle.A4.getHeight();

    private interface Drawing {
        void on(PDPageContentStream out, PDDocument document, PDImageXObject picture) throws IOException;
    }

    private static Optional<BufferedImage> picture(boolean jpeg, int rotation, Drawing drawing) throws IOException {
        try (PDDocument document = new PDDocument()) {
            BufferedImage scan = new BufferedImage(1_240, 1_754, BufferedImage.TYPE_BYTE_GRAY);
            PDImageXObject image = jpeg
                    ? JPEGFactory.createFromImage(document, scan)
                    : LosslessFactory.createFromImage(document, scan);
            PDPage page = new PDPage(PDRectangle.A4);
            page.setRotation(rotation);
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                drawing.on(out, document, image);
            }
            return ScannedPage.picture(page, 600);
        }
    }

    @Test
    void aPictureOverAllOfThePageIsTakenAsItIs() throws IOException {
        Optional<BufferedImage> found = picture(true, 0, (out, d, p) -> out.drawImage(p, 0, 0, WIDTH, HEIGHT));
        assertThat(found).isPresent();
        assertThat(found.get().getWidth()).as("thinned by two").isEqualTo(620);
    }

    @Test
    void whateverElseThePageIsItIsDrawn() throws IOException {
        Drawing whole = (out, d, p) -> out.drawImage(p, 0, 0, WIDTH, HEIGHT);
        assertThat(picture(false, 0, whole)).as("no JPEG").isEmpty();
        assertThat(picture(true, 90, whole)).as("turned page").isEmpty();
        assertThat(picture(true, 0, (out, d, p) -> out.drawImage(p, 0, 0, WIDTH, HEIGHT / 2)))
                .as("half of it")
                .isEmpty();
        assertThat(picture(true, 0, (out, d, p) -> {
                    whole.on(out, d, p);
                    whole.on(out, d, p);
                }))
                .as("drawn twice")
                .isEmpty();
        assertThat(picture(true, 0, (out, d, p) -> out.drawImage(p, new Matrix(WIDTH, 0, 0, -HEIGHT, 0, HEIGHT))))
                .as("upside down")
                .isEmpty();
        assertThat(picture(true, 0, (out, d, p) -> {
                    whole.on(out, d, p);
                    out.beginText();
                    out.setFont(new PDType1Font(FontName.HELVETICA), 12);
                    out.showText("stamped");
                    out.endText();
                }))
                .as("with words over it")
                .isEmpty();
        assertThat(picture(true, 0, (out, d, p) -> {})).as("empty").isEmpty();
    }
}
