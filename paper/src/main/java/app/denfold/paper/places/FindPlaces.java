package app.denfold.paper.places;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.PageImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Finds where on the pages of a paper something is to be written. */
public final class FindPlaces {

    private static final int WIDTH = 1_000;

    /** One signs at the end: of long papers, only so many of the last pages are looked at for lines. */
    private static final int MOST_PAGES = 12;

    private FindPlaces() {}

    /**
     * @param pages how many there are
     * @return the fields of its form, then lines, by page
     * @throws IOException when it cannot be read
     */
    public static List<WritingPlace> of(Path file, Format format, int pages) throws IOException {
        List<WritingPlace> places = new ArrayList<>();
        if (format == Format.PDF) {
            try (PDDocument document = PdfFiles.open(file)) {
                places.addAll(FormPlaces.of(document));
            }
        }
        if (places.isEmpty()) {
            for (int page = Math.max(1, pages - MOST_PAGES + 1); page <= pages; page++) {
                byte[] png = PageImage.png(file, format, page, WIDTH, 0);
                places.addAll(RuledLines.of(ImageIO.read(new ByteArrayInputStream(png)), page));
            }
        }
        return places;
    }
}
