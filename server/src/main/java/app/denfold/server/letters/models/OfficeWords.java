package app.denfold.server.letters.models;

import app.denfold.core.letters.Picture;
import app.denfold.core.letters.Place;
import app.denfold.core.letters.Reckoning;
import app.denfold.core.letters.RichText;
import app.denfold.core.letters.RichText.Mark;
import app.denfold.core.letters.RichText.Type;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jspecify.annotations.Nullable;

/** The words of an office file, which LibreOffice wrote as HTML, as a model can hold them. */
final class OfficeWords {

    private static final Pattern NAME = Pattern.compile("\\{([^{}]{1,200})}");
    private static final int DEEPEST_HEADING = 3;

    private static final Pattern DATA = Pattern.compile("data:image/[a-z+.-]{1,20};base64,(.+)", Pattern.DOTALL);
    private static final int MOST_PICTURES = 20;
    private static final double MM_OF_PIXEL = 25.4 / 96;

    private final Set<String> names;
    private final Function<byte[], Optional<UUID>> keep;
    private int pictures;
    private int lost;

    /** Pictures of the line that is read, which stand after it. */
    private final List<RichText> waiting = new ArrayList<>();

    private OfficeWords(Set<String> names, Function<byte[], Optional<UUID>> keep) {
        this.names = names;
        this.keep = keep;
    }

    /** @param lost how many pictures could not be taken over */
    record Read(List<RichText> pieces, int lost) {}

    /**
     * Paragraphs, headings, lists, tables, pictures, page breaks and looks; names in braces become places.
     *
     * @param names that are known
     * @param keep takes a picture in; empty when that is not possible
     * @throws IllegalArgumentException in words, when it cannot be a model
     */
    static Read of(String html, Set<String> names, Function<byte[], Optional<UUID>> keep) {
        OfficeWords words = new OfficeWords(names, keep);
        List<RichText> pieces = words.blocks(Jsoup.parse(html).body(), false);
        return new Read(pieces, words.lost);
    }

    /** @param isInside whether they stand in a list or table, where no page ends */
    private List<RichText> blocks(Element parent, boolean isInside) {
        List<RichText> blocks = new ArrayList<>();
        List<RichText> loose = new ArrayList<>();
        for (Node node : parent.childNodes()) {
            if (node instanceof Element element && isBlock(element)) {
                addLine(blocks, loose, Type.PARAGRAPH, 0);
                if (!isInside && element.attr("style").contains("page-break-before: always")) {
                    blocks.add(RichText.of(Type.PAGE_BREAK));
                }
                block(blocks, element, isInside);
            } else {
                inline(loose, node, Set.of());
            }
        }
        addLine(blocks, loose, Type.PARAGRAPH, 0);
        return blocks;
    }

    private static boolean isBlock(Element element) {
        return element.isBlock() && !element.normalName().equals("img");
    }

    private void block(List<RichText> blocks, Element element, boolean isInside) {
        String name = element.normalName();
        if (name.matches("h[1-6]")) {
            List<RichText> line = new ArrayList<>();
            inside(line, element, Set.of());
            addLine(blocks, line, Type.HEADING, Math.min(DEEPEST_HEADING, name.charAt(1) - '0'));
        } else if (name.equals("p")) {
            List<RichText> line = new ArrayList<>();
            inside(line, element, Set.of());
            addLine(blocks, line, Type.PARAGRAPH, 0);
        } else if (name.equals("ul") || name.equals("ol")) {
            list(blocks, element, name.equals("ul") ? Type.BULLET_LIST : Type.ORDERED_LIST);
        } else if (name.equals("table")) {
            table(blocks, element);
        } else {
            blocks.addAll(blocks(element, isInside));
        }
    }

    private void list(List<RichText> blocks, Element list, Type type) {
        List<RichText> items = list.children().stream()
                .filter(item -> item.normalName().equals("li"))
                .map(item -> piece(Type.LIST_ITEM, 0, orEmpty(blocks(item, true))))
                .toList();
        if (!items.isEmpty()) {
            blocks.add(piece(type, 0, items));
        }
    }

    private void table(List<RichText> blocks, Element table) {
        List<RichText> rows = new ArrayList<>();
        for (Element row : table.select("tr")) {
            if (row.closest("table") == table) {
                List<RichText> cells = row.children().stream()
                        .map(cell -> piece(
                                cell.normalName().equals("th") ? Type.TABLE_HEADER : Type.TABLE_CELL,
                                0,
                                orEmpty(blocks(cell, true))))
                        .toList();
                if (!cells.isEmpty()) {
                    rows.add(piece(Type.TABLE_ROW, 0, cells));
                }
            }
        }
        if (!rows.isEmpty()) {
            blocks.add(piece(Type.TABLE, 0, rows));
        }
    }

