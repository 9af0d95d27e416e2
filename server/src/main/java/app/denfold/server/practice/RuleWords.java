package app.denfold.server.practice;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/** Statuses in answers: the words of the open format, such as {@code on-file}, for the API and its description alike. */
@Configuration
class RuleWords {

    static {
        describe(Status.class, Status::code);
        describe(Renewal.class, Renewal::code);
    }

    private static <E extends Enum<E>> void describe(Class<E> type, Function<E, String> word) {
        List<String> words =
                Arrays.stream(type.getEnumConstants()).map(word).sorted().toList();
        SpringDocUtils.getConfig().replaceWithSchema(type, new StringSchema()._enum(words));
    }

    @Bean
    JsonMapperBuilderCustomizer statusesAsWords() {
        return builder -> builder.addModule(new SimpleModule("rule words")
                .addSerializer(Status.class, new AsWord<>(Status::code))
                .addKeySerializer(Status.class, new AsName<>(Status::code))
                .addSerializer(Renewal.class, new AsWord<>(Renewal::code)));
    }

    private static final class AsWord<T> extends ValueSerializer<T> {
        private final Function<T, String> word;

        AsWord(Function<T, String> word) {
            this.word = word;
        }

        @Override
        public void serialize(T value, JsonGenerator json, SerializationContext context) {
            json.writeString(word.apply(value));
        }
    }

    /** The same as the name of a property. */
    private static final class AsName<T> extends ValueSerializer<T> {
        private final Function<T, String> word;

        AsName(Function<T, String> word) {
            this.word = word;
        }

        @Override
        public void serialize(T value, JsonGenerator json, SerializationContext context) {
            json.writeName(word.apply(value));
        }
    }
}
