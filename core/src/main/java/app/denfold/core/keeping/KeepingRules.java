package app.denfold.core.keeping;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;

/**
 * For how long files are kept. Files of a kind without a rule are kept without end, whatever papers are in them.
 *
 * @param monthsByKind calendar months after the person's last day, by code of the kind; not negative
 * @param monthsByType the same for each file in which a paper of this type is, by code of the type; it can only make a
 *     file stay longer than its kind asks
 */
public record KeepingRules(Map<String, Integer> monthsByKind, Map<String, Integer> monthsByType) {

    public KeepingRules {
        monthsByKind = Map.copyOf(monthsByKind);
        monthsByType = Map.copyOf(monthsByType);
        if (monthsByKind.values().stream().anyMatch(m -> m < 0)
                || monthsByType.values().stream().anyMatch(m -> m < 0)) {
            throw new IllegalArgumentException("Nothing is kept for less than no time");
        }
    }

    /**
     * Until when a file is kept.
     *
     * @param day the last day on which it is; from the next on it may be destroyed
     * @param type code of the type whose rule decides; empty when that of the kind does
     */
    public record KeptUntil(LocalDate day, Optional<String> type) {

        public boolean isOverOn(LocalDate today) {
            return today.isAfter(day);
        }
    }

    /**
     * The longest of the periods that concern a file. A month after the 31st ends with the last day of a shorter month.
     *
     * @param lastDay on which anything was asked of the person, inclusive
     * @param types codes of the papers in the file, also of those in the wastebasket
     * @return empty when the file is kept without end
     */
    public Optional<KeptUntil> until(String kind, LocalDate lastDay, Collection<String> types) {
        Integer ofKind = monthsByKind.get(kind);
        if (ofKind == null) {
            return Optional.empty();
        }
        KeptUntil longest = new KeptUntil(lastDay.plusMonths(ofKind), Optional.empty());
        for (String type : types.stream().sorted().toList()) {
            Integer ofType = monthsByType.get(type);
            if (ofType != null && lastDay.plusMonths(ofType).isAfter(longest.day())) {
                longest = new KeptUntil(lastDay.plusMonths(ofType), Optional.of(type));
            }
        }
        return Optional.of(longest);
    }
}
