package app.denfold.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.Format;
import app.denfold.server.ServerTest;
import app.denfold.server.content.Contents;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** In which order papers that wait are read. */
@ServerTest
class ReadingOrderTest {

    @Autowired
    PaperReadingRepository readings;

    @Autowired
    Contents contents;

    @Autowired
    TransactionTemplate transactions;

    private String waiting(Format format, boolean filed, Instant since) {
        byte[] bytes = (format + " " + since).getBytes(StandardCharsets.UTF_8);
        String sha256 = contents.keep(bytes, format, 1);
        readings.save(new PaperReading(sha256, filed, since));
        return sha256;
    }

    @Test
    void whatHoldsWordsGoesBeforeWhatMustBeRecognisedAndThenTheLongestWaiting() {
        transactions.executeWithoutResult(t -> {
            // nobody reads them: they are never committed
            t.setRollbackOnly();
            String filedScan = waiting(Format.TIFF, true, Instant.EPOCH);
            String newerScan = waiting(Format.TIFF, false, Instant.EPOCH.plusSeconds(9));
            String olderScan = waiting(Format.PDF, false, Instant.EPOCH.plusSeconds(3));
            String letter = waiting(Format.RTF, true, Instant.EPOCH.plusSeconds(20));
            assertThat(readings.findQueued(true, Instant.now()))
                    .containsSubsequence(letter, olderScan, newerScan, filedScan);
            assertThat(readings.findQueued(false, Instant.now()))
                    .containsSubsequence(olderScan, newerScan)
                    .doesNotContain(letter, filedScan);
        });
    }
}
