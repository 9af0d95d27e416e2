package app.denfold.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.Format;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.content.Contents;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The product is stopped while papers are being read. */
@ServerTest
class StopWhileReadingTest {

    @Autowired
    ReadPapersJob job;

    @Autowired
    PaperReadingRepository readings;

    @Autowired
    ReadPageStore pages;

    @Autowired
    Contents contents;

    @Test
    void itEndsAfterThePageInHandAndLaterGoesOnWithTheNext() throws Exception {
        String word = UUID.randomUUID().toString();
        List<String> texts = List.of("first " + word, "second " + word, "third " + word);
        String sha256 = contents.keep(Papers.pages(texts), Format.PDF, 3);
        PaperReading reading = new PaperReading(sha256, true, Instant.now());
        // the server's own readers leave it alone for a while
        reading.lost(Instant.now().plus(Duration.ofHours(1)));
        readings.save(reading);
        assertThat(job.readUnlessHeld(sha256, () -> pages.count(sha256) >= 1)).isFalse();
        assertThat(pages.count(sha256)).isEqualTo(1);
        assertThat(job.readUnlessHeld(sha256, () -> false)).isTrue();
        assertThat(pages.count(sha256)).isEqualTo(3);
    }
}
