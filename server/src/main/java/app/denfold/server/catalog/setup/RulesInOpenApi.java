package app.denfold.server.catalog.setup;

import app.denfold.exchange.RulesJson;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Objects;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The open JSON of checklists and validity rules in the API's description, as it is kept beside its reader. */
@Configuration
class RulesInOpenApi {

    static final String CHECKLIST = "#/components/schemas/ChecklistRule";
    static final String VALIDITY = "#/components/schemas/ValidityRule";

    @Bean
    OpenApiCustomizer describeRules() {
        Map<String, Schema<?>> rules = rules();
        return api -> rules.forEach(api.getComponents()::addSchemas);
    }

    private static Map<String, Schema<?>> rules() {
        ObjectMapper json = Json31.mapper();
        try (InputStream schema = Objects.requireNonNull(RulesJson.class.getResourceAsStream(RulesJson.SCHEMA))) {
            return json.readValue(schema, new TypeReference<>() {});
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
