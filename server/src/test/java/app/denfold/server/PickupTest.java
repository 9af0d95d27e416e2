package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mail.javamail.JavaMailSenderImpl;

@ServerTest
class PickupTest {

    @Autowired
    TestPractice practice;

    @Value("${denfold.pickup}")
    Path pickup;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    JavaMailSenderImpl mail;

    @Test
    void aScanLeavesTheFolderOnceItIsStored() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Scanner room"));
        Path unfinished = Files.write(desk.resolve("still writing.part"), Papers.pdf("unfinished"));
        Path scan = Files.write(desk.resolve("scan_0001.pdf"), Papers.pdf("picked up"));
        await().until(() -> !Files.exists(scan));
        List<String> names = api.get("/api/arrivals").at("$[?(@.broughtBy=='Scanner room')].fileName");
        assertThat(names).containsExactly("scan_0001.pdf");
        assertThat(unfinished).exists();
    }

    @Test
    void aMailServerThatNeverAnswersHoldsUpNoScan() throws Exception {
        Api api = practice.administrator();
        int port = mail.getPort();
        try (ServerSocket silent = new ServerSocket(0, 50, InetAddress.getLoopbackAddress())) {
            mail.setPort(silent.getLocalPort());
            for (int i = 0; i < 12; i++) {
                UUID file = api.newEmployee("Silenced", TestPractice.newAddress());
                api.post("/api/files/{id}/chase", Map.of("again", false), file);
            }
            Path desk = Files.createDirectories(pickup.resolve("Scanner room"));
            Path scan = Files.write(desk.resolve("beside mail.pdf"), Papers.pdf("beside mail"));
            await().until(() -> !Files.exists(scan));
            assertThat(jdbc.sql("select count(*) from notice where state in ('QUEUED', 'SENDING')"
                                    + " and purpose = 'chase'")
                            .query(Integer.class)
                            .single())
                    .as("mails still wait")
                    .isPositive();
        } finally {
            mail.setPort(port);
        }
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
                false,
                "pauseSeconds",
                1));
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/pickups", desk).status())
                .isEqualTo(204);
        UUID file = api.newEmployee("Atdesk", null);
        assertThat(api.send(HttpMethod.PUT, "/api/desks/{desk}/file", Map.of("fileId", file), "Therapy desk")
                        .status())
                .isEqualTo(204);
        Path scan = Files.write(pickup.resolve("Therapy desk/scan_0009.pdf"), Papers.pdf("open at the desk"));
        await().until(() -> !Files.exists(scan));
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
        await().until(() -> !Files.exists(later));
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
                true,
                "pauseSeconds",
                1));
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
        await().until(() -> slot(api, file).equals("in-review"));
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
            Map<String, Object> desk = new HashMap<>(Map.of(
                    "splitBlank",
                    false,
                    "splitCounts",
                    false,
                    "dropBlank",
                    false,
                    "filesCovers",
                    false,
                    "pauseSeconds",
                    1));
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
        await().until(() -> !Files.exists(wrong));
        assertThat(desk.resolve("set-aside/contract.pdf")).exists();
        assertThat(Files.readString(desk.resolve("set-aside/contract.pdf.note.txt")))
                .contains("not what its name says");
    }

    /** A file as it lies there when the product was killed between storing its paper and moving it away. */
    @Test
    void aPaperThatWasStoredBeforeACrashIsNotTakenTwice() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Crash desk"));
        UUID arrival = api.upload("/api/arrivals", "scan.pdf", Papers.pdf("only once"), Map.of())
                .id("$.id");
        Path hidden = Files.write(desk.resolve("scan.pdf.part"), Papers.pdf("only once"));
        Map<String, Object> file = Files.readAttributes(hidden, "unix:ino,size,lastModifiedTime");
        jdbc.sql("insert into pickup_taken (desk, inode, modified, size, file_name, arrival_id, taken_at)"
                        + " values (?, ?, ?, ?, 'scan.pdf', ?, now())")
                .params(
                        "Crash desk",
                        file.get("ino"),
                        ((FileTime) file.get("lastModifiedTime")).to(TimeUnit.MICROSECONDS),
                        file.get("size"),
                        arrival)
                .update();
        Path scan = Files.move(hidden, desk.resolve("scan.pdf"));
        await().until(() -> !Files.exists(scan));
        assertThat(names(api, "Crash desk")).isEmpty();
        assertThat(desk.resolve("taken/scan.pdf")).exists();
    }

    private static List<String> names(Api api, String desk) throws Exception {
        return api.get("/api/arrivals").at("$[?(@.broughtBy=='" + desk + "')].fileName");
    }

    @Test
    void aScanUnderAnOldNameIsANewPaperWhateverBecameOfTheOldOne() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Again desk"));
        byte[] bytes = Papers.pdf("scanned again and again");
        for (int i = 1; i <= 2; i++) {
            Path scan = Files.write(desk.resolve("scan.pdf"), bytes);
            await().until(() -> !Files.exists(scan));
            assertThat(names(api, "Again desk")).hasSize(1);
            UUID id = UUID.fromString(api.get("/api/arrivals")
                    .<List<String>>at("$[?(@.broughtBy=='Again desk')].id")
                    .get(0));
            api.post("/api/arrivals/{id}/set-aside", Map.of("reason", "not needed"), id);
            assertThat(api.post("/api/arrivals/{id}/discard", Map.of("reason", "not needed"), id)
                            .status())
                    .isEqualTo(204);
            assertThat(names(api, "Again desk")).isEmpty();
        }
        assertThat(jdbc.sql("select count(*) from audit_event where action = 'received' and actor_name = 'Again desk'")
                        .query(Long.class)
                        .single())
                .isEqualTo(2);
        assertThat(desk.resolve("taken/scan.pdf")).exists();
        assertThat(desk.resolve("taken/2 scan.pdf")).exists();
    }

    @Test
    void halfAFileIsNotTakenWhetherItsWriterHoldsItOrOnlyPauses() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Slow desk"));
        byte[] whole = Papers.pdf("written slowly");
        Path held = desk.resolve("held.pdf");
        Path paused = desk.resolve("paused.pdf");
        Files.write(paused, Arrays.copyOf(whole, whole.length / 2));
        try (OutputStream writer = Files.newOutputStream(held)) {
            writer.write(whole);
            writer.flush();
            TimeUnit.SECONDS.sleep(5);
            assertThat(held).exists();
            assertThat(paused).exists();
        }
        Files.write(paused, whole);
        await().until(() -> !Files.exists(held) && !Files.exists(paused));
        assertThat(names(api, "Slow desk")).containsExactlyInAnyOrder("held.pdf", "paused.pdf");
        assertThat(Files.readAllBytes(desk.resolve("taken/paused.pdf"))).isEqualTo(whole);
    }

    @Test
    void longAndUnreadableNamesAndLinksLoseNothing() throws Exception {
        Api api = practice.administrator();
        Path desk = Files.createDirectories(pickup.resolve("Odd desk"));
        String name = "x".repeat(246) + ".pdf";
        Path good = Files.write(desk.resolve(name), Papers.pdf("a long name"));
        Path bad = Files.write(desk.resolve("y".repeat(246) + ".pdf"), Papers.png());
        Path secret = Files.write(Files.createTempFile("secret", ".pdf"), Papers.pdf("not for anybody"));
        Path link = Files.createSymbolicLink(desk.resolve("link.pdf"), secret);
        new ProcessBuilder(
                        "bash",
                        "-c",
                        "cp \"$1\" \"$0/$(printf 'Befund\\374.pdf')\"",
                        desk.toString(),
                        secret.toString())
                .start()
                .waitFor();
        await().until(() ->
                !Files.exists(good) && !Files.exists(bad) && Files.exists(desk.resolve("set-aside/Befund_.pdf")));
        assertThat(names(api, "Odd desk")).singleElement().asString().endsWith("xxx.pdf");
        try (var aside = Files.list(desk.resolve("set-aside"))) {
            assertThat(aside.map(p -> p.getFileName().toString()).filter(n -> n.endsWith(".note.txt")))
                    .hasSize(2);
        }
        assertThat(link).as("links are not followed").exists();
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
