package app.denfold.paper.copies;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.TextOfPaper;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.xml.transform.TransformerException;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.graphics.color.PDOutputIntent;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.xmpbox.XMPMetadata;
import org.apache.xmpbox.schema.PDFAIdentificationSchema;
import org.apache.xmpbox.type.BadFieldValueException;
import org.apache.xmpbox.xml.XmpSerializer;
import org.verapdf.core.VeraPDFException;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.flavours.PDFAFlavour;

/**
 * Makes a copy for the archive as PDF/A-2b (ISO 19005-2, level B), which is checked before it is called one. The paper
 * itself stays untouched.
 */
public final class ArchiveCopy {

    private static final int DOTS_AN_INCH = 200;

    private ArchiveCopy() {}

    /** How the copy was made. */
    public enum Made {
        /** The pages are those of the paper, with text and lines as they were. */
        FROM_ITS_PAGES,
        /** Each page is a picture, because the paper uses what such a copy may not, or is a picture itself. */
        AS_PICTURES
    }

    /** @throws IOException when the paper has no pages, cannot be read, or no copy of it holds to the standard */
    public static Made to(Path copy, Path file, Format format) throws IOException {
        if (format == Format.PDF && fromItsPages(copy, file)) {
            return Made.FROM_ITS_PAGES;
        }
        asPictures(copy, file, format);
        if (!holds(copy)) {
            throw new IOException("no copy of it holds to the standard");
        }
        return Made.AS_PICTURES;
    }

    /** @return whether the file is PDF/A-2b */
    public static boolean holds(Path pdf) throws IOException {
        VeraGreenfieldFoundryProvider.initialise();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(pdf.toFile(), PDFAFlavour.PDFA_2_B)) {
            return Foundries.defaultInstance()
                    .createValidator(PDFAFlavour.PDFA_2_B, false)
                    .validate(parser)
                    .isCompliant();
        } catch (VeraPDFException unreadable) {
            return false;
        }
    }

    private static boolean fromItsPages(Path copy, Path file) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            if (saysMoreThanItsPages(document)) {
                return false;
            }
            fixForm(document);
            PDDocumentCatalog catalog = document.getDocumentCatalog();
            for (COSName extra : List.of(
                    COSName.OPEN_ACTION,
                    COSName.AA,
                    COSName.NAMES,
                    COSName.ACRO_FORM,
                    COSName.getPDFName("Perms"),
                    COSName.getPDFName("Collection"),
                    COSName.getPDFName("Requirements"))) {
                catalog.getCOSObject().removeItem(extra);
            }
            for (PDPage page : document.getPages()) {
                page.getCOSObject().removeItem(COSName.AA);
                page.getCOSObject().removeItem(COSName.ANNOTS);
            }
            declare(document);
            document.setAllSecurityToBeRemoved(true);
            document.save(copy.toFile());
        } catch (IOException | RuntimeException cannotBe) {
            return false;
        }
        return holds(copy);
    }

    /** Notes and stamps lie over the pages and would be lost. */
    private static boolean saysMoreThanItsPages(PDDocument document) throws IOException {
        for (PDPage page : document.getPages()) {
            for (PDAnnotation annotation : page.getAnnotations()) {
                if (!(annotation instanceof PDAnnotationLink || annotation instanceof PDAnnotationWidget)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static void fixForm(PDDocument document) throws IOException {
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form != null) {
            form.flatten();
        }
    }

    private static void asPictures(Path copy, Path file, Format format) throws IOException {
        try (PDDocument document = new PDDocument()) {
            if (format == Format.PDF) {
                drawEach(document, file);
            } else {
                CopyPages.drawInto(document, allPages(file, format));
            }
            declare(document);
            document.save(copy.toFile());
        }
    }

    /** Of a paper that is no PDF. @throws IOException when it has no pages */
    static List<CopyPages.Chosen> allPages(Path file, Format format) throws IOException {
        if (format.shown() != Format.Shown.PAGES && format.shown() != Format.Shown.WORDS) {
            throw new IOException("it has no pages");
        }
        List<CopyPages.Chosen> pages = new ArrayList<>();
        for (int page = 1; page <= pages(file, format); page++) {
            pages.add(new CopyPages.Chosen(file, format, page, 0));
        }
        return pages;
    }

    private static int pages(Path file, Format format) throws IOException {
        if (format.shown() == Format.Shown.WORDS) {
            return TextOfPaper.pages(file, format).size();
        }
        try (ImagePages images = ImagePages.open(file)) {
            return images.count();
        }
    }

    private static void drawEach(PDDocument copy, Path file) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            PDFRenderer renderer = new PDFRenderer(document);
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                BufferedImage image = renderer.renderImageWithDPI(page, DOTS_AN_INCH, ImageType.RGB);
                CopyPages.addPicture(copy, image, 72f * image.getWidth() / DOTS_AN_INCH);
            }
        }
    }

    /** Says what it is, and what its colours mean. */
    static void declare(PDDocument document) throws IOException {
        document.setDocumentInformation(new PDDocumentInformation());
        document.setVersion(1.7f);
        XMPMetadata xmp = XMPMetadata.createXMPMetadata();
        PDFAIdentificationSchema identification = xmp.createAndAddPDFAIdentificationSchema();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            identification.setPart(2);
            identification.setConformance("B");
            new XmpSerializer().serialize(xmp, bytes, true);
        } catch (BadFieldValueException | TransformerException impossible) {
            throw new IOException(impossible);
        }
        PDMetadata metadata = new PDMetadata(document);
        metadata.importXMPMetadata(bytes.toByteArray());
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        catalog.setMetadata(metadata);
        byte[] colours = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
        PDOutputIntent intent = new PDOutputIntent(document, new ByteArrayInputStream(colours));
        intent.setInfo("sRGB IEC61966-2.1");
        intent.setOutputCondition("sRGB IEC61966-2.1");
        intent.setOutputConditionIdentifier("sRGB IEC61966-2.1");
        intent.setRegistryName("http://www.color.org");
        catalog.setOutputIntents(List.of(intent));
    }
}
