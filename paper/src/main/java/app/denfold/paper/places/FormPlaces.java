package app.denfold.paper.places;

import app.denfold.paper.forms.FormFields;
import app.denfold.paper.forms.SeenBox;
import app.denfold.paper.places.WritingPlace.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jspecify.annotations.Nullable;

/** Fields of a PDF's form (ISO 32000-2, 12.7) that nobody has filled in yet. */
final class FormPlaces {

    private static final int MOST = 200;

    /** Of a side that one can write in, in points. */
    private static final float SMALLEST = 4;

    private FormPlaces() {}

    static List<WritingPlace> of(PDDocument document) {
        List<WritingPlace> places = new ArrayList<>();
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form == null) {
            return places;
        }
        for (PDField field : form.getFieldTree()) {
            Kind kind = field instanceof PDTerminalField terminal && !field.isReadOnly() ? kind(terminal) : null;
            if (kind != null) {
                for (PDAnnotationWidget widget : field.getWidgets()) {
                    place(document, kind, field, widget).ifPresent(places::add);
                }
            }
            if (places.size() >= MOST) {
                return places;
            }
        }
        return places;
    }

    private static @Nullable Kind kind(PDTerminalField field) {
        if (field instanceof PDSignatureField signature) {
            return signature.getSignature() == null ? Kind.SIGNATURE : null;
        }
        String value = field.getValueAsString();
        boolean isEmpty = value == null || value.isBlank() || value.equals("Off");
        if (!isEmpty) {
            return null;
        }
        return field instanceof PDTextField ? Kind.TEXT : field instanceof PDCheckBox ? Kind.TICK : null;
    }

    private static Optional<WritingPlace> place(
            PDDocument document, Kind kind, PDField field, PDAnnotationWidget widget) {
        return SeenBox.of(document, widget, SMALLEST)
                .map(seen -> new WritingPlace(
                        kind,
                        seen.page(),
                        seen.left(),
                        seen.top(),
                        seen.width(),
                        seen.height(),
                        FormFields.label(field)));
    }
}
