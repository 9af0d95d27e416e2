package app.denfold.paper.sealing;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.drawing.TextOfPaper;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDNameTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;

/** Makes a sealed copy of a paper with signatures on its pages and an evidence page at its end. */
public final class SignedCopy {

    /** How wide a signature's box is, as a part of a page's width. */
    public static final double BOX_WIDTH = 0.28;

    /** Name of the attached file where the evidence cannot be a page. */
    private static final String EVIDENCE_PAGE = "how-it-was-signed.pdf";

    private static final String CLOSING = "Closes this file: nothing was added since";

    private static final float MARGIN = 56;

    /** Of a page of evidence, from its first line to its last, in points. */
    private static final float ROOM = PDRectangle.A4.getHeight() - 2 * MARGIN;

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final PDDocument document;
    private final PDFont font;

    private SignedCopy(PDDocument document) throws IOException {
        this.document = document;
        try (InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            this.font = PDType0Font.load(document, in);
        }
    }

    /**
     * Makes the copy: the original, then a revision for each signer with his marks, one with the evidence, and one with all
     * that strangers need to check them (PAdES baseline B-LT). Each is sealed, so that the last seal covers every byte. A PDF
     * is continued, not written anew, so that what others sealed in it holds.
     *
     * @param enclosed files that go with it
     * @param reason printed in the seal of the evidence
     * @throws IOException when the original cannot be read, or the signer cannot sign or stamp
     */
    public static byte[] make(
            Path original,
            Format format,
            List<SignedPart> parts,
            Evidence evidence,
            List<Enclosed> enclosed,
            Sealing sealing,
            String reason,
            Instant now)
            throws IOException {
        byte[] copy = beginning(original, format);
        // seals hold for the pages there are: the last ones are there from the beginning, and filled at the end
        int pages = isSealed(copy) ? 0 : pagesOf(evidence.lines());
        if (pages > 0) {
            copy = continued(copy, c -> c.addPages(pages));
        }
        for (SignedPart part : parts) {
            copy = continued(copy, c -> {
                for (SignatureMark mark : part.marks()) {
                    c.draw(mark);
                }
            });
            copy = Seal.put(copy, sealing.trust(), sealing.signer(), Seal.Level.PLAIN, part.reason(), part.at());
        }
        copy = continued(copy, c -> {
            if (pages > 0) {
                c.writeEvidence(evidence.lines(), pages);
            } else {
                c.attach(EVIDENCE_PAGE, "How this paper was signed", "application/pdf", apart(evidence.lines()), now);
            }
            for (Enclosed file : enclosed) {
                c.attach(file.name(), "Signed with a pen", file.mediaType(), Files.readAllBytes(file.file()), now);
            }
            c.attach(
                    Evidence.FILE,
                    "How this paper was signed, for programs",
                    "application/json",
                    evidence.json().getBytes(StandardCharsets.UTF_8),
                    now);
        });
        copy = Seal.put(copy, sealing.trust(), sealing.signer(), Seal.Level.STAMPED, reason, now);
        copy = continued(copy, c -> Seal.addProof(c.document, sealing.trust()));
        return Seal.put(copy, sealing.trust(), sealing.signer(), Seal.Level.PLAIN, CLOSING, now);
    }

