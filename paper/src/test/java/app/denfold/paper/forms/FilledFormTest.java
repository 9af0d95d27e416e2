package app.denfold.paper.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.denfold.paper.forms.FilledForm.Value;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.action.PDAction;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionLaunch;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Forms of others: their fields are known, and hold what is put in. */
class FilledFormTest {

    @TempDir
    Path folder;

    private Path form(Consumer<PDDocument> more) throws IOException {
        Path pdf = folder.resolve("form.pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage upright = new PDPage(PDRectangle.A4);
            PDPage turned = new PDPage(PDRectangle.A4);
            turned.setRotation(90);
            document.addPage(upright);
            document.addPage(turned);
            PDAcroForm form = new PDAcroForm(document);
            PDResources resources = new PDResources();
            resources.put(COSName.HELV, new PDType1Font(FontName.HELVETICA));
            form.setDefaultResources(resources);
            form.setDefaultAppearance("/Helv 0 Tf 0 g");
            document.getDocumentCatalog().setAcroForm(form);
            PDTextField name = new PDTextField(form);
            name.setPartialName("insuredName[0]");
            add(form, name, upright, new PDRectangle(100, 700, 200, 20));
            PDTextField number = new PDTextField(form);
            number.setPartialName("number");
            number.setAlternateFieldName("Number of the policy");
            number.setMaxLen(5);
            add(form, number, turned, new PDRectangle(100, 600, 20, 100));
            PDCheckBox agreed = new PDCheckBox(form);
            agreed.setPartialName("agreed");
            PDAnnotationWidget box = add(form, agreed, upright, new PDRectangle(100, 650, 14, 14));
            box.setAppearance(states(document));
            PDComboBox pay = new PDComboBox(form);
            pay.setPartialName("pay");
            pay.setOptions(List.of("m", "y"), List.of("monthly", "yearly"));
            add(form, pay, upright, new PDRectangle(100, 600, 100, 18));
            PDSignatureField sign = new PDSignatureField(form);
            add(form, sign, upright, new PDRectangle(100, 100, 200, 40));
            more.accept(document);
            document.save(pdf.toFile());
        }
        return pdf;
    }

