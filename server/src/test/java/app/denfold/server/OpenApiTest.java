package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Parameter;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The web client is built against the kept description of the API; this keeps it true. */
@ServerTest
class OpenApiTest {

    private static final Path KEPT = Path.of("src/main/openapi/denfold.json");

    @Autowired
    TestPractice practice;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

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

    /** Two of one name would be one in the description, and the client would take one for the other. */
    @Test
    void noTwoShapesOfTheApiBearOneName() {
        Map<String, Set<String>> byName = new TreeMap<>();
        Set<Type> seen = new HashSet<>();
        mappings.getHandlerMethods().forEach((mapping, handler) -> {
            collect(handler.getMethod().getGenericReturnType(), seen, byName);
            for (Parameter parameter : handler.getMethod().getParameters()) {
                if (parameter.isAnnotationPresent(RequestBody.class)) {
                    collect(parameter.getParameterizedType(), seen, byName);
                }
            }
        });
        byName.values().removeIf(types -> types.size() < 2);
        assertThat(byName).isEmpty();
    }

    private static void collect(Type type, Set<Type> seen, Map<String, Set<String>> byName) {
        if (!seen.add(type)) {
            return;
        }
        if (type instanceof ParameterizedType generic) {
            Arrays.stream(generic.getActualTypeArguments()).forEach(t -> collect(t, seen, byName));
        }
        if (type instanceof Class<?> shape && shape.getName().startsWith("app.denfold")) {
            if (shape.isRecord()) {
                byName.computeIfAbsent(shape.getSimpleName(), n -> new TreeSet<>())
                        .add(shape.getName());
                for (RecordComponent component : shape.getRecordComponents()) {
                    collect(component.getGenericType(), seen, byName);
                }
            }
        }
    }
}
