package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;

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
    void aScanGoesToTheFileThatIsOpenAtItsDeskWithTheDesksDefaults() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> desk = new HashMap<>(Map.of(
                "name",
                "Therapy desk",
                "type",
                "letter",
                "description",
                "From the scanner by the door",
                "splitBlank",
                false,
                "splitCounts",
                true,
                "splitEvery",
                0,
                "dropBlank",
                false,
                "filesCovers",
                false));
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/pickups", desk).status())
                .isEqualTo(204);
        UUID file = api.newEmployee("Atdesk", null);
        assertThat(api.send(HttpMethod.PUT, "/api/desks/{desk}/file", Map.of("fileId", file), "Therapy desk")
                        .status())
                .isEqualTo(204);
        Path scan = Files.write(pickup.resolve("Therapy desk/scan_0009.pdf"), Papers.pdf("open at the desk"));
        await(() -> !Files.exists(scan));
        Api.Answer list = api.get("/api/arrivals");
        String mine = "$[?(@.broughtBy=='Therapy desk')]";
        assertThat(list.<List<String>>at(mine + ".personName")).containsExactly("Tamsin Atdesk");
        assertThat(list.<List<Boolean>>at(mine + ".isGiven")).containsExactly(true);
        assertThat(list.<List<String>>at(mine + ".typeLabel")).containsExactly("Letter");
        assertThat(list.<List<String>>at(mine + ".note")).containsExactly("From the scanner by the door");

        assertThat(api.send(HttpMethod.DELETE, "/api/desks/{desk}/file", null, "Therapy desk")
                        .status())
                .isEqualTo(204);
        Path later = Files.write(pickup.resolve("Therapy desk/scan_0010.pdf"), Papers.pdf("nothing open"));
        await(() -> !Files.exists(later));
        assertThat(api.get("/api/arrivals").<List<Boolean>>at("$[?(@.fileName=='scan_0010.pdf')].isGiven"))
                .containsExactly(false);
    }

    private static String slot(Api api, UUID file) {
        try {
            return api.slot(file, "first-aid");
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void papersBehindCoverSheetsAreFiledByThemselvesOnlyWhereTheDeskSaysSoAndTheDateIsSure() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> desk = new HashMap<>(Map.of(
                "name",
                "Cover desk",
                "splitBlank",
                false,
                "splitCounts",
                false,
                "splitEvery",
                0,
                "dropBlank",
                false,
                "filesCovers",
                true));
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/pickups", desk).status())
                .isEqualTo(204);
        UUID file = api.newEmployee("Coverfiled", null);
        byte[] cover =
                api.get("/api/cover-sheets?fileId=" + file + "&type=first-aid").bytes();
        String dated = "This certificate of the whole course was issued on 3 March 2026 at Fennick Hall";
        byte[] stack = Papers.merged(List.of(
                cover,
                Papers.pdf(dated),
                cover,
                Papers.pdf("A certificate of the whole course without any day on it")));
        Files.write(pickup.resolve("Cover desk/stack.pdf"), stack);
        await(() -> slot(api, file).equals("in-review"));
        Api.Answer left = api.get("/api/arrivals");
        assertThat(left.<List<List<Integer>>>at("$[?(@.broughtBy=='Cover desk')].pages[*].page"))
                .hasSize(1);
        List<String> trail = api.get("/api/files/{id}/trail", file).at("$[*].sentence");
        assertThat(trail).anyMatch(s -> s.contains("filed by itself by its cover sheet"));
    }

    @Test
    void aDeskNeedsANameThatAFolderCanHaveAndATypeThatThereIs() throws Exception {
        Api api = practice.administrator();
        for (Map<String, Object> bad : List.<Map<String, Object>>of(
                Map.of("name", "../elsewhere", "splitEvery", 0),
                Map.of("name", "", "splitEvery", 0),
                Map.of("name", "Desk", "type", "no-such-type", "splitEvery", 0),
                Map.of("name", "Desk", "splitEvery", -1))) {
            Map<String, Object> desk = new HashMap<>(
                    Map.of("splitBlank", false, "splitCounts", false, "dropBlank", false, "filesCovers", false));
            desk.putAll(bad);
            assertThat(api.send(HttpMethod.PUT, "/api/set-up/pickups", desk).status())
                    .as(bad.toString())
                    .isEqualTo(422);
        }
        assertThat(Files.exists(pickup.resolve("../elsewhere"))).isFalse();
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

    @Test
    void outsideTheDemoThereIsNoScannerToPress() throws Exception {
        Api api = practice.administrator();
        assertThat(api.get("/api/demo/scanner").<Boolean>at("$.there")).isFalse();
        Map<String, Object> scan = Map.of("desk", "Office desk", "stack", true);
        assertThat(api.post("/api/demo/scanner", scan).status()).isEqualTo(404);
        assertThat(practice.colleague(null, true, true)
                        .post("/api/demo/scanner", scan)
                        .status())
                .isEqualTo(403);
    }
}