    /** Programs wherever a form can hold them, and a link that leads somewhere. */
    private static void program(PDDocument document) {
        PDActionJavaScript program = new PDActionJavaScript("app.alert(1)");
        document.getDocumentCatalog().setOpenAction(program);
        COSDictionary triggers = new COSDictionary();
        triggers.setItem(COSName.K, program);
        PDPage page = document.getPage(0);
        page.getCOSObject().setItem(COSName.AA, triggers);
        document.getDocumentCatalog().getAcroForm().getFields().forEach(field -> {
            field.getCOSObject().setItem(COSName.AA, triggers);
            field.getWidgets().forEach(widget -> widget.setAction(program));
        });
        try {
            PDActionURI address = new PDActionURI();
            address.setURI("https://hallam.example");
            PDActionLaunch launch = new PDActionLaunch();
            launch.setF("calc.exe");
            for (PDAction action : List.of(address, launch)) {
                PDAnnotationLink link = new PDAnnotationLink();
                link.setRectangle(new PDRectangle(10, 10, 50, 50));
                link.setAction(action);
                page.getAnnotations().add(link);
            }
        } catch (IOException failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static PDAnnotationWidget add(PDAcroForm form, PDField field, PDPage page, PDRectangle at)
            throws IOException {
        PDAnnotationWidget widget = field.getWidgets().get(0);
        widget.setRectangle(at);
        widget.setPage(page);
        page.getAnnotations().add(widget);
        form.getFields().add(field);
        return widget;
    }

    private static PDAppearanceDictionary states(PDDocument document) {
        COSDictionary states = new COSDictionary();
        for (String state : List.of("Yes", "Off")) {
            PDAppearanceStream stream = new PDAppearanceStream(document);
            stream.setBBox(new PDRectangle(14, 14));
            states.setItem(COSName.getPDFName(state), stream);
        }
        PDAppearanceDictionary look = new PDAppearanceDictionary();
        look.getCOSObject().setItem(COSName.N, states);
        return look;
    }

    private static Value value(String field, FormBox.Kind kind, String text) {
        return new Value(field, kind, null, 1, 0, 0, 0, 0, text);
    }

    private static Value written(FormBox.Kind kind, int page, String text) {
        return new Value(null, kind, null, page, 0.1, 0.2, 0.4, 0.03, text);
    }

    private PDDocument filled(Path form, boolean leaveOpen, Value... values) throws IOException {
        Path to = folder.resolve("filled.pdf");
        assertThat(FilledForm.to(to, form, List.of(values), leaveOpen)).isEqualTo(2);
        return Loader.loadPDF(Files.readAllBytes(to));
    }

    private static String text(PDDocument document) throws IOException {
        return new PDFTextStripper().getText(document);
    }

    @Test
    void fieldsAreKnownByNameKindAndPlaceAsSeen() throws IOException {
        List<FormBox> boxes = FormFields.of(form(document -> {}));
        assertThat(boxes)
                .extracting(FormBox::label)
                .containsExactly("insured Name", "Number of the policy", "agreed", "pay");
        assertThat(boxes)
                .extracting(FormBox::kind)
                .containsExactly(FormBox.Kind.TEXT, FormBox.Kind.TEXT, FormBox.Kind.TICK, FormBox.Kind.CHOICE);
        assertThat(boxes.get(3).choices()).containsExactly("monthly", "yearly");
        FormBox turned = boxes.get(1);
        assertThat(turned.page()).isEqualTo(2);
        assertThat(turned.width()).as("it lies level on the page as seen").isGreaterThan(turned.height());
        assertThat(boxes.get(0).top()).isCloseTo(1 - 720 / 841.89, within(0.01));
    }

    @Test
    void whatIsPutInStandsOnThePagesAndNobodyCanChangeItAfterwards() throws IOException {
        try (PDDocument document = filled(
                form(d -> {}),
                false,
                value("insuredName[0]", FormBox.Kind.TEXT, "Łucja Quillfeather-Őszi"),
                value("number", FormBox.Kind.TEXT, "12345"),
                value("agreed", FormBox.Kind.TICK, "yes"),
                value("pay", FormBox.Kind.CHOICE, "Yearly"),
                written(FormBox.Kind.TEXT, 1, "Placed by us"),
                written(FormBox.Kind.TEXT, 2, "On the turned page"))) {
            assertThat(text(document))
                    .contains("Łucja Quillfeather-Őszi", "12345", "yearly", "Placed by us", "On the turned page");
            PDAcroForm form = document.getDocumentCatalog().getAcroForm();
            assertThat(form.getFields()).singleElement().isInstanceOf(PDSignatureField.class);
        }
    }

    @Test
    void leftOpenItsFieldsHoldWhatWasPutInAndCanBeChanged() throws IOException {
        try (PDDocument document = filled(
                form(d -> {}),
                true,
                value("insuredName[0]", FormBox.Kind.TEXT, "Hallam"),
                value("agreed", FormBox.Kind.TICK, "no"),
                new Value("agreed", FormBox.Kind.TICK, "owner", 1, 0, 0, 0, 0, "Owner"),
                value("pay", FormBox.Kind.CHOICE, " "))) {
            PDAcroForm form = document.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("insuredName[0]").getValueAsString()).isEqualTo("Hallam");
            assertThat(((PDCheckBox) form.getField("agreed")).isChecked()).isTrue();
            assertThat(form.getField("pay").getValueAsString()).isEqualTo("[]");
            assertThat(form.getNeedAppearances()).isFalse();
        }
    }

    @Test
    void whatDoesNotFitIsRefusedInWords() throws IOException {
        Path form = form(d -> {});
        assertThatThrownBy(() -> filled(form, false, value("number", FormBox.Kind.TEXT, "123456")))
                .hasMessage("“Number of the policy” has room for 5 characters, and “123456” has 6");
        assertThatThrownBy(() -> filled(form, false, value("pay", FormBox.Kind.CHOICE, "weekly")))
                .hasMessage("“weekly” is no choice of “pay”; there are monthly, yearly");
        assertThatThrownBy(() -> filled(form, false, value("gone", FormBox.Kind.TEXT, "x")))
                .hasMessageContaining("no field “gone”");
        assertThatThrownBy(() -> filled(form, false, written(FormBox.Kind.TEXT, 3, "x")))
                .hasMessageContaining("no page 3");
    }

    @Test
    void whatNoFontOrPaperHoldsIsStillText() throws IOException {
        try (PDDocument document = filled(
                form(d -> {}), false, value("insuredName[0]", FormBox.Kind.TEXT, "A\u0000\u202e🐎B) Tj <script>"))) {
            assertThat(text(document)).contains("A?B) Tj <script>");
        }
    }

    @Test
    void programsOfItsMakerAreLeftOutAndWhatHeForbidsIsNotDone() throws IOException {
        Path form = form(FilledFormTest::program);
        for (boolean leaveOpen : List.of(true, false)) {
            try (PDDocument document = filled(form, leaveOpen)) {
                assertThat(document.getDocumentCatalog().getCOSObject().containsKey(COSName.OPEN_ACTION))
                        .isFalse();
                ByteArrayOutputStream plain = new ByteArrayOutputStream();
                document.save(plain, CompressParameters.NO_COMPRESSION);
                assertThat(plain.toString(StandardCharsets.ISO_8859_1))
                        .doesNotContain("app.alert", "calc.exe")
                        .contains("https://hallam.example");
            }
        }
        Path locked = form(d -> {
            AccessPermission little = new AccessPermission();
            little.setCanFillInForm(false);
            little.setCanModify(false);
            little.setCanModifyAnnotations(false);
            try {
                d.protect(new StandardProtectionPolicy("owner", "", little));
            } catch (IOException failed) {
                throw new IllegalStateException(failed);
            }
        });
        assertThatThrownBy(() -> filled(locked, false)).hasMessageContaining("does not allow");
    }
}
