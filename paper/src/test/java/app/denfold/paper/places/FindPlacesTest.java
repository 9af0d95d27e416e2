package app.denfold.paper.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.denfold.paper.Format;
import app.denfold.paper.places.WritingPlace.Kind;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FindPlacesTest {

    private static final float WIDTH = PDRectangle.A4.getWidth();
    private static final float HEIGHT = PDRectangle.A4.getHeight();

    @TempDir
    Path folder;

    private interface Drawing {
        void on(PDPageContentStream out) throws IOException;
    }

    private Path pdf(Drawing drawing) throws IOException {
        Path file = folder.resolve("lines.pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                drawing.on(out);
            }
            document.save(file.toFile());
        }
        return file;
    }

    private static void line(PDPageContentStream out, float left, float y, float width) throws IOException {
        out.moveTo(left, y);
        out.lineTo(left + width, y);
        out.stroke();
    }

    private static void words(PDPageContentStream out, float left, float y, String words) throws IOException {
        out.beginText();
        out.setFont(new PDType1Font(FontName.HELVETICA), 11);
        out.newLineAtOffset(left, y);
        out.showText(words);
        out.endText();
    }

    @Test
    void linesToWriteOnAreFoundAndNoneThatUnderlineDivideOrFrame() throws Exception {
        Path file = pdf(out -> {
            // two to sign on, one of dots
            line(out, 60, 200, 180);
            out.setLineDashPattern(new float[] {1, 2}, 0);
            line(out, 320, 200, 180);
            out.setLineDashPattern(new float[] {}, 0);
            // a heading that is underlined, a rule across the page, a table, a bar
            words(out, 60, 702, "Rules for the yard and for the arena of today");
            line(out, 60, 700, 230);
            line(out, 40, 600, WIDTH - 80);
            out.addRect(60, 400, 200, 60);
            out.stroke();
            line(out, 60, 430, 200);
            out.addRect(60, 300, 200, 12);
            out.fill();
        });
        List<WritingPlace> places = FindPlaces.of(file, Format.PDF, 1);
        assertThat(places).hasSize(2).allMatch(p -> p.kind() == Kind.LINE && p.page() == 1);
        assertThat(places.get(0).left()).isCloseTo(60 / WIDTH, within(0.01));
        assertThat(places.get(0).width()).isCloseTo(180 / WIDTH, within(0.01));
        assertThat(places.get(1).left()).isCloseTo(320 / WIDTH, within(0.01));
        assertThat(places).allSatisfy(p -> assertThat(p.top()).isCloseTo(1 - 200 / HEIGHT, within(0.01)));
    }

    @Test
    void onAScanTheyAreFoundToo() throws Exception {
        BufferedImage scan = new BufferedImage(1_654, 2_339, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D out = scan.createGraphics();
        out.setColor(new Color(236, 236, 230));
        out.fillRect(0, 0, 1_654, 2_339);
        out.setColor(new Color(70, 70, 70));
        out.fillRect(200, 1_900, 500, 4);
        out.dispose();
        Path file = folder.resolve("scan.png");
        ImageIO.write(scan, "png", file.toFile());
        assertThat(FindPlaces.of(file, Format.PNG, 1)).singleElement().satisfies(place -> {
            assertThat(place.left()).isCloseTo(200 / 1_654.0, within(0.01));
            assertThat(place.top()).isCloseTo(1_900 / 2_339.0, within(0.01));
        });
    }

    private static void widget(PDPage page, PDTerminalField field, String name, PDRectangle where) throws IOException {
        field.setPartialName(name);
        PDAnnotationWidget widget = field.getWidgets().get(0);
        widget.setRectangle(where);
        widget.setPage(page);
        page.getAnnotations().add(widget);
        field.getAcroForm().getFields().add(field);
    }

    @Test
    void emptyFieldsOfAFormStandWhereTheyAreSeenAlsoOnATurnedPage() throws Exception {
        Path file = folder.resolve("form.pdf");
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(PDRectangle.A4));
            PDPage page = new PDPage(PDRectangle.A4);
            page.setRotation(90);
            document.addPage(page);
            PDAcroForm form = new PDAcroForm(document);
            document.getDocumentCatalog().setAcroForm(form);
            PDResources fonts = new PDResources();
            fonts.put(COSName.getPDFName("Helv"), new PDType1Font(FontName.HELVETICA));
            form.setDefaultResources(fonts);
            form.setDefaultAppearance("/Helv 10 Tf 0 g");
            // what is at the lower left of the page is at its upper left once it is turned
            widget(page, new PDSignatureField(form), "signatureOfGuardian[0]", new PDRectangle(10, 20, 40, 200));
            widget(page, new PDCheckBox(form), "i_agree", new PDRectangle(300, 300, 20, 20));
            PDTextField filled = new PDTextField(form);
            widget(page, filled, "horse", new PDRectangle(100, 100, 20, 100));
            filled.setValue("Juniper");
            PDTextField fixed = new PDTextField(form);
            widget(page, fixed, "office", new PDRectangle(100, 300, 20, 100));
            fixed.setReadOnly(true);
            PDTextField asked = new PDTextField(form);
            asked.setAlternateFieldName("Telephone at night");
            widget(page, asked, "f1_01", new PDRectangle(200, 100, 20, 100));
            document.save(file.toFile());
        }
        List<WritingPlace> places = FindPlaces.of(file, Format.PDF, 2);
        assertThat(places)
                .extracting(p -> p.kind() + " " + p.name())
                .containsExactlyInAnyOrder(
                        "SIGNATURE signature Of Guardian", "TICK i agree", "TEXT Telephone at night");
        WritingPlace signature = places.stream()
                .filter(p -> p.kind() == Kind.SIGNATURE)
                .findFirst()
                .orElseThrow();
        assertThat(signature.page()).isEqualTo(2);
        assertThat(signature.left()).isCloseTo(20 / HEIGHT, within(0.002));
        assertThat(signature.top()).isCloseTo(10 / WIDTH, within(0.002));
        assertThat(signature.width()).isCloseTo(200 / HEIGHT, within(0.002));
        assertThat(signature.height()).isCloseTo(40 / WIDTH, within(0.002));
    }
}
