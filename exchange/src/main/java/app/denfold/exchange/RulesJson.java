package app.denfold.exchange;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.Validity;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads single rules from their JSON, as kept in the catalogue and exchanged between practices. */
public final class RulesJson {

    /** JSON Schema of the parts by their names, a resource beside this class; what it describes, the reader takes. */
    public static final String SCHEMA = "rules.schema.json";

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

    /**
     * A condition that stands by itself, such as for whom a part of a letter is.
     *
     * @throws BadInput with the place of the first thing that is wrong
     */
    public static Condition condition(String json, Sense sense) {
        return new RulesReader(Set.of(), sense).condition(Place.root(parse(json)));
    }

    /**
     * Types and checklists as they were written, each by its code.
     *
     * @param types validity rules as JSON
     * @param checklists whole checklists as JSON
     */
    public record Rules(Map<String, String> types, Map<String, String> checklists) {}

    /**
     * Reads {@code {"documentTypes": [...], "checklists": [...]}}; either may be left out.
     *
     * @param knownTypes further types that the checklists may name
     * @throws BadInput with the place of the first thing that is wrong
     */
    public static Rules rules(String json, Set<String> knownTypes, Sense sense) {
        JsonNode root = parse(json);
        Place place = Place.root(root).object("documentTypes", "checklists");
        Set<String> codes = new HashSet<>(knownTypes);
        codes.addAll(RulesReader.types(place.at("documentTypes")).keySet());
        new RulesReader(codes, sense).checklists(place.at("checklists"));
        Map<String, String> types = new LinkedHashMap<>();
        root.path("documentTypes")
                .forEach(t ->
                        types.put(t.get("code").stringValue(), t.get("validity").toString()));
        Map<String, String> lists = new LinkedHashMap<>();
        root.path("checklists").forEach(c -> lists.put(c.get("code").stringValue(), c.toString()));
        return new Rules(types, lists);
    }

    static JsonNode parse(String json) {
        try {
            return MAPPER.readTree(json);
        } catch (JacksonException broken) {
            throw new BadInput("This is not JSON: " + broken.getOriginalMessage(), "");
        }
    }
}
