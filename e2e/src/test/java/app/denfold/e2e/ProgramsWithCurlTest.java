package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** Every request of the help page about programs does what the page says, sent with curl as it stands there. */
class ProgramsWithCurlTest {

    private static final Path PAGE = Path.of("../web/src/features/help/programs.md");
    private static final Pattern BLOCK = Pattern.compile("```sh\\n(.*?)```", Pattern.DOTALL);
    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    Path folder;

    /** What a command printed. */
    private record Printed(int status, String output, String errors) {}

    @Test
    void everyRequestOfThePageIsAnswered() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition()) {
            server.start();
            HttpSession ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            Files.write(folder.resolve("paper.pdf"), Papers.pdf("A letter that a program brings"));
            String key = key(ottilie, List.of("COVERAGE", "ARRIVALS", "PEOPLE"));
            List<String> asked = new ArrayList<>();
            Matcher block = BLOCK.matcher(Files.readString(PAGE));
            while (block.find()) {
                Printed printed = run(block.group(1), server.address(), key);
                assertThat(printed.status).as(block.group(1) + printed.errors).isZero();
                assertThat(printed.output).as(block.group(1)).isNotBlank();
                asked.add(printed.output);
            }
            assertThat(asked).hasSize(7);
            assertThat(asked).anyMatch(a -> a.contains("\"familyName\":\"Aldersbrook\""));
            assertThat(ottilie.get("/api/files/found?text=Aldersbrook")).contains("Wim Aldersbrook");
            assertThat(ottilie.get("/api/arrivals")).contains("paper.pdf");

            Printed head = run(
                    "curl -sS -D - -o /dev/null \"$DENFOLD/api/board/counts\" -H \"Authorization: Bearer $KEY\"",
                    server.address(),
                    key);
            assertThat(head.output).contains(" 200").doesNotContainIgnoringCase("set-cookie: session");
            Printed refused = run(
                    "curl -sS \"$DENFOLD/api/board\" -H \"Authorization: Bearer $KEY\"",
                    server.address(),
                    key(ottilie, List.of("ARRIVALS")));
            assertThat(JsonPath.<Integer>read(refused.output, "$.status")).isEqualTo(403);
        }
    }

    private static String key(HttpSession administrator, List<String> scopes) throws IOException, InterruptedException {
        String wanted = JSON.writeValueAsString(
                Map.of("name", "Payroll of " + scopes, "scopes", scopes, "seesSensitive", false));
        return JsonPath.read(administrator.post("/api/set-up/keys", wanted).body(), "$.key");
    }

    private Printed run(String commands, String address, String key) throws IOException, InterruptedException {
        Path output = folder.resolve("printed");
        Path errors = folder.resolve("errors");
        ProcessBuilder shell = new ProcessBuilder("bash", "-euc", commands)
                .directory(folder.toFile())
                .redirectOutput(output.toFile())
                .redirectError(errors.toFile());
        shell.environment().putAll(Map.of("DENFOLD", address, "KEY", key, "no_proxy", "*"));
        Process process = shell.start();
        process.getOutputStream().close();
        assertThat(process.waitFor(10, TimeUnit.MINUTES)).isTrue();
        return new Printed(
                process.exitValue(),
                Files.readString(output, StandardCharsets.UTF_8),
                Files.readString(errors, StandardCharsets.UTF_8));
    }
}