    /** @throws IOException when it is no PDF */
    public static int pagesIn(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        }
    }

    /** Whether others sealed it: their seals hold for the pages that there are. */
    private static boolean isSealed(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return !document.getSignatureDictionaries().isEmpty();
        }
    }

    /** The evidence as a file of its own. */
    private static byte[] apart(List<String> lines) throws IOException {
        try (PDDocument document = new PDDocument()) {
            SignedCopy page = new SignedCopy(document);
            page.addPages(pagesOf(lines));
            page.writeEvidence(lines, pagesOf(lines));
            return saved(document);
        }
    }

    /** A file that goes with a copy, such as the scan of a page that was signed with a pen. */
    public record Enclosed(String name, Path file, String mediaType) {}

    /**
     * The same copy for longer: fresh proof, the time stamped on all of it, and a seal that closes it anew. Not one byte that
     * was sealed before is changed.
     *
     * @throws IOException when it is no PDF, or the signer cannot sign or stamp
     */
    public static byte[] renewed(byte[] sealed, Sealing sealing, Instant now) throws IOException {
        byte[] copy = continued(sealed, c -> Seal.addProof(c.document, sealing.trust()));
        copy = Seal.stampDocument(copy, sealing.signer());
        return Seal.put(copy, sealing.trust(), sealing.signer(), Seal.Level.PLAIN, CLOSING, now);
    }

    /** By what and by whom a copy is sealed. */
    public record Sealing(Trust trust, Signer signer) {}

    /** The original as it is, or as a PDF that anyone can open. */
    private static byte[] beginning(Path original, Format format) throws IOException {
        if (format == Format.PDF) {
            try (PDDocument document = PdfFiles.open(original)) {
                return document.isEncrypted() ? saved(document) : Files.readAllBytes(original);
            }
        }
        try (PDDocument document = asPdf(original, format)) {
            return saved(document);
        }
    }

    private static byte[] saved(PDDocument document) throws IOException {
        document.setAllSecurityToBeRemoved(true);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    private interface Addition {
        void to(SignedCopy copy) throws IOException;
    }

    /** The same bytes with a revision behind them (ISO 32000-2, 7.5.6). */
    private static byte[] continued(byte[] pdf, Addition addition) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            addition.to(new SignedCopy(document));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out);
            return out.toByteArray();
        }
    }

    private static PDDocument asPdf(Path original, Format format) throws IOException {
        Path pdf = Files.createTempFile("pages", ".pdf");
        try {
            int pages = format.shown() == Format.Shown.WORDS
                    ? TextOfPaper.pages(original, format).size()
                    : imageCount(original);
            CopyPages.to(
                    pdf,
                    IntStream.rangeClosed(1, pages)
                            .mapToObj(page -> new CopyPages.Chosen(original, format, page, 0))
                            .toList());
            return Loader.loadPDF(Files.readAllBytes(pdf));
        } finally {
            Files.delete(pdf);
        }
    }

    private static int imageCount(Path images) throws IOException {
        try (ImagePages pages = ImagePages.open(images)) {
            return pages.count();
        }
    }

    private void draw(SignatureMark mark) throws IOException {
        PDPage page = document.getPage(mark.place().page() - 1);
        PageFrame frame = PageFrame.of(page);
        float width = (float) (mark.place().width() * frame.width());
        Double part = mark.place().height();
        float height = part == null ? width / 3 : (float) (part * frame.height());
        float left = (float) (mark.place().left() * frame.width());
        float bottom = (float) ((1 - mark.place().top()) * frame.height()) - height;
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.transform(frame.toPage());
            out.setStrokingColor(0.11f, 0.16f, 0.32f);
            out.setNonStrokingColor(0.11f, 0.16f, 0.32f);
            if (mark.drawing() instanceof SignatureMark.Pen pen) {
                drawPen(out, pen, left, bottom, width, height);
            } else if (mark.drawing() instanceof SignatureMark.Typed typed) {
                text(out, typed.text(), left, bottom + height * 0.25f, fitting(typed.text(), width, 20));
            }
            if (mark.written() != null) {
                float size = Math.min(11, height * 0.8f);
                text(out, mark.written(), left, bottom + height * 0.22f, fitting(mark.written(), width, size));
            } else {
                drawFoot(out, mark, left, bottom, width);
            }
        }
    }

    private static void drawPen(
            PDPageContentStream out, SignatureMark.Pen pen, float left, float bottom, float width, float height)
            throws IOException {
        out.setLineWidth(1.2f);
        out.setLineCapStyle(1);
        out.setLineJoinStyle(1);
        for (List<SignatureMark.Point> stroke : pen.strokes()) {
            for (int i = 0; i < stroke.size(); i++) {
                float x = left + (float) stroke.get(i).x() * width;
                float y = bottom + (float) (1 - stroke.get(i).y()) * height;
                if (i == 0) {
                    out.moveTo(x, y);
                } else {
                    out.lineTo(x, y);
                }
            }
            if (stroke.size() == 1) {
                out.lineTo(
                        left + (float) stroke.get(0).x() * width,
                        bottom + (float) (1 - stroke.get(0).y()) * height);
            }
            out.stroke();
        }
    }

    private void drawFoot(PDPageContentStream out, SignatureMark mark, float left, float bottom, float width)
            throws IOException {
        out.setLineWidth(0.5f);
        out.moveTo(left, bottom);
        out.lineTo(left + width, bottom);
        out.stroke();
        String who = mark.name() + ", " + mark.role();
        text(out, who, left, bottom - 9, fitting(who, width, 8));
        text(out, mark.when(), left, bottom - 18, 7);
    }

    private float fitting(String words, float width, float most) throws IOException {
        float natural = font.getStringWidth(printable(words)) / 1000;
        return natural == 0 ? most : Math.min(most, width / natural);
    }

    private void text(PDPageContentStream out, String words, float x, float y, float size) throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, y);
        out.showText(printable(words));
        out.endText();
    }

    /** Characters that the font lacks are shown as a question mark rather than making the copy fail. */
    private String printable(String words) {
        StringBuilder result = new StringBuilder();
        words.codePoints().forEach(c -> {
            try {
                font.encode(new String(Character.toChars(c)));
                result.appendCodePoint(c);
            } catch (IOException | IllegalArgumentException missing) {
                result.append('?');
            }
        });
        return result.toString();
    }

    /** Files may be attached to a PDF for keeping from its third part on (ISO 19005-3): a lower claim is raised to that. */
    private void attach(String name, String words, String mediaType, byte[] bytes, Instant now) throws IOException {
        PDEmbeddedFile file = new PDEmbeddedFile(document, new ByteArrayInputStream(bytes));
        file.setSubtype(mediaType);
        file.setSize(bytes.length);
        Calendar made = GregorianCalendar.from(now.atZone(ZoneOffset.UTC));
        file.setCreationDate(made);
        file.setModDate(made);
        PDComplexFileSpecification attached = new PDComplexFileSpecification();
        attached.setFile(name);
        attached.setFileUnicode(name);
        attached.setFileDescription(words);
        attached.setEmbeddedFile(file);
        attached.setEmbeddedFileUnicode(file);
        attached.getCOSObject().setName("AFRelationship", "Supplement");
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        PDDocumentNameDictionary names = catalog.getNames();
        if (names == null) {
            names = new PDDocumentNameDictionary(catalog);
        }
        Map<String, PDComplexFileSpecification> all = new TreeMap<>();
        PDEmbeddedFilesNameTreeNode before = names.getEmbeddedFiles();
        collect(before, all);
        all.put(name, attached);
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(all);
        names.setEmbeddedFiles(tree);
        catalog.setNames(names);
        COSArray associated = catalog.getCOSObject().getCOSArray(COSName.getPDFName("AF"));
        COSArray files = new COSArray();
        if (associated != null) {
            files.addAll(associated);
        }
        files.add(attached);
        catalog.getCOSObject().setItem(COSName.getPDFName("AF"), files);
        raiseClaim(catalog);
    }

    private static void collect(
            @Nullable PDNameTreeNode<PDComplexFileSpecification> node, Map<String, PDComplexFileSpecification> all)
            throws IOException {
        if (node == null) {
            return;
        }
        if (node.getNames() != null) {
            all.putAll(node.getNames());
        }
        if (node.getKids() != null) {
            for (PDNameTreeNode<PDComplexFileSpecification> kid : node.getKids()) {
                collect(kid, all);
            }
        }
    }

    private void raiseClaim(PDDocumentCatalog catalog) throws IOException {
        PDMetadata metadata = catalog.getMetadata();
        if (metadata == null) {
            return;
        }
        String words = new String(metadata.toByteArray(), StandardCharsets.UTF_8);
        String raised = words.replaceAll("(?<head>pdfaid:part(?:>|=\"))[12]", "${head}3")
                .replaceAll("(?<head>pdfaid:part(?:>|='))[12]", "${head}3");
        if (!raised.equals(words)) {
            PDMetadata newer =
                    new PDMetadata(document, new ByteArrayInputStream(raised.getBytes(StandardCharsets.UTF_8)));
            catalog.setMetadata(newer);
        }
    }

    private void addPages(int count) {
        for (int i = 0; i < count; i++) {
            document.addPage(new PDPage(PDRectangle.A4));
        }
    }

    private static boolean isHeading(String line) {
        return line.startsWith("# ");
    }

    private static float heightOf(String line) {
        return isHeading(line) ? 32 : 14;
    }

    /** How many pages the lines fill. */
    private static int pagesOf(List<String> lines) {
        int pages = 1;
        float left = ROOM;
        for (String line : lines) {
            if (left < heightOf(line)) {
                pages++;
                left = ROOM;
            }
            left -= heightOf(line);
        }
        return pages;
    }

    /** On the last pages. */
    private void writeEvidence(List<String> lines, int pages) throws IOException {
        List<String> left = new ArrayList<>(lines);
        for (int i = document.getNumberOfPages() - pages; i < document.getNumberOfPages(); i++) {
            try (PDPageContentStream out =
                    new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true)) {
                float y = PDRectangle.A4.getHeight() - MARGIN;
                float room = ROOM;
                while (!left.isEmpty() && room >= heightOf(left.get(0))) {
                    String line = left.remove(0);
                    room -= heightOf(line);
                    String words = isHeading(line) ? line.substring(2) : line;
                    y -= isHeading(line) ? 12 : 0;
                    text(
                            out,
                            words,
                            MARGIN,
                            y,
                            fitting(words, PDRectangle.A4.getWidth() - 2 * MARGIN, isHeading(line) ? 13 : 9.5f));
                    y -= isHeading(line) ? 20 : 14;
                }
            }
        }
    }
}
