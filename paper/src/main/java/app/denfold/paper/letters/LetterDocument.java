package app.denfold.paper.letters;

import app.denfold.core.letters.RichText;
import java.util.Base64;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** A letter as an XHTML document. It is built as a tree, so that text is text whatever it says. */
final class LetterDocument {

    private static final int MOST_LEVELS = 3;

    /** What neither XML nor paper can hold. */
    private static final Pattern NO_CHARACTER = Pattern.compile("[\\p{Cc}\\p{Cs}\\uFFFE\\uFFFF&&[^\\t\\n]]");

    private final Document document;

    private LetterDocument(Document document) {
        this.document = document;
    }

    static Document of(Collection<RichText> content, LetterHead head, String title, String language, String style) {
        LetterDocument letter = new LetterDocument(empty());
        letter.write(content, head, title, language, style);
        return letter.document;
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

    private void write(Collection<RichText> content, LetterHead head, String title, String language, String style) {
        Element html = document.createElement("html");
        html.setAttribute("lang", language);
        document.appendChild(html);
        Element about = add(html, "head", null);
        add(about, "title", title);
        Element description = add(about, "meta", null);
        description.setAttribute("name", "description");
        description.setAttribute("content", safe(title));
        add(about, "style", style);
        Element body = add(html, "body", null);
        head(body, head);
        content.forEach(piece -> piece(body, piece));
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

    private void piece(Element to, RichText piece) {
        switch (piece.type()) {
            case WORDS -> words(to, piece);
            case PLACE -> throw new IllegalArgumentException("A place was not filled");
            case LINE_BREAK -> add(to, "br", null);
            case PAGE_BREAK -> add(to, "div", null).setAttribute("class", "page-break");
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
                piece.content().forEach(inner -> piece(element, inner));
            }
        }
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

    private static String safe(String text) {
        return NO_CHARACTER.matcher(text).replaceAll("");
    }
}
