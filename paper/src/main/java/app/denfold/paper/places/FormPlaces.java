package app.denfold.paper.places;

import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.places.WritingPlace.Kind;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
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
        PDPage page = widget.getPage();
        PDRectangle box = widget.getRectangle();
        int at = page == null ? -1 : document.getPages().indexOf(page);
        if (at < 0 || box == null || box.getWidth() < 4 || box.getHeight() < 4 || widget.isHidden()) {
            return Optional.empty();
        }
        PageFrame frame = PageFrame.of(page);
        try {
            AffineTransform seen = frame.toPage().createAffineTransform().createInverse();
            Rectangle2D on = seen.createTransformedShape(new Rectangle2D.Float(
                            box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight()))
                    .getBounds2D();
            double left = on.getMinX() / frame.width();
            double top = 1 - on.getMaxY() / frame.height();
            if (left < 0 || top < 0 || left >= 1 || top >= 1) {
                return Optional.empty();
            }
            return Optional.of(new WritingPlace(
                    kind,
                    at + 1,
                    left,
                    top,
                    Math.min(on.getWidth() / frame.width(), 1 - left),
                    Math.min(on.getHeight() / frame.height(), 1 - top),
                    name(field)));
        } catch (NoninvertibleTransformException noArea) {
            return Optional.empty();
        }
    }

    /** What the form calls it to its readers, or else its name without the marks of programs. */
    private static String name(PDField field) {
        String told = field.getAlternateFieldName();
        if (told != null && !told.isBlank()) {
            return told.strip();
        }
        String partial = String.valueOf(field.getPartialName());
        return partial.replaceAll("\\[\\d+]", "")
                .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
                .replaceAll("[_.-]+", " ")
                .strip();
    }
}
