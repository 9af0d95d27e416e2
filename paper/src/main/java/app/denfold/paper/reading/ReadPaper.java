package app.denfold.paper.reading;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.TextOfPaper;
import java.awt.Dimension;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.tika.detect.DefaultDetector;
import org.apache.tika.detect.Detector;
import org.apache.tika.io.TikaInputStream;
import org.apache.tika.metadata.Metadata;

/** Finds out what a received file truly is, by its content, and whether its pages can be shown. */
public final class ReadPaper {

    /** The most pixels of an image, so that a small file cannot unfold into all memory: 200 megapixels. */
    static final long MOST_PIXELS = 200_000_000L;

    /** The most pages of one paper. */
    static final int MOST_PAGES = 5_000;

    private static final int MOST_OF_TEXT = 1 << 16;
    private static final int MOST_OF_MANIFEST = 1 << 20;

    private static final String UNKNOWN = "application/octet-stream";

    /** Other names for formats that are taken in. */
    private static final Map<String, Format> ALSO = Map.of(
            "application/xhtml+xml", Format.HTML,
            "image/heif", Format.HEIC,
            "audio/x-wav", Format.WAV,
            "audio/ogg", Format.OGG,
            "application/mp4", Format.MP4,
            "video/x-m4v", Format.MP4,
            "audio/x-m4a", Format.M4A,
            "application/x-matroska", Format.WEBM,
            "video/x-matroska", Format.WEBM,
            "text/xml", Format.XML);

    private ReadPaper() {}

    private static final class Detectors {
        static final Detector ALL = new DefaultDetector();
    }

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
        if (found.contains("protected")) {
            return locked(Format.claimedBy(fileName).orElse(Format.DOCX));
        }
        Optional<Format> claimed = Format.claimedBy(fileName);
        Optional<Format> actual =
                claimed.filter(Format::isPlainText).isPresent() && isText(file) ? claimed : format(found, claimed);
        if (actual.isEmpty()) {
            return claimed.isPresent()
                    ? brokenOrOther(claimed.get(), found, fileName)
                    : new Reading.Refused("“" + fileName
                            + "” is none of the formats taken in: PDF, images, office files, text, web pages, mail"
                            + " messages, sound and video.");
        }
        // a sound is a sound, and a text document one, whichever of their formats the name says
        if (claimed.isPresent() && !claimed.get().label().equals(actual.get().label())) {
            return mismatch(fileName, claimed.get(), actual.get().label());
        }
        return isLocked(file, actual.get()) ? locked(actual.get()) : pages(file, actual.get());
    }

    /** Whether a file holds characters only, whatever they look like: a note can begin as a mail or a program does. */
    private static boolean isText(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            for (byte one : in.readNBytes(MOST_OF_TEXT)) {
                boolean isSpace = one == '\t' || one == '\n' || one == '\r' || one == '\f';
                if (one >= 0 && one < ' ' && !isSpace) {
                    return false;
                }
            }
            return true;
        }
    }

    /** An OpenDocument file tells in its manifest that its parts are encrypted (OpenDocument 1.3, part 2, 3.4). */
    private static boolean isLocked(Path file, Format format) {
        if (format != Format.ODT && format != Format.ODS && format != Format.ODP) {
            return false;
        }
        try (ZipFile zip = new ZipFile(file.toFile())) {
            ZipEntry manifest = zip.getEntry("META-INF/manifest.xml");
            if (manifest == null) {
                return false;
            }
            try (InputStream in = zip.getInputStream(manifest)) {
                return new String(in.readNBytes(MOST_OF_MANIFEST), StandardCharsets.UTF_8).contains("encryption-data");
            }
        } catch (IOException broken) {
            return false;
        }
    }

    private static String mediaType(Path file) throws IOException {
        try (TikaInputStream in = TikaInputStream.get(file)) {
            return Detectors.ALL.detect(in, new Metadata()).getBaseType().toString();
        }
    }

    private static Optional<Format> format(String found, Optional<Format> claimed) {
        Optional<Format> exact = Optional.ofNullable(ALSO.get(found)).or(() -> Format.ofMediaType(found));
        boolean plain =
                found.startsWith("text/") || exact.filter(Format::isPlainText).isPresent();
        if (plain && claimed.filter(Format::isPlainText).isPresent()) {
            return claimed;
        }
        return exact.isPresent() || !plain ? exact : Optional.of(Format.TEXT);
    }

    /** Unknown bytes under a known ending are a broken file, known other content is a wrong name. */
    private static Reading brokenOrOther(Format claimed, String found, String fileName) {
        return found.equals(UNKNOWN)
                ? new Reading.SetAside(
                        claimed, "The file is broken: it does not begin as a " + claimed.label() + " does.")
                : mismatch(fileName, claimed, found);
    }

    private static Reading mismatch(String fileName, Format claimed, String found) {
        return new Reading.Refused("“" + fileName + "” is not what its name says: the name says " + claimed.label()
                + ", the content is " + found + ". Correct the name or send the right file.");
    }

    private static Reading locked(Format format) {
        return new Reading.SetAside(
                format,
                "The " + format.label() + " is locked with a password. "
                        + (format == Format.PDF ? "Unlock it here, or ask" : "Ask") + " the sender for an open copy.");
    }

    private static Reading pages(Path file, Format format) {
        try {
            return switch (format.shown()) {
                case PAGES -> format == Format.PDF ? pdf(file) : image(file, format);
                case WORDS ->
                    new Reading.Readable(format, TextOfPaper.pages(file, format).size());
                default -> new Reading.Readable(format, 0);
            };
        } catch (InvalidPasswordException locked) {
            return locked(format);
        } catch (IOException | RuntimeException broken) {
            return new Reading.SetAside(format, "The " + format.label() + " is broken and no page of it can be shown.");
        }
    }

    private static Reading pdf(Path file) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            int pages = document.getNumberOfPages();
            if (pages > MOST_PAGES) {
                return tooMany(Format.PDF, pages);
            }
            return pages == 0
                    ? new Reading.SetAside(Format.PDF, "The PDF holds no page.")
                    : new Reading.Readable(Format.PDF, pages);
        }
    }

    private static Reading tooMany(Format format, int pages) {
        return new Reading.SetAside(
                format,
                "The " + format.label() + " has " + pages + " pages; at most " + MOST_PAGES
                        + " are read. Ask for it in smaller parts.");
    }

    private static Reading image(Path file, Format format) throws IOException {
        try (ImagePages images = ImagePages.open(file)) {
            int pages = images.count();
            if (pages > MOST_PAGES) {
                return tooMany(format, pages);
            }
            for (int page = 0; page < pages; page++) {
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
