package app.denfold.paper.forms;

import app.denfold.paper.PdfFiles;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jspecify.annotations.Nullable;

/** Reads which fields a form has. */
public final class FormFields {

    /** Of larger forms, so many are read. */
    public static final int MOST = 500;

    private static final int MOST_CHOICES = 100;
    private static final int LONGEST = 200;

    /** Of a side, in points. */
    private static final float SMALLEST = 2;

    private FormFields() {}

    /**
     * Those that can be filled in, in the order of the form; signatures are none of them.
     *
     * @throws IOException when it cannot be read
     */
    public static List<FormBox> of(Path pdf) throws IOException {
        try (PDDocument document = PdfFiles.open(pdf)) {
            List<FormBox> boxes = new ArrayList<>();
            PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
            if (form == null) {
                return boxes;
            }
            for (PDField field : form.getFieldTree()) {
                FormBox.Kind kind = kind(field);
                String name = field.getFullyQualifiedName();
                if (kind != null && name != null && name.length() <= LONGEST && boxes.size() < MOST) {
                    field.getWidgets().stream()
                            .flatMap(w -> box(document, field, kind, w).stream())
                            .findFirst()
                            .ifPresent(boxes::add);
                }
            }
            return boxes;
        }
    }

    static FormBox.@Nullable Kind kind(PDField field) {
        if (field.isReadOnly()) {
            return null;
        }
        if (field instanceof PDTextField) {
            return FormBox.Kind.TEXT;
        }
        if (field instanceof PDCheckBox) {
            return FormBox.Kind.TICK;
        }
        return field instanceof PDRadioButton || field instanceof PDChoice ? FormBox.Kind.CHOICE : null;
    }

    /** What can be chosen, as the form names it to its readers. */
    static List<String> choices(PDField field) {
        List<String> all = field instanceof PDChoice choice
                ? choice.getOptionsDisplayValues()
                : field instanceof PDRadioButton radio ? radioChoices(radio) : List.of();
        return all.stream().limit(MOST_CHOICES).map(FormFields::shortened).toList();
    }

    private static List<String> radioChoices(PDRadioButton radio) {
        List<String> exported = radio.getExportValues();
        return exported.isEmpty() ? List.copyOf(radio.getOnValues()) : exported;
    }

    private static String shortened(String text) {
        return text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }

    private static Optional<FormBox> box(
            PDDocument document, PDField field, FormBox.Kind kind, PDAnnotationWidget widget) {
        return SeenBox.of(document, widget, SMALLEST)
                .map(seen -> new FormBox(
                        field.getFullyQualifiedName(),
                        label(field),
                        kind,
                        seen.page(),
                        seen.left(),
                        seen.top(),
                        seen.width(),
                        seen.height(),
                        choices(field)));
    }

    /** What the form calls it to its readers, or else its name without the marks of programs. */
    public static String label(PDField field) {
        String told = field.getAlternateFieldName();
        if (told != null && !told.isBlank()) {
            return shortened(told.strip());
        }
        String partial = String.valueOf(field.getPartialName());
        return shortened(partial.replaceAll("\\[\\d+]", "")
                .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
                .replaceAll("[_.-]+", " ")
                .strip());
    }
}
