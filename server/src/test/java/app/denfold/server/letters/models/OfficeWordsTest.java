package app.denfold.server.letters.models;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.letters.Picture;
import app.denfold.core.letters.RichText;
import app.denfold.core.letters.RichText.Mark;
import app.denfold.core.letters.RichText.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What an office program wrote becomes a model's words. */
class OfficeWordsTest {

    private static List<RichText> read(String html) {
        return OfficeWords.of(html, Set.of("person.name", "day"), picture -> Optional.empty())
                .pieces();
    }

    @Test
    void paragraphsListsTablesPagesAndLooksAreTakenOver() {
        List<RichText> pieces = read("""
                <html><head><title>Not a word</title><style>p { color: red }</style></head><body lang="en">
                <h1 class="western">Agreement</h1>
                <p>Plain <b>bold <i>both</i></b> <font color="#000"><u>under</u></font><br/>next</p>
                <p><br/></p>
                <div><ul><li><p>Hat</p></li><li>Boots</li></ul></div>
                <p style="page-break-before: always">Second page</p>
                <table><tbody><tr><td><p>a</p></td><th>b</th></tr><tr></tr></tbody></table>
                loose words</body></html>
                """);
        assertThat(pieces)
                .extracting(RichText::type)
                .containsExactly(
                        Type.HEADING,
                        Type.PARAGRAPH,
                        Type.PARAGRAPH,
                        Type.BULLET_LIST,
                        Type.PAGE_BREAK,
                        Type.PARAGRAPH,
                        Type.TABLE,
                        Type.PARAGRAPH);
        assertThat(RichText.plain(pieces))
                .startsWith("Agreement\nPlain bold both under\nnext\n")
                .endsWith("loose words");
        RichText both = pieces.get(1).content().get(2);
        assertThat(both.text()).isEqualTo("both");
        assertThat(both.marks()).containsExactlyInAnyOrder(Mark.BOLD, Mark.ITALIC);
        assertThat(pieces.get(6).content()).hasSize(1);
        assertThat(pieces.get(6).content().get(0).content())
                .extracting(RichText::type)
                .containsExactly(Type.TABLE_CELL, Type.TABLE_HEADER);
    }

    @Test
    void namesInBracesThatAreKnownBecomePlacesAndOthersStayWords() {
        List<RichText> line = read("<p>Dear {person.name}, from {day + 6 months} {no name} {3}</p>")
                .get(0)
                .content();
        assertThat(line)
                .extracting(RichText::type)
                .containsExactly(Type.WORDS, Type.PLACE, Type.WORDS, Type.PLACE, Type.WORDS);
        assertThat(line.get(3).place().what()).isEqualTo("day + 6 months");
        assertThat(line.get(4).text()).isEqualTo(" {no name} {3}");
    }

    @Test
    void picturesStandAfterTheirLineAsWideAsTheyWereAndThoseThatAreNoneAreTold() {
        List<byte[]> offered = new ArrayList<>();
        UUID id = UUID.randomUUID();
        String html = "<p><img src='data:image/png;base64,AAEC' width='189' alt='Map'/>By the gate</p>"
                + "<img src='https://elsewhere.example/y.png'/><img src='data:image/png;base64,A'/><p>End"
                + "<img src='data:image/jpeg;base64,BAUG' width='9999'/></p>";
        OfficeWords.Read read = OfficeWords.of(html, Set.of(), picture -> {
            offered.add(picture);
            return Optional.of(id);
        });
        List<RichText> pieces = read.pieces();
        assertThat(read.lost()).as("elsewhere, and garbled").isEqualTo(2);
        assertThat(offered).containsExactly(new byte[] {0, 1, 2}, new byte[] {4, 5, 6});
        assertThat(RichText.plain(pieces)).isEqualTo("By the gate\nMap\nEnd\nPicture 2");
        assertThat(pieces.get(1).picture()).isEqualTo(new Picture(id.toString(), 50));
        assertThat(pieces.get(3).picture().width()).isEqualTo(Picture.WIDEST);
    }

    @Test
    void ofManyPicturesTheFirstTwentyAreTakenIn() {
        String many = "<p>x<img src='data:image/png;base64,AAEC'/></p>".repeat(500);
        List<byte[]> offered = new ArrayList<>();
        OfficeWords.Read read = OfficeWords.of(many, Set.of(), picture -> {
            offered.add(picture);
            return Optional.of(UUID.randomUUID());
        });
        assertThat(offered).hasSize(20);
        assertThat(read.lost()).isEqualTo(480);
    }

    @Test
    void programsAreNothingAndWhatIsTooDeepIsRefused() {
        assertThat(RichText.plain(read("<p>By the gate<script>alert(1)</script></p>")))
                .isEqualTo("By the gate");
        String deep = "<ul><li>".repeat(20) + "x" + "</li></ul>".repeat(20);
        assertThatThrownBy(() -> read(deep)).isInstanceOf(IllegalArgumentException.class);
    }
}
