package app.denfold.server.catalog;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** A checklist as the practice set it up, with its versions by the days from which they are in force. */
@Entity
@Table(name = "checklist")
public class KeptChecklist {

    @Id
    private String code;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String label;
    private int ordinal;

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "checklist_version", joinColumns = @JoinColumn(name = "checklist_code"))
    @OrderColumn(name = "place")
    private List<ChecklistVersion> versions = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected KeptChecklist() {}

    public KeptChecklist(
            String code, String label, int ordinal, String definition, Map<String, String> requirementLabels) {
        this.code = code;
        this.label = label;
        this.ordinal = ordinal;
        this.versions.add(new ChecklistVersion(null, definition, Map.copyOf(requirementLabels)));
    }

    /** A checklist without any version yet. */
    public KeptChecklist(String code, String label, int ordinal) {
        this.code = code;
        this.label = label;
        this.ordinal = ordinal;
    }

    /** The same, not stored. */
    public KeptChecklist copy() {
        KeptChecklist copy = new KeptChecklist(code, label, ordinal);
        copy.versions.addAll(versions);
        return copy;
    }

    public void rename(String to) {
        this.label = to;
    }

    public void moveTo(int place) {
        this.ordinal = place;
    }

    /**
     * Puts a version in force from its day on; one that began on that day, and all later ones, give way.
     *
     * @return how many gave way
     */
    public int put(ChecklistVersion next) {
        int before = versions.size();
        versions.removeIf(v ->
                next.fromDay() == null || (v.fromDay() != null && !v.fromDay().isBefore(next.fromDay())));
        int gone = before - versions.size();
        versions.add(next);
        return gone;
    }

    /** Puts a version in force on a day and until the next one begins; what begins later stays as it is planned. */
    public void insert(ChecklistVersion now) {
        List<ChecklistVersion> later = versions.stream()
                .filter(v -> v.fromDay() != null && v.fromDay().isAfter(now.fromDay()))
                .toList();
        put(now);
        versions.addAll(later);
    }

    /** The version in force on a day; empty when all begin later. */
    public Optional<ChecklistVersion> inForceOn(LocalDate day) {
        return versions.stream()
                .filter(v -> v.fromDay() == null || !v.fromDay().isAfter(day))
                .reduce((older, newer) -> newer);
    }

    public String code() {
        return code;
    }

    public int version() {
        return version == null ? 0 : version;
    }

    public String label() {
        return label;
    }

    public int ordinal() {
        return ordinal;
    }

    /** Oldest first. */
    public List<ChecklistVersion> versions() {
        return List.copyOf(versions);
    }

    /** The newest version. */
    ChecklistVersion latest() {
        return versions.get(versions.size() - 1);
    }

    /** The last day of a version; null when it is the newest. */
    public @Nullable LocalDate lastDay(int place) {
        return place + 1 < versions.size()
                ? Objects.requireNonNull(versions.get(place + 1).fromDay()).minusDays(1)
                : null;
    }

    /** What requirements are called, those of older versions included; the newest name wins. */
    public Map<String, String> requirementLabels() {
        Map<String, String> labels = new TreeMap<>();
        versions.forEach(v -> labels.putAll(v.requirementLabels()));
        return labels;
    }
}
