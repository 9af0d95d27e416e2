package app.denfold.core.pages;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.pages.PageChange.From;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PageChangeTest {

    private static From own(int page) {
        return new From(null, page, 0);
    }

    private static PageChange to(int before, Integer... pages) {
        return new PageChange(
                before, Arrays.stream(pages).map(PageChangeTest::own).toList());
    }

    private static Integer[] numbers(String text) {
        return Stream.of(text.split(" ")).map(Integer::valueOf).toArray(Integer[]::new);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3|1 2|took out page 3",
                "3|2|took out pages 1 and 3",
                "6|1 6|took out pages 2 to 5",
                "9|2 4 6 8|took out 5 pages",
                "3|3 1 2|moved page 3",
                "3|2 3 1|moved page 1",
                "4|4 3 2 1|put pages in another order",
                "5|1 4 2 5|took out page 3, moved page 2",
            })
    void whatWasDoneIsToldByTheFewestPages(int before, String now, String words) {
        assertThat(to(before, numbers(now)).words()).isEqualTo(words);
        assertThat(to(before, numbers(now)).fault()).isNull();
        assertThat(to(before, numbers(now)).changesNothing()).isFalse();
    }

    @Test
    void pagesOfOthersAreNamedAndTurnedOnesToo() {
        PageChange change = new PageChange(
                2,
                List.of(
                        own(1),
                        new From("Letter, 3 May", 2, 0),
                        new From("Letter, 3 May", 1, 90),
                        new From("Scan", 1, 0),
                        new From(null, 2, 180)));
        assertThat(change.words())
                .isEqualTo("put in pages 1 and 2 of “Letter, 3 May”, put in page 1 of “Scan”, turned page 2");
    }

    @Test
    void nothingIsSaidOfWhatIsAsItWas() {
        assertThat(to(2, 1, 2).changesNothing()).isTrue();
        assertThat(to(2, 1, 2).words()).isEmpty();
        assertThat(new PageChange(1, List.of(new From(null, 1, 90))).changesNothing())
                .isFalse();
    }

    @Test
    void whatCannotBeIsToldInWords() {
        assertThat(to(2).fault()).contains("at least one page");
        assertThat(to(2, 1, 1).fault()).contains("stands in it once");
        assertThat(to(2, 1, 3).fault()).contains("has 2 pages");
        assertThat(to(1, 0).fault()).contains("has 1 page.");
        assertThat(new PageChange(1, List.of(new From(null, 1, 45))).fault()).contains("quarters");
        assertThat(new PageChange(1, List.of(new From(null, 1, 360))).fault()).contains("quarters");
        assertThat(new PageChange(
                                1,
                                IntStream.rangeClosed(1, PageChange.MOST + 1)
                                        .mapToObj(i -> new From("Other", i, 0))
                                        .toList())
                        .fault())
                .contains("up to 2000");
    }
}
