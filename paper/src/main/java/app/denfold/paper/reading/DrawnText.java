package app.denfold.paper.reading;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Words that are seen on a page: recognised in its picture, or written in the file and found to be seen. */
public final class DrawnText {

    /** So much of the range from black to white letters differ from their ground. */
    private static final int LEAST_CONTRAST = 40;

    private final TextLayer layer;

    public DrawnText(PDDocument document) {
        this.layer = new TextLayer(document);
    }

    /** All that the file says is written on a page, be it seen or not. @param page from 1 */
    public PlacedText written(int page) throws IOException {
        return layer.of(page);
    }

    /**
     * Those words of the file that have something to be seen in their places.
     *
     * @param page from 1
     * @param drawn the page
     */
    public PlacedText seen(int page, BufferedImage drawn) throws IOException {
        PlacedText written = layer.of(page);
        StringBuilder text = new StringBuilder();
        List<WordBox> boxes = new ArrayList<>();
        int at = 0;
        for (String line : written.text().strip().split("\n")) {
            for (String word : line.isBlank() ? new String[0] : line.strip().split("\\s+")) {
                WordBox box = written.boxes().get(at++);
                if (isSeen(box, drawn)) {
                    text.append(word).append(' ');
                    boxes.add(box);
                }
            }
            text.append('\n');
        }
        return new PlacedText(text.toString().strip(), boxes);
    }

    private static boolean isSeen(WordBox box, BufferedImage drawn) {
        int left = box.left() * drawn.getWidth() / WordBox.WHOLE;
        int top = box.top() * drawn.getHeight() / WordBox.WHOLE;
        int right = Math.min(drawn.getWidth(), left + Math.max(1, box.width() * drawn.getWidth() / WordBox.WHOLE));
        int bottom = Math.min(drawn.getHeight(), top + Math.max(1, box.height() * drawn.getHeight() / WordBox.WHOLE));
        int darkest = 255;
        int lightest = 0;
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                int rgb = drawn.getRGB(x, y);
                int grey = (77 * (rgb >> 16 & 255) + 150 * (rgb >> 8 & 255) + 29 * (rgb & 255)) >> 8;
                darkest = Math.min(darkest, grey);
                lightest = Math.max(lightest, grey);
            }
        }
        return box.width() > 0 && lightest - darkest >= LEAST_CONTRAST;
    }

    /** What can be recognised in a picture of a page; nothing where no program for it is there. */
    public static PlacedText recognised(BufferedImage drawn, String languages) throws IOException {
        return Recognise.isThere() ? Recognise.text(drawn, languages) : PlacedText.NONE;
    }
}
