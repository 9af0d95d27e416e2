package app.denfold.server;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** Requests that an address understands, made from the API's description; every id in them is the same. */
final class Requests {

    private static final int DEEPEST = 6;

    private final JsonNode description;

    Requests(JsonNode description) {
        this.description = description;
    }

    /** The address with all that it needs. */
    String path(String pattern, HttpMethod method, UUID id) {
        String path = pattern;
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation(pattern, method).path("parameters")) {
            String name = parameter.path("name").asString();
            Object value = value(parameter.path("schema"), id, 0);
            if (parameter.path("in").asString().equals("path")) {
                path = path.replace("{" + name + "}", String.valueOf(value));
            } else if (parameter.path("required").asBoolean()) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(name)
                        .append('=')
                        .append(plain(value));
            }
        }
        return path.replaceAll("\\{[A-Za-z]+}", id.toString()) + query;
    }

    private static Object plain(Object value) {
        return value instanceof List<?> list ? list.get(0) : value;
    }

    /** What is sent; null when nothing is. */
    Object body(String pattern, HttpMethod method, UUID id) {
        JsonNode schema = bodySchema(pattern, method);
        return schema.isMissingNode() ? null : value(schema, id, 0);
    }

    /** Whether something of this name is sent. */
    boolean names(String pattern, HttpMethod method, String name) {
        JsonNode schema = bodySchema(pattern, method);
        return !schema.isMissingNode()
                && String.valueOf(value(schema, new UUID(0, 1), 0)).contains(name + "=");
    }

    private JsonNode bodySchema(String pattern, HttpMethod method) {
        return operation(pattern, method)
                .path("requestBody")
                .path("content")
                .path("application/json")
                .path("schema");
    }

    private JsonNode operation(String pattern, HttpMethod method) {
        return description.path("paths").path(pattern).path(method.name().toLowerCase(Locale.ROOT));
    }

    private Object value(JsonNode schema, UUID id, int depth) {
        if (schema.has("$ref")) {
            String name = schema.path("$ref").asString().replaceFirst(".*/", "");
            return value(description.path("components").path("schemas").path(name), id, depth);
        }
        for (String any : List.of("oneOf", "anyOf", "allOf")) {
            if (schema.has(any)) {
                return value(schema.path(any).path(0), id, depth);
            }
        }
        if (schema.has("enum")) {
            return schema.path("enum").path(0).asString();
        }
        if (schema.has("const")) {
            return schema.path("const").asString();
        }
        JsonNode type = schema.path("type");
        return switch (type.isArray() ? type.path(0).asString() : type.asString()) {
            case "integer", "number" -> 1;
            case "boolean" -> true;
            case "array" -> depth > DEEPEST ? List.of() : List.of(value(schema.path("items"), id, depth + 1));
            case "object" -> object(schema, id, depth);
            default -> text(schema.path("format").asString(""), id);
        };
    }

    private static String text(String format, UUID id) {
        return switch (format) {
            case "uuid" -> id.toString();
            case "date" -> "2026-05-04";
            case "date-time" -> "2026-05-04T10:00:00Z";
            case "email" -> "a@post.example";
            default -> "x";
        };
    }

    private Map<String, Object> object(JsonNode schema, UUID id, int depth) {
        Map<String, Object> all = new LinkedHashMap<>();
        if (depth < DEEPEST) {
            for (var field : schema.path("properties").properties()) {
                all.put(field.getKey(), value(field.getValue(), id, depth + 1));
            }
        }
        return all;
    }
}
