package app.denfold.server.chasing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.Actor;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class NoticePausesTest {

    private static final Instant NOW = Instant.parse("2026-11-28T09:00:00Z");

    private static Notice notice() {
        Message message =
                new Message(UUID.randomUUID(), "chase", "tamsin@post.example", "Papers", "Please bring them.");
        return new Notice(UUID.randomUUID(), message, Actor.system("Test"), LocalDate.of(2026, 11, 28), NOW);
    }

    @Test
    void eachFailureIsFollowedByALongerPauseUntilNobodyTriesAnyMore() {
        Notice notice = notice();
        List<Duration> pauses = new ArrayList<>();
        Instant now = NOW;
        for (int attempt = 0; attempt < 100 && (attempt == 0 || notice.nextAttempt() != null); attempt++) {
            notice.claim(now);
            notice.failed(now, "no answer", false);
            if (notice.nextAttempt() != null) {
                assertThat(notice.nextAttempt()).as("not at once").isAfter(now);
                pauses.add(Duration.between(now, notice.nextAttempt()));
                now = notice.nextAttempt();
            }
        }
        assertThat(pauses).as("tried ten times").hasSize(9).isSorted();
        assertThat(pauses.get(0)).isLessThan(pauses.get(3));
        assertThat(notice.nextAttempt()).isNull();
        assertThat(notice.mayBeRetried(NOW)).as("by hand always").isTrue();
    }

    @Test
    void anAddressThatThereIsNotIsNotTriedAgainByItself() {
        Notice notice = notice();
        notice.claim(NOW);
        notice.failed(NOW, "550 no such mailbox", true);
        assertThat(notice.nextAttempt()).isNull();
        notice.queueAgain();
        assertThat(notice.state()).isEqualTo(Notice.State.QUEUED);
    }

    @Test
    void whatWaitsForTooLongMayBeTriedByHand() {
        Notice notice = notice();
        assertThat(notice.mayBeRetried(NOW.minusSeconds(1))).isFalse();
        assertThat(notice.mayBeRetried(NOW.plusSeconds(1))).isTrue();
        notice.claim(NOW.plusSeconds(5));
        assertThat(notice.mayBeRetried(NOW.plusSeconds(1))).isFalse();
        assertThat(notice.mayBeRetried(NOW.plusSeconds(6))).isTrue();
        notice.sent(NOW.plusSeconds(7));
        assertThat(notice.mayBeRetried(NOW.plusSeconds(99))).isFalse();
    }

    @Test
    void whatWasClaimedAndNotTriedCostsNoAttempt() {
        Notice notice = notice();
        notice.claim(NOW);
        notice.putBack();
        assertThat(notice.state()).isEqualTo(Notice.State.QUEUED);
        notice.claim(NOW);
        notice.failed(NOW, "no answer", false);
        assertThat(notice.nextAttempt()).as("the first pause").isEqualTo(NOW.plusSeconds(60));
        assertThat(notice.result()).isEqualTo("no answer");
        assertThat(notice.isClaimedBefore(NOW)).isFalse();
        assertThat(notice.isClaimedBefore(NOW.plusSeconds(1))).isTrue();
        notice.release();
        assertThat(notice.state()).isEqualTo(Notice.State.QUEUED);
        assertThat(notice.isClaimedBefore(NOW.plusSeconds(1))).isFalse();
    }

    @Test
    void whatWasSentKeepsNoSecretAndEachAttemptHasTheSameNumber() {
        UUID number = UUID.randomUUID();
        String secret = "a".repeat(30);
        Notice notice = new Notice(
                number,
                Message.ofNoFile("signature", "t@post.example", "Please sign", "Here: /sign/" + secret),
                new Actor(new UUID(1, 1), "Ottilie"),
                LocalDate.of(2026, 11, 28),
                NOW);
        assertThat(notice.body()).contains(secret);
        assertThat(notice.messageId("oakhollin.example")).isEqualTo("<" + number + "@oakhollin.example>");
        notice.claim(NOW);
        notice.sent(NOW.plusSeconds(1));
        assertThat(notice.body()).doesNotContain(secret);
        assertThat(notice.finishedAt()).isEqualTo(NOW.plusSeconds(1));
        assertThat(notice.queuedById()).isEqualTo(new UUID(1, 1));
        assertThat(notice.queuedBy()).isEqualTo("Ottilie");
    }
}
