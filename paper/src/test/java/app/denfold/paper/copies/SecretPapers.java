package app.denfold.paper.copies;

import app.denfold.paper.DrawnPages;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/** Papers that hold a word in every place in which a PDF can hold one. */
final class SecretPapers {

    static final String SECRET = "Quillfeather";

    private static final PDFont FONT = new PDType1Font(FontName.HELVETICA);

    private SecretPapers() {}

    /** Where the word stands besides the open text of the first page. */
    enum Place {
        TEXT,
        HIDDEN_TEXT,
        WHITE_TEXT,
        HIDDEN_TEXT_OF_ANOTHER_PAGE,
        PICTURE,
        FORM_FIELD,
        ATTACHMENT,
        PROPERTIES,
        METADATA,
        OUTLINE,
        EARLIER_REVISION,
        THUMBNAIL,
        NOTE,
        SPOKEN_TEXT,
        PRIVATE_DATA
    }

    static String hex(String text) {
        return HexFormat.of().formatHex(text.getBytes(StandardCharsets.UTF_16BE));
    }

    static Path with(Path folder, Place place) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage first = new PDPage(PDRectangle.A4);
            PDPage second = new PDPage(PDRectangle.A4);
            document.addPage(first);
            document.addPage(second);
            write(document, first, 720, "To " + SECRET + " about riding lessons", RenderingMode.FILL, false);
            write(document, first, 690, "The lessons begin in the second week of May.", RenderingMode.FILL, false);
            write(document, second, 720, "This is the second page of the riding contract.", RenderingMode.FILL, false);
            put(document, first, second, place);
            Path file = Files.createTempFile(folder, "secret", ".pdf");
            document.save(file.toFile());
            if (place == Place.EARLIER_REVISION) {
                revise(file);
            }
            return file;
        }
    }

    private static void write(
            PDDocument document, PDPage page, float y, String words, RenderingMode mode, boolean white)
            throws IOException {
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, false, true)) {
            out.beginText();
            out.setRenderingMode(mode);
            if (white) {
                out.setNonStrokingColor(1f, 1f, 1f);
            }
            out.setFont(FONT, 14);
            out.newLineAtOffset(72, y);
            out.showText(words);
            out.endText();
        }
    }

    private static void put(PDDocument document, PDPage first, PDPage second, Place place) throws IOException {
        byte[] bytes = ("The name is " + SECRET).getBytes(StandardCharsets.UTF_8);
        switch (place) {
            case HIDDEN_TEXT -> write(document, first, 300, "known as " + SECRET, RenderingMode.NEITHER, false);
            case WHITE_TEXT -> write(document, first, 300, "known as " + SECRET, RenderingMode.FILL, true);
            case HIDDEN_TEXT_OF_ANOTHER_PAGE ->
                write(document, second, 300, "known as " + SECRET, RenderingMode.NEITHER, false);
            case PICTURE -> {
                BufferedImage drawn =
                        DrawnPages.text(List.of("Seen: " + SECRET)).getSubimage(0, 0, 1_654, 400);
                try (PDPageContentStream out =
                        new PDPageContentStream(document, first, AppendMode.APPEND, true, true)) {
                    out.drawImage(LosslessFactory.createFromImage(document, drawn), 0, 705, 595, 60);
                }
            }
            case FORM_FIELD -> {
                PDAcroForm form = new PDAcroForm(document);
                document.getDocumentCatalog().setAcroForm(form);
                PDTextField field = new PDTextField(form);
                field.setPartialName("name");
                field.getCOSObject().setString(COSName.V, SECRET);
                form.getFields().add(field);
            }
            case ATTACHMENT -> {
                PDEmbeddedFile file = new PDEmbeddedFile(document, new ByteArrayInputStream(bytes));
                PDComplexFileSpecification named = new PDComplexFileSpecification();
                named.setFile(SECRET + ".txt");
                named.setEmbeddedFile(file);
                PDEmbeddedFilesNameTreeNode files = new PDEmbeddedFilesNameTreeNode();
                files.setNames(Map.of(SECRET, named));
                PDDocumentNameDictionary names = new PDDocumentNameDictionary(document.getDocumentCatalog());
                names.setEmbeddedFiles(files);
                document.getDocumentCatalog().setNames(names);
            }
            case PROPERTIES -> {
                document.getDocumentInformation().setTitle("Letter to " + SECRET);
                document.getDocumentInformation().setCustomMetadataValue("Rider", SECRET);
            }
            case METADATA ->
                document.getDocumentCatalog().setMetadata(new PDMetadata(document, new ByteArrayInputStream(bytes)));
            case OUTLINE -> {
                PDDocumentOutline outline = new PDDocumentOutline();
                PDOutlineItem item = new PDOutlineItem();
                item.setTitle(SECRET);
                item.setDestination(first);
                outline.addLast(item);
                document.getDocumentCatalog().setDocumentOutline(outline);
            }
            case THUMBNAIL -> {
                first.getCOSObject()
                        .setItem(
                                COSName.getPDFName("Thumb"), new PDMetadata(document, new ByteArrayInputStream(bytes)));
            }
            case NOTE -> {
                PDAnnotationText note = new PDAnnotationText();
                note.setRectangle(new PDRectangle(400, 400, 20, 20));
                note.setContents("Ask " + SECRET);
                first.setAnnotations(List.of(note));
            }
            case SPOKEN_TEXT -> {
                PDStructureTreeRoot root = new PDStructureTreeRoot();
                PDStructureElement spoken = new PDStructureElement("P", root);
                spoken.setActualText(SECRET);
                spoken.setAlternateDescription(SECRET);
                root.appendKid(spoken);
                document.getDocumentCatalog().setStructureTreeRoot(root);
            }
            case PRIVATE_DATA -> {
                COSDictionary data = new COSDictionary();
                data.setString(COSName.getPDFName("Private"), SECRET);
                COSDictionary info = new COSDictionary();
                info.setItem(COSName.getPDFName("Editor"), data);
                first.getCOSObject().setItem(COSName.getPDFName("PieceInfo"), info);
            }
            default -> {
                // the open text alone, or a revision that is added once the file is written
            }
        }
    }

    /** Takes a page away, which stays in the file before the end of its first revision. */
    private static void revise(Path file) throws IOException {
        ByteArrayOutputStream revised = new ByteArrayOutputStream();
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            write(document, document.getPage(1), 600, "and one more line", RenderingMode.FILL, false);
            document.getPage(1).getCOSObject().setNeedToBeUpdated(true);
            document.getPage(1).getResources().getCOSObject().setNeedToBeUpdated(true);
            document.saveIncremental(revised);
        }
        Files.write(file, revised.toByteArray());
    }

    /** A small page of words at random places, of which some are secret, and a second page on which these are hidden. */
    record Scattered(Path file, String[] secrets) {}

    static Scattered scattered(Path folder, Random random) throws IOException {
        List<String> secrets = new ArrayList<>();
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(200 + random.nextInt(120), 220 + random.nextInt(160)));
            page.setRotation(90 * random.nextInt(4));
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                for (int i = 0; i < 12; i++) {
                    boolean isSecret = random.nextInt(3) == 0;
                    String word = isSecret ? "Secret" + letters(random) : "Open" + letters(random);
                    if (isSecret) {
                        secrets.add(word);
                    }
                    out.beginText();
                    out.setRenderingMode(random.nextInt(5) == 0 ? RenderingMode.NEITHER : RenderingMode.FILL);
                    float size = 5 + random.nextInt(6);
                    out.setFont(FONT, size);
                    float room = page.getMediaBox().getWidth() - FONT.getStringWidth(word) / 1000 * size;
                    out.newLineAtOffset(
                            random.nextFloat() * room,
                            10 + i * (page.getMediaBox().getHeight() - 30) / 12);
                    out.showText(word);
                    out.endText();
                }
            }
            hide(document, secrets, random);
            secrets.add("SecretNowhere");
            Path file = Files.createTempFile(folder, "scattered", ".pdf");
            document.save(file.toFile());
            return new Scattered(file, secrets.toArray(String[]::new));
        }
    }

    /** On a second page, on which one word is seen: all that is secret, written so that nobody sees it. */
    private static void hide(PDDocument document, List<String> secrets, Random random) throws IOException {
        PDPage second = new PDPage(new PDRectangle(300, 400));
        document.addPage(second);
        write(document, second, 350, "Open page", RenderingMode.FILL, false);
        for (int i = 0; i < secrets.size(); i++) {
            boolean isWhite = random.nextBoolean();
            write(
                    document,
                    second,
                    300 - 20 * i,
                    secrets.get(i),
                    isWhite ? RenderingMode.FILL : RenderingMode.NEITHER,
                    isWhite);
        }
    }

    private static String letters(Random random) {
        return random.ints(6, 'a', 'z' + 1)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
