package app.denfold.core.marks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MarkShapeTest {

    private static final PageBox AREA = new PageBox(1_000, 2_000, 300, 100);

    private static MarkShape lines(MarkKind kind, List<List<PagePoint>> lines) {
        return new MarkShape(kind, List.of(), lines, null, null);
    }

    private static String fault(MarkShape shape) {
        return shape.fault().orElse("none");
    }

    @Test
    void whatStandsOnThePageIsWithoutFault() {
        assertThat(fault(MarkShape.on(MarkKind.HIGHLIGHT, List.of(AREA), null))).isEqualTo("none");
        assertThat(fault(MarkShape.cover(List.of(AREA), "third person"))).isEqualTo("none");
        assertThat(fault(MarkShape.on(MarkKind.NOTE, List.of(AREA), "Ask the yard.")))
                .isEqualTo("none");
        assertThat(fault(lines(MarkKind.PEN, List.of(List.of(new PagePoint(0, 0), new PagePoint(10_000, 10_000))))))
                .isEqualTo("none");
    }

    @ParameterizedTest
    @CsvSource({"-1,0,5,5", "0,-1,5,5", "0,0,0,5", "0,0,5,0", "9996,0,5,5", "0,9996,5,5"})
    void noAreaReachesOverTheEdge(int left, int top, int width, int height) {
        MarkShape shape = MarkShape.cover(List.of(AREA, new PageBox(left, top, width, height)), null);
        assertThat(fault(shape)).contains("edge");
    }

    @Test
    void aMarkStandsSomewhere() {
        assertThat(fault(MarkShape.cover(List.of(), null))).contains("where");
        assertThat(fault(lines(MarkKind.PEN, List.of(List.of(new PagePoint(1, 1))))))
                .contains("where");
        assertThat(fault(lines(MarkKind.PEN, List.of(List.of(new PagePoint(1, 1), new PagePoint(1, 10_001))))))
                .contains("edge");
    }

    @Test
    void anArrowHasTwoEnds() {
        List<PagePoint> three = List.of(new PagePoint(1, 1), new PagePoint(2, 2), new PagePoint(3, 3));
        assertThat(fault(lines(MarkKind.ARROW, List.of(three)))).contains("from one point to another");
        assertThat(fault(lines(MarkKind.ARROW, List.of(three.subList(0, 2))))).isEqualTo("none");
    }

    @Test
    void thereIsAMostOfEverything() {
        assertThat(fault(MarkShape.cover(Collections.nCopies(MarkShape.MOST_AREAS, AREA), null)))
                .isEqualTo("none");
        assertThat(fault(MarkShape.cover(Collections.nCopies(MarkShape.MOST_AREAS + 1, AREA), null)))
                .contains("200");
        List<PagePoint> stroke = Collections.nCopies(100, new PagePoint(5, 5));
        assertThat(fault(lines(MarkKind.PEN, Collections.nCopies(40, stroke)))).isEqualTo("none");
        assertThat(fault(lines(MarkKind.PEN, Collections.nCopies(41, stroke)))).contains("one go");
        assertThat(fault(lines(MarkKind.PEN, Collections.nCopies(61, stroke.subList(0, 2)))))
                .contains("one go");
        assertThat(fault(MarkShape.on(MarkKind.STAMP, List.of(AREA), "x".repeat(121))))
                .contains("120");
        assertThat(fault(MarkShape.on(MarkKind.NOTE, List.of(AREA), "x".repeat(2_000))))
                .isEqualTo("none");
        assertThat(fault(MarkShape.on(MarkKind.NOTE, List.of(AREA), "x".repeat(2_001))))
                .contains("2000");
        assertThat(fault(MarkShape.cover(List.of(AREA), "x".repeat(81)))).contains("80");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  ", "\n"})
    void aNoteAndAStampSaySomething(@Nullable String text) {
        assertThat(fault(MarkShape.on(MarkKind.NOTE, List.of(AREA), text))).isEqualTo("Write the note.");
        assertThat(fault(MarkShape.on(MarkKind.STAMP, List.of(AREA), text))).contains("stamp");
        assertThat(MarkShape.on(MarkKind.HIGHLIGHT, List.of(AREA), text).text()).isNull();
    }

    @Test
    void onlyACoverHasAReason() {
        assertThat(new MarkShape(MarkKind.HIGHLIGHT, List.of(AREA), List.of(), null, "why").reason())
                .isNull();
        assertThat(MarkShape.cover(List.of(AREA), " why ").reason()).isEqualTo("why");
    }

    @Test
    void movesAsAWholeAndNotOverTheEdge() {
        MarkShape shape = MarkShape.cover(List.of(AREA), "why").moved(10, -20);
        assertThat(shape.areas()).containsExactly(new PageBox(1_010, 1_980, 300, 100));
        assertThat(shape.reason()).isEqualTo("why");
        assertThat(shape.moved(0, -1_981)).isEqualTo(shape);
        MarkShape arrow = lines(MarkKind.ARROW, List.of(List.of(new PagePoint(1, 2), new PagePoint(3, 4))));
        assertThat(arrow.moved(5, 6).lines()).containsExactly(List.of(new PagePoint(6, 8), new PagePoint(8, 10)));
    }

    @Test
    void itsPlaceIsAllItTakesUp() {
        assertThat(MarkShape.cover(List.of(AREA, new PageBox(1_200, 2_300, 400, 50)), null)
                        .place())
                .isEqualTo(new PageBox(1_000, 2_000, 600, 350));
        assertThat(lines(MarkKind.ARROW, List.of(List.of(new PagePoint(9, 2), new PagePoint(3, 4))))
                        .place())
                .isEqualTo(new PageBox(3, 2, 6, 2));
        assertThatThrownBy(() -> MarkShape.cover(List.of(), null).place()).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "0,    1000, 2000, 300, 100",
        "90,   7900, 1000, 100, 300",
        "180,  8700, 7900, 300, 100",
        "270,  2000, 8700, 100, 300",
        "-90,  2000, 8700, 100, 300",
        "450,  7900, 1000, 100, 300"
    })
    void turnsWithThePage(int degrees, int left, int top, int width, int height) {
        assertThat(AREA.turned(degrees)).isEqualTo(new PageBox(left, top, width, height));
        assertThat(AREA.turned(degrees).turned(-degrees)).isEqualTo(AREA);
    }

    @Test
    void tellsHowMuchLiesWithin() {
        assertThat(AREA.partIn(new PageBox(0, 0, 1_150, 10_000))).isEqualTo(0.5);
        assertThat(AREA.partIn(new PageBox(0, 0, 1_000, 10_000))).isZero();
        assertThat(new PageBox(5, 5, 0, 0).partIn(AREA)).isZero();
        assertThat(AREA.overlaps(new PageBox(1_299, 2_099, 1, 1))).isTrue();
        assertThat(AREA.overlaps(new PageBox(1_300, 2_000, 1, 1))).isFalse();
    }

    @Test
    void aStampNamesDayAndWhoStamps() {
        LocalDate day = LocalDate.of(2026, 5, 4);
        assertThat(StampWords.filled("Received {date}, {initials}", day, "Ottilie Brandt-Ray"))
                .isEqualTo("Received 4 May 2026, OBR");
        assertThat(StampWords.filled("Checked by {name}", day, "Ottilie Brandt"))
                .isEqualTo("Checked by Ottilie Brandt");
        assertThat(StampWords.filled("Copy", day, "")).isEqualTo("Copy");
    }

    @Test
    void aMarkStaysOnItsWordsWhenThePageIsTurned() {
        MarkShape cover = MarkShape.cover(List.of(new PageBox(1_000, 2_000, 3_000, 400)), "birth date");
        assertThat(cover.turned(90).areas()).containsExactly(new PageBox(7_600, 1_000, 400, 3_000));
        assertThat(cover.turned(90).turned(270)).isEqualTo(cover);
        MarkShape pen = new MarkShape(
                MarkKind.PEN,
                List.of(),
                List.of(List.of(new PagePoint(1_000, 2_000), new PagePoint(0, 0))),
                null,
                null);
        assertThat(pen.turned(90).lines())
                .containsExactly(List.of(new PagePoint(8_000, 1_000), new PagePoint(10_000, 0)));
        assertThat(pen.turned(180).turned(180)).isEqualTo(pen);
        assertThat(pen.turned(90).turned(90)).isEqualTo(pen.turned(180));
        assertThat(pen.turned(270).turned(90)).isEqualTo(pen);
        assertThat(pen.turned(360)).isEqualTo(pen);
    }
}
