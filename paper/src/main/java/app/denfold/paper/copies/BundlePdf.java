package app.denfold.paper.copies;

import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.CopyText;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PageMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;

/** Sets several PDFs one behind the other, with a page of contents before them and a bookmark for each. */
public final class BundlePdf {

    private static final float MARGIN = 56;
    private static final float TITLE = 18;
    private static final float LINE = 18;
    private static final float SIZE = 10.5f;
    private static final float NUMBER = 30;

    /** Lines on a page of contents, beneath the title that stands on the first. */
    private static final int LINES = (int) ((PDRectangle.A4.getHeight() - 2 * MARGIN - 3 * LINE) / LINE);

    private BundlePdf() {}

    /** A paper of the bundle. @param title in the contents and as a bookmark */
    public record Part(Path pdf, String title) {}

    /**
     * @param title of the whole
     * @return how many pages it has, with those of the contents
     * @throws IOException when a part cannot be read
     */
    public static int to(Path bundle, String title, List<Part> parts) throws IOException {
        try (PDDocument document = new PDDocument(IOUtils.createTempFileOnlyStreamCache());
                TrueTypeFont letters = CopyText.letters()) {
            int contents = Math.max(1, (parts.size() + LINES - 1) / LINES);
            for (int i = 0; i < contents; i++) {
                document.addPage(new PDPage(PDRectangle.A4));
            }
            List<Integer> starts = new ArrayList<>();
            for (Part part : parts) {
                starts.add(document.getNumberOfPages());
                append(document, part);
            }
            writeContents(document, new CopyText(document, letters), title, parts, starts);
            mark(document, parts, starts);
            PDDocumentInformation about = new PDDocumentInformation();
            about.setTitle(title);
            document.setDocumentInformation(about);
            document.save(bundle.toFile());
            return document.getNumberOfPages();
        }
    }

    private static void append(PDDocument document, Part part) throws IOException {
        try (PDDocument source = PdfFiles.open(part.pdf)) {
            // its own bookmarks and attachments would stand between those of the bundle
            source.getDocumentCatalog().setDocumentOutline(null);
            source.getDocumentCatalog().setNames(null);
            new PDFMergerUtility().appendDocument(document, source);
        }
    }

    private static void writeContents(
            PDDocument document, CopyText text, String title, List<Part> parts, List<Integer> starts)
            throws IOException {
        float width = PDRectangle.A4.getWidth() - 2 * MARGIN;
        for (int from = 0; from < Math.max(1, parts.size()); from += LINES) {
            PDPage page = document.getPage(from / LINES);
            List<PDAnnotation> links = new ArrayList<>();
            try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                float y = PDRectangle.A4.getHeight() - MARGIN - TITLE;
                if (from == 0) {
                    text.write(out, title, MARGIN, y, text.fitting(title, width, TITLE));
                }
                y -= 2 * LINE;
                for (int i = from; i < Math.min(parts.size(), from + LINES); i++) {
                    String words = (i + 1) + ".  " + parts.get(i).title();
                    String number = String.valueOf(starts.get(i) + 1);
                    text.write(out, words, MARGIN, y, text.fitting(words, width - NUMBER, SIZE));
                    text.write(out, number, MARGIN + width - NUMBER / 2, y, SIZE);
                    links.add(link(document.getPage(starts.get(i)), new PDRectangle(MARGIN, y - 4, width, LINE - 2)));
                    y -= LINE;
                }
            }
            page.setAnnotations(links);
        }
    }

    private static PDAnnotationLink link(PDPage to, PDRectangle at) {
        PDAnnotationLink link = new PDAnnotationLink();
        link.setRectangle(at);
        link.setDestination(destination(to));
        PDBorderStyleDictionary none = new PDBorderStyleDictionary();
        none.setWidth(0);
        link.setBorderStyle(none);
        link.setPrinted(true);
        return link;
    }

    private static PDPageFitDestination destination(PDPage page) {
        PDPageFitDestination destination = new PDPageFitDestination();
        destination.setPage(page);
        return destination;
    }

    private static void mark(PDDocument document, List<Part> parts, List<Integer> starts) {
        PDDocumentOutline outline = new PDDocumentOutline();
        for (int i = 0; i < parts.size(); i++) {
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(parts.get(i).title());
            item.setDestination(destination(document.getPage(starts.get(i))));
            outline.addLast(item);
        }
        document.getDocumentCatalog().setDocumentOutline(outline);
        document.getDocumentCatalog().setPageMode(PageMode.USE_OUTLINES);
    }
}
