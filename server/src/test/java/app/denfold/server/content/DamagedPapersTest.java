package app.denfold.server.content;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** What is served is what was stored, or an error in words; the same bytes coming in again mend it. */
@ServerTest
class DamagedPapersTest {

    @Autowired
    TestPractice practice;

    @Autowired
    ContentStore store;

    @Autowired
    NightlyContentCheck nightly;

    @Autowired
    DamagedContent damaged;

    @Autowired
    Contents contents;

    @Autowired
    TransactionTemplate transactions;

    private record Stored(byte[] bytes, UUID document, String sha256) {}

    private Stored paper(Api api, String words) throws Exception {
        byte[] bytes = Papers.pdf(words + UUID.randomUUID());
        UUID file = api.newEmployee("Damaged", null);
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", bytes, Map.of()).id("$.id");
        UUID document = api.file(arrival, file, "letter", LocalDate.now()).id("$.documentId");
        return new Stored(
                bytes, document, api.get("/api/documents/{id}", document).at("$.versions[0].sha256"));
    }

    private void flipOneBit(String sha256) throws IOException {
        try (RandomAccessFile file = new RandomAccessFile(store.file(sha256).toFile(), "rw")) {
            file.seek(100);
            int before = file.read();
            file.seek(100);
            file.write(before ^ 1);
        }
    }

    private static void isToldInWords(Api.Answer answer) {
        assertThat(answer.status()).isEqualTo(500);
        assertThat(answer.<String>at("$.code")).isEqualTo("damaged");
        assertThat(answer.<String>at("$.detail"))
                .contains("damaged", "taking in the same paper once more mends it")
                .doesNotContain("/");
    }

    @Test
    void oneFlippedBitIsNeverServedAsThePaperAndMendedByTheSameBytes() throws Exception {
        Api api = practice.administrator();
        Stored paper = paper(api, "flipped");
        assertThat(api.get("/api/documents/{id}/versions/1/content", paper.document)
                        .bytes())
                .isEqualTo(paper.bytes);
        flipOneBit(paper.sha256);
        for (String address : List.of("content", "reading", "pages/1", "archive")) {
            isToldInWords(api.get("/api/documents/{id}/versions/1/" + address, paper.document));
        }
        await().untilAsserted(() -> assertThat(
                        api.get("/api/documents/{id}", paper.document).<String>at("$.versions[0].damage"))
                .contains("not those that were taken in"));
        assertThat(api.get("/api/today").<List<String>>at("$.dueToday[*].action"))
                .contains("damaged");
        api.upload("/api/arrivals", "again.pdf", paper.bytes, Map.of());
        assertThat(api.get("/api/documents/{id}/versions/1/content", paper.document)
                        .bytes())
                .isEqualTo(paper.bytes);
        assertThat(api.get("/api/documents/{id}", paper.document).body()).doesNotContain("damage");
    }

    @Test
    void aMissingFileIsToldByTheNightlyCheckBeforeAnybodyAsks() throws Exception {
        Api api = practice.administrator();
        Stored missing = paper(api, "missing");
        Stored flipped = paper(api, "rotten");
        Stored whole = paper(api, "whole");
        Files.delete(store.file(missing.sha256));
        flipOneBit(flipped.sha256);
        nightly.run(() -> false);
        await().untilAsserted(() -> assertThat(damaged.all())
                .extracting(DamagedContent.Damage::sha256)
                .contains(missing.sha256, flipped.sha256)
                .doesNotContain(whole.sha256));
        isToldInWords(api.get("/api/documents/{id}/versions/1/content", missing.document));
        Object job = api.post("/api/zips", Map.of("documents", List.of(missing.document, whole.document)))
                .at("$.id");
        await().untilAsserted(() -> assertThat(api.get("/api/jobs").<List<String>>at("$[?(@.id=='" + job + "')].words"))
                .singleElement()
                .asString()
                .contains("damaged", "Letter")
                .doesNotContain("disk"));
    }

    @Test
    void whatNoPaperRefersToIsRemovedAfterADayAndNotBefore() throws Exception {
        Contents.Prepared never = contents.made(Papers.pdf("never named"), app.denfold.paper.Format.PDF, 1);
        Path orphan = store.file(never.sha256());
        ContentStore.Staged half = store.stage(new java.io.ByteArrayInputStream(new byte[9]));
        Stored kept = paper(practice.administrator(), "kept");
        nightly.sweep(Instant.now().minusSeconds(3_600));
        assertThat(orphan).exists();
        assertThat(half.file()).exists();
        nightly.sweep(Instant.now().plusSeconds(60));
        assertThat(orphan).doesNotExist();
        assertThat(half.file()).doesNotExist();
        assertThat(store.file(kept.sha256)).exists();
    }

    @Test
    void slowWorkWithinATransactionIsAFaultOfTheProgram() throws Exception {
        Path file = Files.write(Files.createTempFile("slow", ".pdf"), Papers.pdf("slow"));
        assertThatThrownBy(() -> transactions.executeWithoutResult(t -> contents.prepare(file, "slow.pdf")))
                .hasMessageContaining("Within a transaction");
    }
}
