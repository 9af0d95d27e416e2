package app.denfold.paper.drawing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.jspecify.annotations.Nullable;

/** Writes words on the pages of one copy, or of one revision of it, in a font of which the letters used go with it. */
public final class CopyText {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private static final ThreadLocal<TrueTypeFont> OF_THREAD = ThreadLocal.withInitial(CopyText::read);

    private final PDDocument document;
    private final TrueTypeFont letters;

    /** Only where something is written. */
    private @Nullable PDFont font;

    public CopyText(PDDocument document, TrueTypeFont letters) {
        this.document = document;
        this.letters = letters;
    }

    /** To be read once for all revisions of a copy, and closed after the last. */
    public static TrueTypeFont letters() throws IOException {
        try (InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in.readAllBytes()));
            // letters are written as they are told: looking for ligatures takes longer than all else about a word
            font.setEnableGsub(false);
            return font;
        }
    }

    /**
     * The same for many copies, one after the other: read once by each thread, and never closed. Of documents that are open at
     * the same time, one at most may use it.
     */
    public static TrueTypeFont lettersOfThread() {
        return OF_THREAD.get();
    }

    private static TrueTypeFont read() {
        try {
            return letters();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private PDFont font() throws IOException {
        PDFont known = font;
        if (known == null) {
            known = PDType0Font.load(document, letters, true);
            font = known;
        }
        return known;
    }

    /** @return a size in points at which the words are no wider, and at most {@code most} */
    public float fitting(String words, float width, float most) throws IOException {
        float natural = font().getStringWidth(printable(words)) / 1000;
        return natural == 0 ? most : Math.min(most, width / natural);
    }

    /** How wide words are, in points. */
    public float width(String words, float size) throws IOException {
        return font().getStringWidth(printable(words)) / 1000 * size;
    }

    public void write(PDPageContentStream out, String words, float x, float y, float size) throws IOException {
        out.beginText();
        out.setFont(font(), size);
        out.newLineAtOffset(x, y);
        out.showText(printable(words));
        out.endText();
    }

    /** Words that nobody sees, but that can be searched for and copied, as wide as the box and standing on its foot. */
    public void writeHidden(PDPageContentStream out, String words, PDRectangle box) throws IOException {
        String letters = printable(words);
        float natural = font().getStringWidth(letters) / 1000;
        float size = Math.max(1, box.getHeight() * 0.85f);
        if (natural <= 0 || box.getWidth() <= 0) {
            return;
        }
        out.beginText();
        out.setRenderingMode(RenderingMode.NEITHER);
        out.setFont(font(), size);
        out.setHorizontalScaling(100 * box.getWidth() / (natural * size));
        out.newLineAtOffset(box.getLowerLeftX(), box.getLowerLeftY() + box.getHeight() * 0.2f);
        out.showText(letters);
        out.endText();
    }

    /** Characters that the font lacks are shown as a question mark rather than making the copy fail. */
    private String printable(String words) throws IOException {
        PDFont known = font();
        StringBuilder result = new StringBuilder();
        words.codePoints().forEach(c -> {
            try {
                known.encode(new String(Character.toChars(c)));
                result.appendCodePoint(c);
            } catch (IOException | IllegalArgumentException missing) {
                result.append('?');
            }
        });
        return result.toString();
    }
}
