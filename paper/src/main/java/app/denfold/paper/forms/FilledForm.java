package app.denfold.paper.forms;

import app.denfold.paper.PdfFiles;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceCharacteristicsDictionary;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;
import org.jspecify.annotations.Nullable;

/** Fills in a form of others, and places what is written on one that has no fields. */
public final class FilledForm {

    private static final String FONT = "/liberation/LiberationSans-Regular.ttf";

    /** The font of what is put in, as the form knows it. */
    private static final COSName FONT_NAME = COSName.getPDFName("DenFoldSans");

    private static final Pattern SIZE = Pattern.compile("([\\d.]+)\\s+Tf");

    /** Of text on a place that has no field, in points; smaller where it would not fit. */
    private static final double LARGEST = 11;

    private static final double LINE = 1.35;

    /** What ticks nothing. */
    private static final Set<String> NO = Set.of("", "no", "nein", "non", "false", "off", "0");

    /** Actions that lead somewhere (ISO 32000-2, 12.6.4). */
    private static final Set<String> HARMLESS = Set.of("GoTo", "URI", "Named");

    private FilledForm() {}

    /**
     * Something to put in.
     *
     * @param field by which the form knows it; null to write on the page where there is no field
     * @param tickedIf the text with which a tick is set, small and capital letters alike; null for any but “no”
     * @param page from 1; the rest in parts of the page as seen, from the upper left corner; not used where there is a field
     * @param text empty to leave it open
     */
    public record Value(
            @Nullable String field,
            FormBox.Kind kind,
            @Nullable String tickedIf,
            int page,
            double left,
            double top,
            double width,
            double height,
            String text) {}

    /**
     * Writes a filled form. What its maker had it do by programs is left out.
     *
     * @param leaveOpen whether its fields can be changed afterwards; fields for signatures always can
     * @return how many pages it has
     * @throws IOException with words, when something cannot be put in
     */
    public static int to(Path to, Path form, List<Value> values, boolean leaveOpen) throws IOException {
        try (PDDocument document = PdfFiles.open(form)) {
            if (document.isEncrypted()) {
                if (!document.getCurrentAccessPermission().canFillInForm()) {
                    throw new IOException("its maker does not allow that it is filled in");
                }
                document.setAllSecurityToBeRemoved(true);
            }
            new Filling(document).fill(values, leaveOpen);
            document.save(to.toFile());
            return document.getNumberOfPages();
        }
    }

    private static final class Filling {
        private final PDDocument document;
        private final PDAcroForm form;
        private int placed;

        @SuppressWarnings("NullAway.Init")
        private PDFont letters;

        Filling(PDDocument document) {
            this.document = document;
            PDAcroForm found = document.getDocumentCatalog().getAcroForm(null);
            this.form = found == null ? new PDAcroForm(document) : found;
            document.getDocumentCatalog().setAcroForm(form);
        }

        void fill(List<Value> values, boolean leaveOpen) throws IOException {
            prepare();
            for (Value value : values) {
                if (value.field == null) {
                    place(value);
                } else {
                    put(value);
                }
            }
            if (!leaveOpen) {
                List<PDField> all = new ArrayList<>();
                form.getFieldTree().forEach(all::add);
                all.removeIf(f -> f instanceof PDSignatureField);
                form.flatten(all, false);
            }
        }

        private void prepare() throws IOException {
            PDResources resources = form.getDefaultResources();
            if (resources == null) {
                resources = new PDResources();
                form.setDefaultResources(resources);
            }
            try (InputStream font = FilledForm.class.getResourceAsStream(FONT)) {
                // whole, so that whoever fills in the rest has all its letters
                letters = PDType0Font.load(document, Objects.requireNonNull(font, "The font is missing"), false);
                resources.put(FONT_NAME, letters);
            }
            if (form.getDefaultAppearance().isEmpty()) {
                form.setDefaultAppearance(appearance(0));
            }
            form.setXFA(null);
            form.setNeedAppearances(false);
            COSDictionary catalog = document.getDocumentCatalog().getCOSObject();
            catalog.removeItem(COSName.OPEN_ACTION);
            catalog.removeItem(COSName.AA);
            if (catalog.getDictionaryObject(COSName.NAMES) instanceof COSDictionary names) {
                names.removeItem(COSName.getPDFName("JavaScript"));
            }
            form.getCOSObject().removeItem(COSName.getPDFName("CO"));
            form.getFieldTree().forEach(field -> field.getCOSObject().removeItem(COSName.AA));
            for (PDPage page : document.getPages()) {
                page.getCOSObject().removeItem(COSName.AA);
                page.getAnnotations().forEach(annotation -> withoutPrograms(annotation.getCOSObject()));
            }
        }

        /** A click leads to a page or an address still, and does nothing else. */
        private static void withoutPrograms(COSDictionary annotation) {
            annotation.removeItem(COSName.AA);
            if (annotation.getDictionaryObject(COSName.A) instanceof COSDictionary action
                    && !HARMLESS.contains(String.valueOf(action.getNameAsString(COSName.S)))) {
                annotation.removeItem(COSName.A);
            }
        }

        private static String appearance(double size) {
            return "/" + FONT_NAME.getName() + " " + String.format(Locale.ROOT, "%.1f", size) + " Tf 0 g";
        }