    private static List<RichText> orEmpty(List<RichText> blocks) {
        return blocks.isEmpty() ? List.of(RichText.of(Type.PARAGRAPH)) : blocks;
    }

    private static RichText piece(Type type, int level, List<RichText> content) {
        return new RichText(type, null, Set.of(), level, null, content);
    }

    /** Nothing of a line that holds nothing but spaces. */
    private void addLine(List<RichText> blocks, List<RichText> line, Type type, int level) {
        if (line.stream()
                .anyMatch(p ->
                        p.type() != Type.WORDS || p.text() != null && !p.text().isBlank())) {
            blocks.add(piece(type, level, List.copyOf(line)));
        }
        line.clear();
        blocks.addAll(waiting);
        waiting.clear();
    }

    private void inside(List<RichText> line, Element element, Set<Mark> marks) {
        element.childNodes().forEach(node -> inline(line, node, marks));
    }

    private void inline(List<RichText> line, Node node, Set<Mark> marks) {
        if (node instanceof TextNode text) {
            words(line, text.text(), marks);
        } else if (node instanceof Element element) {
            switch (element.normalName()) {
                case "br" -> line.add(RichText.of(Type.LINE_BREAK));
                case "img" -> picture(element);
                case "style", "script", "title" -> {}
                default -> inside(line, element, with(marks, markOf(element.normalName())));
            }
        }
    }

    private void picture(Element image) {
        Optional<UUID> kept = pictures < MOST_PICTURES ? bytes(image).flatMap(keep) : Optional.empty();
        if (kept.isEmpty()) {
            lost++;
            return;
        }
        pictures++;
        String shows = image.attr("alt").isBlank() ? "Picture " + pictures : image.attr("alt");
        waiting.add(RichText.of(
                new Picture(kept.get().toString(), width(image)),
                shows.substring(0, Math.min(RichText.LONGEST_SHOWN, shows.length()))));
    }

    /** @return empty for one that is not in the file itself, or is garbled */
    private static Optional<byte[]> bytes(Element image) {
        Matcher data = DATA.matcher(image.attr("src"));
        try {
            return data.matches() ? Optional.of(Base64.getMimeDecoder().decode(data.group(1))) : Optional.empty();
        } catch (IllegalArgumentException garbled) {
            return Optional.empty();
        }
    }

    /** As wide as in the file, as far as there is room. */
    private static int width(Element image) {
        String pixels = image.attr("width");
        long width =
                pixels.matches("\\d{1,5}") ? Math.round(Integer.parseInt(pixels) * MM_OF_PIXEL) : Picture.WIDEST / 2;
        return (int) Math.max(Picture.NARROWEST, Math.min(Picture.WIDEST, width));
    }

    private static @Nullable Mark markOf(String name) {
        return switch (name) {
            case "b", "strong" -> Mark.BOLD;
            case "i", "em" -> Mark.ITALIC;
            case "u" -> Mark.UNDERLINE;
            default -> null;
        };
    }

    private static Set<Mark> with(Set<Mark> marks, @Nullable Mark mark) {
        if (mark == null) {
            return marks;
        }
        Set<Mark> more = new HashSet<>(marks);
        more.add(mark);
        return more;
    }

    private void words(List<RichText> line, String text, Set<Mark> marks) {
        String spaced = line.isEmpty() ? text.stripLeading() : text;
        Matcher name = NAME.matcher(spaced);
        int from = 0;
        while (name.find()) {
            if (isKnown(name.group(1))) {
                plain(line, spaced.substring(from, name.start()), marks);
                Place place = new Place(name.group(1).strip(), Place.Format.PLAIN, null, true);
                line.add(new RichText(Type.PLACE, null, marks, 0, place, List.of()));
                from = name.end();
            }
        }
        plain(line, spaced.substring(from), marks);
    }

    private static void plain(List<RichText> line, String text, Set<Mark> marks) {
        if (!text.isEmpty()) {
            line.add(new RichText(Type.WORDS, text, marks, 0, null, List.of()));
        }
    }

    private boolean isKnown(String written) {
        try {
            Set<String> said = Reckoning.of(written).names();
            return !said.isEmpty() && names.containsAll(said);
        } catch (IllegalArgumentException other) {
            return false;
        }
    }
}
