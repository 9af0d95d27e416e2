package app.denfold.server.documents;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * Where a paper goes and what it says.
 *
 * @param furtherTypes codes of what else the paper is
 * @param fields values of the types' fields by their names
 * @param signedOnPaper all signatures that are seen on the paper itself; null to leave what is known of them
 * @param reviewer the account that is to review it instead of those its types name; null for these
 */
public record FilingDetails(
        @NotNull(message = "is needed: choose whose paper it is")
        UUID fileId,

        @NotBlank(message = "is needed: choose what the paper is")
        String type,

        @Nullable List<String> furtherTypes,

        @NotNull(message = "is needed: the date the paper bears")
        LocalDate documentDate,

        @Nullable LocalDate effectiveDate,
        @Nullable LocalDate statedExpiry,
        @Nullable Map<String, String> fields,
        @Nullable List<@Valid SignedOnPaper> signedOnPaper,
        @Nullable UUID reviewer) {

    /** Empty when it is of one type only. */
    @Override
    public List<String> furtherTypes() {
        return furtherTypes == null ? List.of() : furtherTypes;
    }

    /** Empty when none is known. */
    @Override
    public Map<String, String> fields() {
        return fields == null ? Map.of() : fields;
    }

    private static final int LONGEST = 200;

    public FilingDetails {
        String first = type;
        furtherTypes = furtherTypes == null
                ? List.of()
                : furtherTypes.stream().filter(t -> !t.equals(first)).distinct().toList();
        fields = fields == null ? Map.of() : tidy(fields);
        signedOnPaper = signedOnPaper == null ? null : List.copyOf(signedOnPaper);
    }

    /** Of one type, without values of fields. */
    public FilingDetails(
            UUID fileId,
            String type,
            LocalDate documentDate,
            @Nullable LocalDate effectiveDate,
            @Nullable LocalDate statedExpiry) {
        this(fileId, type, List.of(), documentDate, effectiveDate, statedExpiry, Map.of(), null, null);
    }

    /** All that the paper is, the type that names it first. */
    public List<String> types() {
        List<String> all = new ArrayList<>(furtherTypes());
        all.add(0, type);
        return List.copyOf(all);
    }

    /** The same of another paper, on which no signature was seen. */
    public FilingDetails withoutSignatures() {
        return new FilingDetails(
                fileId, type, furtherTypes, documentDate, effectiveDate, statedExpiry, fields, List.of(), reviewer);
    }

    private static Map<String, String> tidy(Map<String, String> fields) {
        Map<String, String> result = new LinkedHashMap<>();
        fields.forEach((name, value) -> {
            if (value != null && !value.isBlank()) {
                String line = value.replaceAll("\\s+", " ").strip();
                result.put(name, line.substring(0, Math.min(LONGEST, line.length())));
            }
        });
        return Collections.unmodifiableMap(result);
    }

    /** A signature that somebody saw on the paper itself. @param role one of those the paper's types ask for */
    public record SignedOnPaper(
            @NotBlank String role,

            @NotBlank(message = "is needed: who signed?") @Size(max = 120)
            String signer,

            @NotNull(message = "is needed: the day beside the signature")
            LocalDate signedOn) {}
}
