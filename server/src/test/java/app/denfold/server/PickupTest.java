package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;

@ServerTest
class PickupTest {

    @Autowired
    TestPractice practice;

    @Value("${denfold.pickup}")
    Path pickup;

    private static void await(BooleanSupplier met) throws InterruptedException {
        for (int i = 0; i < 400 && !met.getAsBoolean(); i++) {
            TimeUnit.MILLISECONDS.sleep(50);
        }
        assertThat(met.getAsBoolean()).isTrue();
    }

    @Test
    void aScanLeavesTheFolderOnceItIsStored() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Scanner room"));
        Path unfinished = Files.write(desk.resolve("still writing.part"), Papers.pdf("unfinished"));
        Path scan = Files.write(desk.resolve("scan_0001.pdf"), Papers.pdf("picked up"));
        await(() -> !Files.exists(scan));
        List<String> names = api.get("/api/arrivals").at("$[?(@.broughtBy=='Scanner room')].fileName");
        assertThat(names).containsExactly("scan_0001.pdf");
        assertThat(unfinished).exists();
    }

    @Test
    void whatIsNotTakenMovesAsideWithANote() throws Exception {
        Path desk = Files.createDirectories(pickup.resolve("Front desk"));
        Path wrong = Files.write(desk.resolve("contract.pdf"), Papers.png());
        await(() -> !Files.exists(wrong));
        assertThat(desk.resolve("set-aside/contract.pdf")).exists();
        assertThat(Files.readString(desk.resolve("set-aside/contract.pdf.note.txt")))
                .contains("not what its name says");
    }

    @Test
    void aPaperThatWasStoredBeforeACrashIsNotTakenTwice() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Crash desk"));
        byte[] bytes = Papers.pdf("only once");
        for (int i = 0; i < 2; i++) {
            Path scan = Files.write(desk.resolve("scan.pdf"), bytes);
            await(() -> !Files.exists(scan));
        }
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.broughtBy=='Crash desk')].fileName"))
                .hasSize(1);
    }
}
