package app.denfold.paper.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.DrawnPages;
import app.denfold.paper.SamplePapers;
import com.google.zxing.BarcodeFormat;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class ReadCommandTest {

    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    Path folder;

    private record Told(int code, List<JsonNode> answers, String errors) {}

    private static Told run(String in, String... arguments) throws IOException {
        return run(in.getBytes(StandardCharsets.UTF_8), arguments);
    }

    private static Told run(byte[] in, String... arguments) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int code = new ReadCommand(
                        new ByteArrayInputStream(in),
                        new PrintStream(out, true, StandardCharsets.UTF_8),
                        new PrintStream(err, true, StandardCharsets.UTF_8))
                .run(List.of(arguments));
        List<JsonNode> answers =
                out.toString(StandardCharsets.UTF_8).lines().map(JSON::readTree).toList();
        return new Told(code, answers, err.toString(StandardCharsets.UTF_8));
    }

    @Test
    void theDaysOfTextsAreToldALineEach() throws IOException {
        Told told = run(
                "\"Issued 5 May 2026.\\nExpires 03/04/2027\"\n\nno string\n\"nothing\"\n",
                "--lines",
                "--order",
                "month");
        assertThat(told.answers()).hasSize(3);
        JsonNode dates = told.answers().get(0).get("dates");
        assertThat(dates.get(0).toString())
                .isEqualTo("{\"day\":\"2026-05-05\",\"role\":\"dated\",\"sure\":true,\"quote\":\"Issued 5 May 2026\"}");
        assertThat(dates.get(1).get("day").asString()).isEqualTo("2027-03-04");
        assertThat(dates.get(1).get("sure").asBoolean()).isTrue();
        assertThat(told.answers().get(2).get("dates").size()).isZero();
        assertThat(told.errors()).contains("line 3: this is no JSON string");
        assertThat(told.code()).isEqualTo(1);
        JsonNode doubtful =
                run("\"Expires 03/04/2027\"", "--lines").answers().get(0).get("dates");
        assertThat(doubtful.get(0).get("sure").asBoolean())
                .as("no order is known")
                .isFalse();
    }

    @Test
    void aPaperIsToldPageByPage() throws Exception {
        Path text = Files.writeString(folder.resolve("note.txt"), "Oakhollin\nValid until 14 March 2027\n");
        Path code = DrawnPages.png(folder, DrawnPages.code(BarcodeFormat.QR_CODE, "O-0147", 0));
        Told told = run("", text.toString(), code.toString());
        assertThat(told.code()).isZero();
        JsonNode note = told.answers().get(0);
        assertThat(note.get("file").asString()).isEqualTo(text.toString());
        assertThat(note.get("format").asString()).isEqualTo("TEXT");
        assertThat(note.get("pages").get(0).get("readable").asBoolean()).isTrue();
        assertThat(note.get("dates").get(0).toString())
                .isEqualTo("{\"day\":\"2027-03-14\",\"role\":\"expires\",\"sure\":true,"
                        + "\"quote\":\"Valid until 14 March 2027\",\"page\":1}");
        assertThat(note.get("set_aside").isNull()).isTrue();
        assertThat(told.answers().get(1).get("pages").get(0).get("codes").toString())
                .isEqualTo("[{\"kind\":\"qr-code\",\"value\":\"O-0147\"}]");
    }

    @Test
    void whatCannotBeReadIsNamedWithItsReasonAndTheOthersAreReadAllTheSame() throws IOException {
        Path locked = SamplePapers.lockedPdf(folder);
        Path whole = SamplePapers.pdf(folder, 1, 0);
        Told told = run("", folder.resolve("gone.pdf").toString(), locked.toString(), whole.toString());
        assertThat(told.code()).isEqualTo(1);
        assertThat(told.errors()).contains("gone.pdf: there is no such file", "locked with a password");
        assertThat(told.answers()).hasSize(2);
        assertThat(told.answers().get(0).get("set_aside").asString()).contains("locked");
        assertThat(told.answers().get(1).get("set_aside").isNull()).isTrue();
        assertThat(run(Files.readAllBytes(whole), "-")
                        .answers()
                        .get(0)
                        .get("file")
                        .asString())
                .isEqualTo("-");
    }

    @Test
    void whoCallsItWronglyIsToldHow() throws IOException {
        assertThat(run("").code()).isEqualTo(2);
        assertThat(run("", "--order", "week", "a.pdf").errors()).contains("The order is day or month, not week");
        assertThat(run("", "--received").errors()).contains("Something is missing after --received");
        assertThat(run("", "--received", "yesterday", "--lines").code()).isEqualTo(2);
        assertThat(run("", "--loud", "a.pdf").errors()).contains("There is no option --loud");
        assertThat(run("", "--lines", "a.pdf").code()).isEqualTo(2);
    }
}
