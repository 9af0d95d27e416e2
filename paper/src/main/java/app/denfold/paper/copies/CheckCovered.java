package app.denfold.paper.copies;

import app.denfold.core.filing.PlainText;
import app.denfold.core.marks.PageBox;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.reading.DrawnText;
import app.denfold.paper.reading.PlacedText;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;

/**
 * Looks at a finished copy as a stranger would: whether anything that is covered in it can be seen, searched for, or lies
 * in a part of it that no page shows.
 */
final class CheckCovered {

    /** What a copy that is drawn anew is made of; names, forms, attachments and outlines are not among it. */
    private static final Set<String> PARTS = Set.of("Type", "Pages", "Metadata", "OutputIntents", "Version");

    private static final Set<String> PARTS_OF_PAGE =
            Set.of("Type", "Parent", "MediaBox", "Resources", "Contents", "Annots", "Rotate");

    private static final double LEAST_TOUCHED = 0.25;

    private static final int LEAST_QUOTED = 4;

    private CheckCovered() {}

    /** @throws IOException when something covered could still be read */
    static void require(Path copy, List<Cover> covers) throws IOException {
        if (revisions(copy) != 1) {
            throw leak("an earlier revision");
        }
        try (PDDocument document = PdfFiles.open(copy)) {
            requireOnly(PARTS, document.getDocumentCatalog().getCOSObject().keySet());
            if (document.getDocumentInformation().getCOSObject().size() > 0) {
                throw leak("its properties");
            }
            DrawnText text = new DrawnText(document);
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                int number = page;
                requirePage(
                        document.getPage(page - 1),
                        text.written(page),
                        covers.stream().filter(c -> c.page() == number).toList());
            }
        }
    }

    /** How often the file ends, as each revision does. */
    private static int revisions(Path pdf) throws IOException {
        byte[] end = "startxref".getBytes(StandardCharsets.US_ASCII);
        byte[] buffer = new byte[1 << 16];
        int revisions = 0;
        int at = 0;
        try (InputStream in = Files.newInputStream(pdf)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                for (int i = 0; i < read; i++) {
                    at = buffer[i] == end[at] ? at + 1 : buffer[i] == end[0] ? 1 : 0;
                    if (at == end.length) {
                        revisions++;
                        at = 0;
                    }
                }
            }
        }
        return revisions;
    }

    private static IOException leak(String where) {
        return new IOException("something that is covered could still be read in " + where + " of the copy");
    }

    private static void requireOnly(Set<String> known, Set<COSName> present) throws IOException {
        Set<String> others = present.stream().map(COSName::getName).collect(Collectors.toSet());
        others.removeAll(known);
        if (!others.isEmpty()) {
            throw leak(String.join(", ", others));
        }
    }

    private static void requirePage(PDPage page, PlacedText text, List<Cover> covers) throws IOException {
        requireOnly(PARTS_OF_PAGE, page.getCOSObject().keySet());
        if (covers.isEmpty()) {
            return;
        }
        List<PageBox> areas = covers.stream().flatMap(c -> c.areas().stream()).toList();
        List<String> under = covers.stream()
                .flatMap(c -> c.words().stream())
                .map(PlainText::of)
                .filter(w -> !w.isEmpty())
                .toList();
        String[] words = text.text().strip().split("\\s+");
        for (int i = 0; i < text.boxes().size(); i++) {
            PageBox box = new PageBox(
                    text.boxes().get(i).left(),
                    text.boxes().get(i).top(),
                    text.boxes().get(i).width(),
                    text.boxes().get(i).height());
            if (areas.stream().anyMatch(a -> box.partIn(a) >= LEAST_TOUCHED)
                    && under.contains(PlainText.of(words[i]))) {
                throw leak("the text");
            }
        }
        requireSilent(page, covers);
        if (!CoverAreas.areClosed(picture(page), covers)) {
            throw leak("a picture");
        }
    }

    /** No mark that goes with the copy quotes what is covered. */
    private static void requireSilent(PDPage page, List<Cover> covers) throws IOException {
        for (PDAnnotation mark : page.getAnnotations()) {
            String said = PlainText.of(String.valueOf(mark.getContents())).replace(" ", "");
            for (Cover cover : covers) {
                String under = PlainText.of(String.join(" ", cover.words())).replace(" ", "");
                if (under.length() >= LEAST_QUOTED && said.contains(under)) {
                    throw leak("a mark");
                }
            }
        }
    }

    private static BufferedImage picture(PDPage page) throws IOException {
        for (COSName name : page.getResources().getXObjectNames()) {
            PDXObject part = page.getResources().getXObject(name);
            if (part instanceof PDImageXObject image) {
                return image.getImage();
            }
        }
        throw leak("a page without a picture");
    }
}
