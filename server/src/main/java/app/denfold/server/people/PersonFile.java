package app.denfold.server.people;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.Subject;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** Everything about one person. One that was merged into another is found by queries of its own only. */
@Entity
@SQLRestriction("merged_into is null")
public class PersonFile {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String number;
    private String kind;
    private String givenName;
    private String familyName;
    private @Nullable LocalDate birthDate;
    private @Nullable String email;
    private @Nullable String team;
    private String searchText;
    private Instant createdAt;

    /** Moves with every paper; says nothing about what is known of the person. */
    @OptimisticLock(excluded = true)
    private Instant lastActivityAt;

    /** The file that stays where this one was merged into it; null for all others. */
    private @Nullable UUID mergedInto;

    /** Family names borne earlier. */
    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> formerNames = List.of();

    /** Other numbers of this person alone, such as an insurance number. */
    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> identifiers = List.of();

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "active_span", joinColumns = @JoinColumn(name = "file_id"))
    @OrderColumn(name = "place")
    private List<ActiveSpan.Kept> activeSpans = new ArrayList<>();

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "fact", joinColumns = @JoinColumn(name = "file_id"))
    @OrderColumn(name = "place")
    private List<Fact> facts = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected PersonFile() {}

    PersonFile(String number, PersonDetails from, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.number = number;
        this.kind = from.kind();
        this.createdAt = now;
        keep(from.activeSpans());
        LocalDate first = activeSpans.isEmpty() ? null : activeSpans.get(0).fromDay();
        from.facts().forEach((name, value) -> facts.add(new Fact(name, value, first, null)));
        describe(from, now);
    }

    private void describe(PersonDetails from, Instant now) {
        this.givenName = from.givenName().strip();
        this.familyName = from.familyName().strip();
        this.birthDate = from.birthDate();
        this.email = from.email() == null || from.email().isBlank()
                ? null
                : from.email().strip();
        this.team = from.team() == null || from.team().isBlank()
                ? null
                : from.team().strip();
        if (from.formerNames() != null) {
            this.formerNames = from.formerNames().stream().map(String::strip).toList();
        }
        if (from.identifiers() != null) {
            this.identifiers = from.identifiers().stream().map(String::strip).toList();
        }
        this.lastActivityAt = now;
        this.searchText = SearchText.of(this);
    }

    /** Takes over what changed; a fact with another value holds from {@code day} on, the older value until the day before. */
    void change(PersonDetails to, LocalDate day, Instant now) {
        describe(to, now);
        if (to.spans() != null) {
            keep(to.activeSpans());
        } else if (to.activeFrom() != null && activeSpans.size() == 1) {
            keep(List.of(new ActiveSpan(to.activeFrom(), activeSpans().get(0).toDay())));
        }
        Map<String, String> before = factsOn(day);
        for (String name : before.keySet()) {
            if (!Objects.equals(before.get(name), to.facts().get(name))) {
                endFact(name, day);
            }
        }
        to.facts().forEach((name, value) -> {
            if (!value.equals(before.get(name))) {
                facts.add(new Fact(name, value, day, null));
            }
        });
    }

    private void endFact(String name, LocalDate day) {
        for (int i = facts.size() - 1; i >= 0; i--) {
            Fact fact = facts.get(i);
            if (fact.name().equals(name) && fact.holdsOn(day)) {
                if (fact.fromDay() != null && !fact.fromDay().isBefore(day)) {
                    facts.remove(i);
                } else {
                    facts.set(i, new Fact(name, fact.value(), fact.fromDay(), day.minusDays(1)));
                }
            }
        }
    }

    /** All that is known of the person. */
    public PersonState state() {
        return new PersonState(
                givenName, familyName, birthDate, email, team, formerNames, identifiers, activeSpans(), facts());
    }

    void become(PersonState state, Instant now) {
        this.givenName = state.givenName();
        this.familyName = state.familyName();
        this.birthDate = state.birthDate();
        this.email = state.email();
        this.team = state.team();
        this.formerNames = state.formerNames();
        this.identifiers = state.identifiers();
        if (!state.activeSpans().equals(activeSpans())) {
            keep(state.activeSpans());
        }
        if (!state.facts().equals(facts())) {
            facts.clear();
            facts.addAll(state.facts());
        }
        this.lastActivityAt = now;
        this.searchText = SearchText.of(this);
    }

    private void keep(List<ActiveSpan> spans) {
        activeSpans.clear();
        spans.forEach(span -> activeSpans.add(ActiveSpan.Kept.of(span)));
    }

    /**
     * Is of another kind from now on; found by the old number too.
     *
     * @param shared names of facts that stay; the others end the day before
     */
    void become(String otherKind, String otherNumber, List<String> shared, LocalDate startsOn, Instant now) {
        List<String> known = new ArrayList<>(identifiers);
        known.add(number);
        this.identifiers = known;
        this.kind = otherKind;
        this.number = otherNumber;
        keep(List.of(new ActiveSpan(startsOn, null)));
        factsOn(startsOn).keySet().stream()
                .filter(name -> !shared.contains(name))
                .forEach(name -> endFact(name, startsOn));
        facts.removeIf(f -> !shared.contains(f.name())
                && f.fromDay() != null
                && !f.fromDay().isBefore(startsOn));
        this.lastActivityAt = now;
        this.searchText = SearchText.of(this);
    }

    /** Facts that named somebody by one number name him by another. */
    void renumber(List<String> names, String before, String after) {
        facts.replaceAll(f -> names.contains(f.name()) && f.value().equals(before)
                ? new Fact(f.name(), after, f.fromDay(), f.toDay())
                : f);
    }

    void mergeInto(@Nullable UUID kept) {
        this.mergedInto = kept;
    }

    void touch(Instant now) {
        this.lastActivityAt = now;
    }

    public UUID id() {
        return id;
    }

    public int version() {
        return version == null ? 0 : version;
    }

    public String number() {
        return number;
    }

    public String kind() {
        return kind;
    }

    public String givenName() {
        return givenName;
    }

    public String familyName() {
        return familyName;
    }

    /** As it heads a file: {@code Tamsin Korhola}. */
    public String name() {
        return (givenName + " " + familyName).strip();
    }

    public List<String> formerNames() {
        return formerNames;
    }

    public List<String> identifiers() {
        return identifiers;
    }

    /** As proposals for a paper see the person. @param others addresses of those who write for him */
    KnownPerson asKnown(List<String> others, Subject subject) {
        List<String> addresses = new ArrayList<>(others);
        if (email != null) {
            addresses.add(email);
        }
        return new KnownPerson(
                id.toString(), number, givenName, familyName, formerNames, birthDate, identifiers, addresses, subject);
    }

    /** As it stands in names of documents: {@code Korhola T}. */
    public String nameInDocuments() {
        return givenName.isEmpty()
                ? familyName
                : familyName + " " + givenName.substring(0, givenName.offsetByCodePoints(0, 1));
    }

    /** All by which a person is looked for, plain; see {@link SearchText}. */
    public String searchText() {
        return searchText;
    }

    public @Nullable LocalDate birthDate() {
        return birthDate;
    }

    public @Nullable String email() {
        return email;
    }

    public @Nullable String team() {
        return team;
    }

    public Instant lastActivityAt() {
        return lastActivityAt;
    }

    public List<ActiveSpan> activeSpans() {
        return activeSpans.stream().map(ActiveSpan.Kept::span).toList();
    }

    public List<Fact> facts() {
        return List.copyOf(facts);
    }

    /** The value of each fact on a day; of two that hold the later listed one. */
    public Map<String, String> factsOn(LocalDate day) {
        Map<String, String> values = new LinkedHashMap<>();
        facts.stream().filter(f -> f.holdsOn(day)).forEach(f -> values.put(f.name(), f.value()));
        return values;
    }

    /** Those values that hold on a day but did not always: what makes a time in his life here. */
    public List<Fact> passingFactsOn(LocalDate day) {
        return facts.stream()
                .filter(f -> f.holdsOn(day))
                .filter(f -> f.toDay() != null
                        || facts.stream().anyMatch(o -> o != f && o.name().equals(f.name())))
                .toList();
    }
}
