package app.denfold.server.portal;

import app.denfold.core.sharing.Granted;
import app.denfold.core.sharing.Granted.Deed;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What a guest may do in a file.
 *
 * @param inFile in every section
 * @param inSections in single sections, besides
 * @param until the last day on which it holds; null for no end
 */
public record RightsDetails(
        @NotNull Set<@NotNull Deed> inFile,
        @NotNull @Size(max = 100) List<@NotNull @Valid InSection> inSections,
        @Nullable LocalDate until) {

    /** @param section its code */
    public record InSection(
            @NotBlank String section, @NotNull Set<@NotNull Deed> deeds) {}

    public static RightsDetails of(Granted granted) {
        return new RightsDetails(
                granted.inFile(),
                new TreeMap<>(granted.inSections())
                        .entrySet().stream()
                                .map(e -> new InSection(e.getKey(), e.getValue()))
                                .toList(),
                granted.until());
    }

    public Granted granted() {
        return new Granted(
                inFile,
                inSections.stream()
                        .collect(Collectors.toMap(InSection::section, InSection::deeds, (one, other) -> other)),
                until);
    }
}
