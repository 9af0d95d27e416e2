package app.denfold.exchange;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Validity;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads single rules from their JSON, as kept in the catalogue and exchanged between practices. */
public final class RulesJson {

    static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();

    private RulesJson() {}

    /** @throws BadInput with the place of the first thing that is wrong */
    public static Validity validity(String json) {
        return RulesReader.validity(Place.root(parse(json)));
    }

    /**
     * @param typeCodes the document types that the checklist may name
     * @throws BadInput with the place of the first thing that is wrong
     */
    public static Checklist checklist(String json, Set<String> typeCodes) {
        return new RulesReader(typeCodes).checklist(Place.root(parse(json)));
    }

    /**
     * The same, refusing also what nobody can have meant.
     *
     * @throws BadInput with the place of the first thing that is wrong
     */
    public static Checklist checklist(String json, Set<String> typeCodes, Sense sense) {
        return new RulesReader(typeCodes, sense).checklist(Place.root(parse(json)));
    }

    static JsonNode parse(String json) {
        try {
            return MAPPER.readTree(json);
        } catch (JacksonException broken) {
            throw new BadInput("This is not JSON: " + broken.getOriginalMessage(), "");
        }
    }
}