        private void put(Value value) throws IOException {
            PDField field = form.getField(value.field);
            if (field == null) {
                throw new IOException("it has no field “" + value.field + "” any more");
            }
            if (value.text.isBlank() && value.kind != FormBox.Kind.TICK) {
                return;
            }
            if (field instanceof PDVariableText text) {
                Matcher size = SIZE.matcher(String.valueOf(text.getDefaultAppearance()));
                text.setDefaultAppearance(appearance(size.find() ? Double.parseDouble(size.group(1)) : 0));
            }
            if (field instanceof PDTextField text) {
                String safe = safe(value.text);
                requireFits(text, safe);
                text.setValue(safe);
            } else if (field instanceof PDCheckBox box) {
                tick(box, isTicked(value));
            } else {
                choose(field, value.text);
            }
        }

        private static void requireFits(PDTextField field, String text) throws IOException {
            int most = field.getMaxLen();
            if (most > 0 && text.length() > most) {
                throw new IOException("“" + FormFields.label(field) + "” has room for " + most + " characters, and “"
                        + text + "” has " + text.length());
            }
        }

        private static void tick(PDCheckBox box, boolean isTicked) throws IOException {
            if (isTicked && box.getOnValue().isEmpty()) {
                throw new IOException("“" + FormFields.label(box) + "” cannot be ticked");
            }
            if (isTicked) {
                box.check();
            } else {
                box.unCheck();
            }
        }

        private static void choose(PDField field, String text) throws IOException {
            List<String> shown = FormFields.choices(field);
            int at = indexOf(shown, text);
            if (at < 0) {
                throw new IOException("“" + text + "” is no choice of “" + FormFields.label(field) + "”; there are "
                        + String.join(", ", shown));
            }
            if (field instanceof PDChoice choice) {
                choice.setValue(choice.getOptionsExportValues().get(at));
            } else if (field instanceof PDRadioButton radio) {
                radio.setValue(shown.get(at));
            }
        }

        private static int indexOf(List<String> choices, String text) {
            for (int i = 0; i < choices.size(); i++) {
                if (choices.get(i).equalsIgnoreCase(text.strip())) {
                    return i;
                }
            }
            return -1;
        }

        /** Where there is no field, one is made; a tick is drawn. */
        private void place(Value value) throws IOException {
            if (value.page < 1 || value.page > document.getNumberOfPages()) {
                throw new IOException("it has no page " + value.page + " any more");
            }
            PDPage page = document.getPage(value.page - 1);
            PDRectangle box = SeenBox.onPage(page, value.left, value.top, value.width, value.height);
            if (value.kind == FormBox.Kind.TICK) {
                if (isTicked(value)) {
                    cross(page, box);
                }
                return;
            }
            PDTextField field = new PDTextField(form);
            field.setPartialName("placed-" + ++placed);
            double lines = Math.max(1, Math.floor(box.getHeight() / (LARGEST * LINE)));
            field.setMultiline(lines > 1);
            field.setDefaultAppearance(appearance(Math.min(LARGEST, box.getHeight() / LINE)));
            PDAnnotationWidget widget = field.getWidgets().get(0);
            widget.setRectangle(box);
            widget.setPage(page);
            widget.setPrinted(true);
            if (page.getRotation() != 0) {
                widget.setAppearanceCharacteristics(turned(page.getRotation()));
            }
            page.getAnnotations().add(widget);
            form.getFields().add(field);
            field.setValue(safe(value.text));
        }

        /** What the font has no letter for stands as a question mark; what no paper can hold is left out. */
        private String safe(String text) throws IOException {
            StringBuilder safe = new StringBuilder();
            for (int letter : text.codePoints().toArray()) {
                String one = Character.toString(letter);
                if (letter == '\n') {
                    safe.append(one);
                } else if (!Character.isISOControl(letter) && Character.getType(letter) != Character.FORMAT) {
                    safe.append(isKnown(one) ? one : "?");
                }
            }
            return safe.toString();
        }

        private boolean isKnown(String letter) throws IOException {
            try {
                letters.encode(letter);
                return true;
            } catch (IllegalArgumentException unknown) {
                return false;
            }
        }

        private static PDAppearanceCharacteristicsDictionary turned(int degrees) {
            var look = new PDAppearanceCharacteristicsDictionary(new COSDictionary());
            look.setRotation(degrees);
            return look;
        }

        private void cross(PDPage page, PDRectangle box) throws IOException {
            try (PDPageContentStream stream = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                stream.setLineWidth(1.2f);
                stream.moveTo(box.getLowerLeftX(), box.getLowerLeftY());
                stream.lineTo(box.getUpperRightX(), box.getUpperRightY());
                stream.moveTo(box.getLowerLeftX(), box.getUpperRightY());
                stream.lineTo(box.getUpperRightX(), box.getLowerLeftY());
                stream.stroke();
            }
        }
    }

    private static boolean isTicked(Value value) {
        String text = value.text.strip();
        return Optional.ofNullable(value.tickedIf)
                .map(wanted -> wanted.strip().equalsIgnoreCase(text))
                .orElseGet(() -> !NO.contains(text.toLowerCase(Locale.ROOT)));
    }
}
