package app.denfold.server.problems;

import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Refuses texts that cannot be kept: PostgreSQL holds no NUL character, and nobody types one. */
@Configuration
class Texts {

    static final String NUL_WORDS =
            "This text holds a character that stands for nothing (NUL). Remove it and try again.";

    @Bean
    JsonMapperBuilderCustomizer refuseNul() {
        return builder -> builder.addModule(new SimpleModule("texts").addDeserializer(String.class, new WithoutNul()));
    }

    private static final class WithoutNul extends StdScalarDeserializer<String> {

        WithoutNul() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            String text = parser.getValueAsString();
            if (text == null && !parser.currentToken().isScalarValue()) {
                return (String) context.handleUnexpectedToken(String.class, parser);
            }
            if (text != null && text.indexOf(0) >= 0) {
                throw DatabindException.from(parser, NUL_WORDS);
            }
            return text;
        }
    }
}
