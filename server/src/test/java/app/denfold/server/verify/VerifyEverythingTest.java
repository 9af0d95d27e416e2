package app.denfold.server.verify;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;

@ServerTest
class VerifyEverythingTest {

    @Autowired
    TestPractice practice;

    @Autowired
    VerifyEverything everything;

    @Value("${denfold.content}")
    Path content;

    @Test
    void whatIsNotAsItWasWrittenIsToldByItsHashAndNothingElse() throws Exception {
        Api api = practice.administrator();
        UUID document = api.fileNewPaper(api.newEmployee("Verified", null), "letter", LocalDate.now());
        String sha256 = api.get("/api/documents/{id}", document).at("$.versions[0].sha256");
        // all tests share one server: others leave damage of their own
        List<String> before = new ArrayList<>();
        everything.run(before::add);
        assertThat(before).noneMatch(line -> line.contains(sha256));
        assertThat(before.get(before.size() - 1)).contains("stored papers read", "rows of the trail read");

        Path file = content.resolve(sha256.substring(0, 2))
                .resolve(sha256.substring(2, 4))
                .resolve(sha256);
        byte[] whole = Files.readAllBytes(file);
        Files.delete(file);
        List<String> after = new ArrayList<>();
        assertThat(everything.run(after::add)).isFalse();
        assertThat(after).hasSize(before.size() + 1);
        assertThat(after).anyMatch(line -> line.contains(sha256) && line.contains("missing"));
        assertThat(api.get("/api/today").body()).contains("damaged");

        Files.write(file, whole);
        List<String> mended = new ArrayList<>();
        everything.run(mended::add);
        assertThat(mended).hasSameSizeAs(before).noneMatch(line -> line.contains(sha256));
    }
}
