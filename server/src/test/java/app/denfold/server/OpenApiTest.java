package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The web client is built against the kept description of the API; this keeps it true. */
@ServerTest
class OpenApiTest {

    private static final Path KEPT = Path.of("src/main/openapi/denfold.json");

    @Autowired
    TestPractice practice;

    @Test
    void theKeptDescriptionIsWhatTheServerServes() throws Exception {
        JsonMapper mapper =
                JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
        JsonNode served =
                mapper.readTree(practice.administrator().get("/api/openapi").body());
        if (Boolean.getBoolean("denfold.openapi.write")) {
            Files.writeString(KEPT, mapper.writeValueAsString(served) + "\n");
        }
        assertThat(mapper.readTree(Files.readString(KEPT)))
                .as("Run once with -Ddenfold.openapi.write=true after changing the API")
                .isEqualTo(served);
    }
}
