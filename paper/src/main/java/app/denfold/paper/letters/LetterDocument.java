package app.denfold.paper.letters;

import app.denfold.core.letters.Picture;
import app.denfold.core.letters.RichText;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.Base64;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** A letter as an XHTML document. It is built as a tree, so that text is text whatever it says. */
final class LetterDocument {

    private static final int MOST_LEVELS = 3;

    /** So high pictures are at most, in mm. */
    private static final int HIGHEST = 230;

    private static final int HIGHEST_ON_EACH_PAGE = 14;

    /** What neither XML nor paper can hold. */
    private static final Pattern NO_CHARACTER = Pattern.compile("[\\p{Cc}\\p{Cs}\\uFFFE\\uFFFF&&[^\\t\\n]]");

    private final Document document;

    private final Map<String, Path> images;

    private LetterDocument(Document document, Map<String, Path> images) {
        this.document = document;
        this.images = images;
    }

    /** @throws IOException when a picture is missing */
    static Document of(LetterPages letter, String style) throws IOException {
        LetterDocument written = new LetterDocument(empty(), letter.images());
        written.write(letter, style);
        return written.document;
    }

    private static Document empty() {
        try {
            return DocumentBuilderFactory.newDefaultInstance()
                    .newDocumentBuilder()
                    .newDocument();
        } catch (ParserConfigurationException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private void write(LetterPages letter, String style) throws IOException {
        Element html = document.createElement("html");
        html.setAttribute("lang", letter.language());
        document.appendChild(html);
        Element about = add(html, "head", null);
        add(about, "title", letter.title());
        Element description = add(about, "meta", null);
        description.setAttribute("name", "description");
        description.setAttribute("content", safe(letter.title()));
        add(about, "style", style);
        Element body = add(html, "body", null);
        onEachPage(body, "top", letter.sheet().top());
        onEachPage(body, "foot", letter.sheet().foot());
        if (letter.sheet().head()) {
            head(body, letter.head());
        }
        pieces(body, letter.content());
    }

    private void onEachPage(Element body, String name, Collection<RichText> pieces) throws IOException {
        if (!pieces.isEmpty()) {
            Element all = add(body, "div", null);
            all.setAttribute("class", "on-each-page " + name);
            for (RichText piece : pieces) {
                if (piece.type() == RichText.Type.IMAGE) {
                    picture(all, piece, HIGHEST_ON_EACH_PAGE);
                } else {
                    piece(all, piece);
                }
            }
        }
    }

    private void pieces(Element to, Collection<RichText> pieces) throws IOException {
        for (RichText piece : pieces) {
            piece(to, piece);
        }
    }

    private void head(Element body, LetterHead head) {
        Element top = add(body, "div", null);
        top.setAttribute("class", "letter-head");
        top.setAttribute("style", "border-bottom-color: " + head.colour());
        byte[] mark = head.mark();
        if (mark.length > 0) {
            Element image = add(top, "img", null);
            image.setAttribute(
                    "src", "data:image/png;base64," + Base64.getEncoder().encodeToString(mark));
            image.setAttribute("alt", safe(head.name()));
        }
        add(top, "p", head.name()).setAttribute("class", "letter-practice");
        head.address().lines().filter(line -> !line.isBlank()).forEach(line -> add(top, "p", line)
                .setAttribute("class", "letter-address"));
    }

    private void piece(Element to, RichText piece) throws IOException {
        switch (piece.type()) {
            case WORDS -> words(to, piece);
            case PLACE -> throw new IllegalArgumentException("A place was not filled");
            case LINE_BREAK -> add(to, "br", null);
            case PAGE_BREAK -> add(to, "div", null).setAttribute("class", "page-break");
            case IMAGE -> picture(to, piece, HIGHEST);
            case SIGN_LINE -> {
                Element line = add(to, "div", null);
                line.setAttribute("class", "sign-line");
                add(line, "p", Objects.requireNonNull(piece.text()));
            }
            default -> {
                Element element = add(to, name(piece), null);
                if (piece.content().isEmpty()) {
                    // an empty paragraph is a line on the page
                    element.appendChild(document.createTextNode("\u00a0"));
                }
                pieces(element, piece.content());
            }
        }
    }

    private void picture(Element to, RichText piece, int most) throws IOException {
        Picture picture = Objects.requireNonNull(piece.picture());
        Path png = images.get(picture.id());
        if (png == null) {
            throw new IOException("a picture in it is missing");
        }
        Element line = add(to, "div", null);
        line.setAttribute("class", "picture");
        Element image = add(line, "img", null);
        image.setAttribute(
                "src", "data:image/png;base64," + Base64.getEncoder().encodeToString(Files.readAllBytes(png)));
        image.setAttribute("alt", safe(Objects.requireNonNull(piece.text())));
        image.setAttribute("style", size(png, picture.width(), most));
    }

    /** In its own shape, and no higher than there is room for. @param most how high, in mm */
    private static String size(Path png, int width, int most) throws IOException {
        BufferedImage pixels = ImageIO.read(png.toFile());
        if (pixels == null) {
            throw new IOException("a picture in it cannot be read");
        }
        double height = (double) width * pixels.getHeight() / pixels.getWidth();
        double shrunk = Math.min(1, most / height);
        return String.format(Locale.ROOT, "width: %.2fmm; height: %.2fmm", width * shrunk, height * shrunk);
    }

    private static String name(RichText piece) {
        return switch (piece.type()) {
            case PARAGRAPH -> "p";
            case HEADING -> "h" + Math.max(1, Math.min(MOST_LEVELS, piece.level()));
            case BULLET_LIST -> "ul";
            case ORDERED_LIST -> "ol";
            case LIST_ITEM -> "li";
            case TABLE -> "table";
            case TABLE_ROW -> "tr";
            case TABLE_CELL -> "td";
            case TABLE_HEADER -> "th";
            default -> throw new IllegalArgumentException("Not an element: " + piece.type());
        };
    }

    private void words(Element to, RichText piece) {
        Element inner = to;
        for (RichText.Mark mark :
                List.of(RichText.Mark.BOLD, RichText.Mark.ITALIC, RichText.Mark.UNDERLINE, RichText.Mark.OPEN)) {
            if (piece.marks().contains(mark)) {
                inner = add(inner, element(mark), null);
            }
        }
        inner.appendChild(document.createTextNode(safe(Objects.requireNonNull(piece.text()))));
    }

    private static String element(RichText.Mark mark) {
        return switch (mark) {
            case BOLD -> "strong";
            case ITALIC -> "em";
            case UNDERLINE -> "u";
            case OPEN -> "span";
        };
    }

    private Element add(Element to, String name, @Nullable String text) {
        Element element = document.createElement(name);
        if (text != null) {
            element.appendChild(document.createTextNode(safe(text)));
        }
        to.appendChild(element);
        return element;
    }

    /** Letters with marks as one character (Unicode NFC), since fonts put them together only from that. */
    private static String safe(String text) {
        return NO_CHARACTER
                .matcher(Normalizer.normalize(text, Normalizer.Form.NFC))
                .replaceAll("");
    }
}
