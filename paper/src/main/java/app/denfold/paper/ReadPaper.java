package app.denfold.paper;

import java.awt.Dimension;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.tika.Tika;

/** Finds out what a received file truly is, by its content, and whether its pages can be shown. */
public final class ReadPaper {

    /** The most pixels of an image, so that a small file cannot unfold into all memory: 200 megapixels. */
    static final long MOST_PIXELS = 200_000_000L;

    private static final Tika TIKA = new Tika();

    private ReadPaper() {}

    /**
     * @param file the bytes as received
     * @param fileName the name it came with; its ending must agree with the content if it claims a known format
     * @throws IOException when the file itself cannot be read
     */
    public static Reading read(Path file, String fileName) throws IOException {
        if (Files.size(file) == 0) {
            return new Reading.Refused("“" + fileName + "” is empty: it holds no bytes. Scan or save it again.");
        }
        String found = mediaType(file);
        Optional<Format> claimed = Format.claimedBy(fileName);
        Optional<Format> actual = Format.ofMediaType(found);
        if (actual.isEmpty()) {
            return claimed.isPresent()
                    ? brokenOrOther(claimed.get(), found, fileName)
                    : new Reading.Refused(
                            "“" + fileName + "” is none of the formats taken in: PDF, JPEG, PNG or TIFF.");
        }
        if (claimed.isPresent() && claimed.get() != actual.get()) {
            return mismatch(fileName, claimed.get(), actual.get().label());
        }
        return pages(file, actual.get());
    }

    private static String mediaType(Path file) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            return TIKA.detect(in);
        }
    }

    /** Unknown bytes under a known ending are a broken file, known other content is a wrong name. */
    private static Reading brokenOrOther(Format claimed, String found, String fileName) {
        return found.equals("application/octet-stream")
                ? new Reading.SetAside(
                        claimed, "The file is broken: it does not begin as a " + claimed.label() + " does.")
                : mismatch(fileName, claimed, found);
    }

    private static Reading mismatch(String fileName, Format claimed, String found) {
        return new Reading.Refused("“" + fileName + "” is not what its name says: the name says " + claimed.label()
                + ", the content is " + found + ". Correct the name or send the right file.");
    }

    private static Reading pages(Path file, Format format) {
        try {
            return format == Format.PDF ? pdf(file) : image(file, format);
        } catch (InvalidPasswordException locked) {
            return new Reading.SetAside(format, "The PDF is locked with a password. Ask the sender for an open copy.");
        } catch (IOException | RuntimeException broken) {
            return new Reading.SetAside(format, "The " + format.label() + " is broken and no page of it can be shown.");
        }
    }

    private static Reading pdf(Path file) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            int pages = document.getNumberOfPages();
            return pages == 0
                    ? new Reading.SetAside(Format.PDF, "The PDF holds no page.")
                    : new Reading.Readable(Format.PDF, pages);
        }
    }

    private static Reading image(Path file, Format format) throws IOException {
        try (ImagePages images = ImagePages.open(file)) {
            int pages = images.count();
            for (int page = 0; page < Math.min(pages, 5); page++) {
                Dimension size = images.size(page);
                if ((long) size.width * size.height > MOST_PIXELS) {
                    return new Reading.SetAside(
                            format,
                            "The image is too large to be shown: " + size.width + " by " + size.height + " pixels.");
                }
            }
            images.read(0, 200);
            return new Reading.Readable(format, pages);
        }
    }
}
