package app.denfold.paper.reading;

import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;

/** What was filled into the form of a PDF. */
final class FormValues {

    /** The most fields that are looked at. */
    private static final int MOST = 500;

    private FormValues() {}

    /** Values by page, from 1, then by the fields' full names; a field without a place stands on the first page. */
    static Map<Integer, Map<String, String>> of(PDDocument document) {
        Map<Integer, Map<String, String>> result = new LinkedHashMap<>();
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form == null) {
            return result;
        }
        int seen = 0;
        for (PDField field : form.getFieldTree()) {
            if (++seen > MOST) {
                break;
            }
            String value = field instanceof PDTerminalField ? field.getValueAsString() : null;
            if (value != null && !value.isBlank() && !value.equals("Off")) {
                result.computeIfAbsent(pageOf(document, field), page -> new LinkedHashMap<>())
                        .put(field.getFullyQualifiedName(), value.strip());
            }
        }
        return result;
    }

    private static int pageOf(PDDocument document, PDField field) {
        for (PDAnnotationWidget widget : field.getWidgets()) {
            PDPage page = widget.getPage();
            int at = page == null ? -1 : document.getPages().indexOf(page);
            if (at >= 0) {
                return at + 1;
            }
        }
        return 1;
    }
}
