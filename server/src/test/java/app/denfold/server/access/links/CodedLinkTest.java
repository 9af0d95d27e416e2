package app.denfold.server.access.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

/** For how long codes and keys of a link hold, and how often a code may be wrong. */
class CodedLinkTest {

    private static final Instant NOW = Instant.parse("2026-11-28T09:00:00Z");

    private static CodedLink link() {
        return new CodedLink("token", NOW) {};
    }

    private static Instant later(int minutes) {
        return NOW.plus(Duration.ofMinutes(minutes));
    }

    @Test
    void aCodeHoldsForAQuarterOfAnHourAndOpensOnce() {
        CodedLink link = link();
        assertThat(link.id()).isNotEqualTo(link().id());
        assertThat(link.hasCode(NOW)).isFalse();
        link.code("right", NOW);
        assertThat(link.isCode("right", later(14))).isTrue();
        assertThat(link.isCode("wrong", later(14))).isFalse();
        assertThat(link.isCode("right", later(15))).isFalse();
        assertThat(link.wasCodeSentAfter(NOW)).isFalse();
        assertThat(link.wasCodeSentAfter(NOW.minusSeconds(1))).isTrue();
        link.open("key", later(1));
        assertThat(link.hasCode(later(1))).isFalse();
    }

    @Test
    void aKeyOpensForTwoHoursAndNoOtherDoes() {
        CodedLink link = link();
        assertThat(link.isOpenFor("key", NOW)).isFalse();
        link.open("key", NOW);
        assertThat(link.isOpenFor("key", later(119))).isTrue();
        assertThat(link.isOpenFor("other", later(119))).isFalse();
        assertThat(link.isOpenFor("key", later(120))).isFalse();
    }

    @Test
    void fiveWrongCodesCloseItAndARightOneCountsAnew() {
        CodedLink link = link();
        for (int i = 0; i < 4; i++) {
            link.wrong();
        }
        assertThat(link.codesLeft()).isEqualTo(1);
        assertThat(link.isClosed()).isFalse();
        link.open("key", NOW);
        assertThat(link.codesLeft()).isEqualTo(5);
        for (int i = 0; i < 5; i++) {
            link.wrong();
        }
        assertThat(link.isClosed()).isTrue();
        assertThat(link.isOpenFor("key", NOW)).isFalse();
    }
}
