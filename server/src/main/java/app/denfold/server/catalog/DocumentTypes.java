package app.denfold.server.catalog;

import app.denfold.core.filing.TypeField;
import app.denfold.core.receiving.ReceivingRule;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * The types that one paper carries. The first gives it its name; signed, reviewed and guarded it is as each of them asks.
 *
 * @param all not empty, each once
 */
public record DocumentTypes(List<KeptDocumentType> all) {

    public DocumentTypes {
        all = List.copyOf(all);
    }

    public KeptDocumentType main() {
        return all.get(0);
    }

    /** What they are called, in their order. */
    public List<String> labels() {
        return all.stream().map(KeptDocumentType::label).toList();
    }

    /** What those of these types are called that the paper carries. */
    public String labelAmong(Collection<String> codes) {
        String among = all.stream()
                .filter(t -> codes.contains(t.code()))
                .map(KeptDocumentType::label)
                .collect(Collectors.joining(" and "));
        return among.isEmpty() ? main().label() : among;
    }

    /** Each role once, whichever types ask for it. */
    public List<Signer> signers() {
        Map<String, Signer> byRole = new LinkedHashMap<>();
        all.forEach(t -> t.signers().forEach(s -> byRole.putIfAbsent(s.role(), s)));
        return List.copyOf(byRole.values());
    }

    /** True when any of them asks for it. */
    public boolean needsReview() {
        return all.stream().anyMatch(KeptDocumentType::needsReview);
    }

    /** With whom it waits for review: the accounts its types name; empty when that is anyone. */
    public Set<UUID> reviewers() {
        return all.stream()
                .filter(KeptDocumentType::needsReview)
                .map(KeptDocumentType::reviewer)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }

    /** What is to be done about the paper, complete on a day: what any of them asks. */
    public ReceivingRule receiving(LocalDate completeOn) {
        return ReceivingRule.together(
                all.stream().map(KeptDocumentType::receiving).toList(), completeOn);
    }

    public List<String> codes() {
        return all.stream().map(KeptDocumentType::code).toList();
    }

    /** Names of the fields of all of them, each once. */
    public List<String> fieldNames() {
        return all.stream()
                .flatMap(t -> t.fields().stream())
                .map(TypeField::name)
                .distinct()
                .toList();
    }

    /** True when any of them has a field of this name. */
    public boolean hasField(String name) {
        return fieldNames().contains(name);
    }
}
