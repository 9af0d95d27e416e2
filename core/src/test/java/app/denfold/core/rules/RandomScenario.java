package app.denfold.core.rules;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Evidence.Leaf;
import app.denfold.core.rules.Evidence.Points;
import app.denfold.core.rules.Validity.Anchor;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Supplier;

/** Small random worlds, the same for the same seed; every event falls within about 60 days. */
final class RandomScenario {

    static final LocalDate FIRST = LocalDate.of(2028, 2, 10);
    static final int SPAN = 40;
    private static final List<String> TYPES = List.of("a", "b", "c", "d", "e");

    private final Random random;

    RandomScenario(long seed) {
        random = new Random(seed);
    }

    RuleBook book() {
        List<DocumentType> types = new ArrayList<>();
        for (String code : TYPES) {
            types.add(new DocumentType(code, validity()));
        }
        List<Requirement> requirements = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            requirements.add(requirement("r" + i));
        }
        return RuleBook.of(
                types,
                List.of(new Checklist("list", maybe(0.3) ? window() : Window.always(), condition(1), requirements)));
    }

    Person person() {
        List<Window> spans = new ArrayList<>();
        if (maybe(0.3)) {
            spans.add(Window.always());
        } else {
            LocalDate first = day();
            LocalDate last = first.plusDays(random.nextInt(15));
            spans.add(Window.closed(first, last));
            if (maybe(0.7)) {
                spans.add(Window.from(last.plusDays(1 + random.nextInt(8))));
            }
        }
        List<Document> documents = new ArrayList<>();
        int count = random.nextInt(7);
        for (int i = 0; i < count; i++) {
            documents.add(document("d" + i));
        }
        List<Person.Waiver> waivers =
                maybe(0.3) ? List.of(new Person.Waiver("list", "r" + random.nextInt(3), window(), day())) : List.of();
        return new Person(
                maybe(0.5) ? "employee" : "client",
                maybe(0.8) ? FIRST.minusYears(18).plusDays(random.nextInt(SPAN)) : null,
                spans,
                listOf(random.nextInt(4), this::fact),
                waivers,
                documents);
    }

    LocalDate day() {
        return FIRST.plusDays(random.nextInt(SPAN));
    }

    private boolean maybe(double chance) {
        return random.nextDouble() < chance;
    }

    private Window window() {
        LocalDate from = day();
        return maybe(0.3) ? Window.from(from) : Window.closed(from, from.plusDays(random.nextInt(15)));
    }

    private Validity validity() {
        return switch (random.nextInt(6)) {
            case 0 -> new Validity.Open();
            case 1 -> new Validity.Stated();
            case 2 -> new Validity.SeasonEnd(maybe(0.5) ? MonthDay.of(2, 29) : MonthDay.of(3, 5));
            case 3 -> new Validity.UntilAge(18);
            default ->
                new Validity.ForPeriod(
                        Anchor.values()[random.nextInt(3)],
                        maybe(0.5) ? Period.ofDays(1 + random.nextInt(20)) : Period.ofMonths(1),
                        maybe(0.2));
        };
    }

    private Requirement requirement(String code) {
        Due due =
                switch (random.nextInt(4)) {
                    case 0 -> new Due.FromStart(random.nextInt(12));
                    case 1 -> new Due.FromApplies(random.nextInt(12));
                    case 2 -> new Due.FromFact("when", random.nextInt(12) - 4);
                    default -> null;
                };
        return new Requirement(
                code,
                condition(2),
                evidence(2),
                maybe(0.3) ? List.of("x", "y").subList(0, 1 + random.nextInt(2)) : List.of(),
                due,
                random.nextInt(8),
                random.nextInt(6),
                maybe(0.5),
                maybe(0.8) ? Requirement.Level.BLOCKING : Requirement.Level.ADVISORY);
    }

    private Leaf leaf() {
        return new Leaf(
                pick(TYPES),
                maybe(0.2) ? Period.ofDays(1 + random.nextInt(15)) : null,
                maybe(0.3) ? random.nextInt(20) - 15 : null);
    }

    private Evidence evidence(int depth) {
        int choice = depth == 0 ? 0 : random.nextInt(6);
        return switch (choice) {
            case 1 -> new Evidence.AnyOf(listOf(1 + random.nextInt(2), () -> evidence(depth - 1)));
            case 2 -> new Evidence.AllOf(listOf(1 + random.nextInt(2), () -> evidence(depth - 1)));
            case 3 ->
                new Points(
                        50 + random.nextInt(60),
                        listOf(
                                1 + random.nextInt(3),
                                () -> new Points.Entry(
                                        leaf(), 20 + random.nextInt(50), maybe(0.5) ? 1 + random.nextInt(2) : null)));
            default -> new Evidence.OfType(leaf(), maybe(0.8) ? 1 : 2);
        };
    }

    private Condition condition(int depth) {
        return switch (depth == 0 ? random.nextInt(5) : random.nextInt(12)) {
            case 0 -> new Condition.Is("role", value());
            case 1 -> new Condition.IsNot("role", value());
            case 2 -> new Condition.In("role", List.of(value(), value()));
            case 3 -> new Condition.AgeUnder(18);
            case 4 -> new Condition.AgeAtLeast(18);
            case 5 -> new Condition.Any(listOf(random.nextInt(3), () -> condition(depth - 1)));
            case 6 -> new Condition.All(listOf(random.nextInt(3), () -> condition(depth - 1)));
            case 7 -> new Condition.Not(condition(depth - 1));
            case 8 -> Condition.kindIs("employee");
            default -> Condition.always();
        };
    }

    private FactValue value() {
        return FactValue.text(maybe(0.5) ? "groom" : "coach");
    }

    private Person.Fact fact() {
        return maybe(0.3)
                ? new Person.Fact("when", FactValue.text(maybe(0.9) ? day().toString() : "soon"), window())
                : new Person.Fact("role", value(), window());
    }

    private Document document(String id) {
        LocalDate dated = day();
        LocalDate received = dated.plusDays(random.nextInt(6));
        List<Document.Signature> signatures = listOf(
                random.nextInt(3),
                () -> new Document.Signature(maybe(0.5) ? "x" : "y", received.plusDays(random.nextInt(10))));
        return new Document(
                id,
                pick(TYPES),
                dated,
                maybe(0.2) ? dated.plusDays(random.nextInt(10) - 3) : null,
                maybe(0.4) ? dated.plusDays(random.nextInt(25) - 2) : null,
                received,
                maybe(0.4) ? received.plusDays(random.nextInt(5)) : null,
                maybe(0.2) ? received.plusDays(random.nextInt(5)) : null,
                maybe(0.1) ? received.plusDays(random.nextInt(9)) : null,
                signatures);
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }

    private static <T> List<T> listOf(int count, Supplier<T> maker) {
        List<T> list = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            list.add(maker.get());
        }
        return list;
    }
}
