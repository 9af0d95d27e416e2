package app.denfold.server.signing.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** For how long codes and keys of a link hold, and how often a code may be wrong. */
class SigningLinkTest {

    private static final Instant NOW = Instant.parse("2026-11-28T09:00:00Z");
    private static final UUID TURN = new UUID(1, 2);

    private static SigningLink link() {
        return new SigningLink(TURN, "hash", NOW);
    }

    private static Instant later(int minutes) {
        return NOW.plus(Duration.ofMinutes(minutes));
    }

    @Test
    void aCodeHoldsForAQuarterOfAnHourAndOpensOnce() {
        SigningLink link = link();
        assertThat(link.turnId()).isEqualTo(TURN);
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
        SigningLink link = link();
        assertThat(link.isOpenFor("key", NOW)).isFalse();
        link.open("key", NOW);
        assertThat(link.isOpenFor("key", later(119))).isTrue();
        assertThat(link.isOpenFor("other", later(119))).isFalse();
        assertThat(link.isOpenFor("key", later(120))).isFalse();
    }

    @Test
    void fiveWrongCodesCloseItAndARightOneCountsAnew() {
        SigningLink link = link();
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
