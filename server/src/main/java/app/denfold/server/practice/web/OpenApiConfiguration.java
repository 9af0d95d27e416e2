package app.denfold.server.practice.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import jakarta.annotation.Nullable;
import java.lang.annotation.Annotation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/** The API's description: every value is there unless its component is {@link Nullable}, in a stable order. */
@Configuration
class OpenApiConfiguration {

    private static final String OPTIONAL = "x-optional";

    static {
        // rules are described by their own page; here they are any object
        SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, new ObjectSchema().additionalProperties(true));
    }

    @Bean
    OpenAPI description() {
        return new OpenAPI().info(new Info().title("Den Fold").version("1"));
    }

    @Bean
    PropertyCustomizer markNullable() {
        return (property, type) -> {
            Annotation[] annotations = type.getCtxAnnotations();
            if (annotations != null) {
                for (Annotation annotation : annotations) {
                    if (annotation instanceof Nullable) {
                        property.addExtension(OPTIONAL, true);
                    }
                }
            }
            return property;
        };
    }

    @Bean
    OpenApiCustomizer requireTheRest() {
        return api -> {
            api.setServers(null);
            api.getComponents().getSchemas().values().forEach(OpenApiConfiguration::require);
            api.getComponents().setSchemas(new TreeMap<>(api.getComponents().getSchemas()));
        };
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        boolean isKeptBesideItsReader = Boolean.FALSE.equals(schema.getAdditionalProperties());
        if (properties == null || isKeptBesideItsReader) {
            return;
        }
        List<String> required = new ArrayList<>();
        for (Map.Entry<String, Schema> property : properties.entrySet()) {
            Map<String, Object> extensions = property.getValue().getExtensions();
            if (extensions == null || extensions.remove(OPTIONAL) == null) {
                required.add(property.getKey());
            } else if (extensions.isEmpty()) {
                property.getValue().setExtensions(null);
            }
        }
        schema.setRequired(required.isEmpty() ? null : required);
    }
}
