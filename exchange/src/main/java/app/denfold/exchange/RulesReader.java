package app.denfold.exchange;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.DocumentType;
import app.denfold.core.rules.Due;
import app.denfold.core.rules.FactValue;
import app.denfold.core.rules.Periods;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.Validity;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.Period;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Reads document types and checklists. */
final class RulesReader {

    private static final int MOST_DAYS = 100_000;

    private final EvidenceReader evidence;
    private final Sense sense;

    /** @param typeCodes the types that checklists may name */
    RulesReader(Set<String> typeCodes) {
        this(typeCodes, Sense.ANY);
    }

    RulesReader(Set<String> typeCodes, Sense sense) {
        this.evidence = new EvidenceReader(typeCodes, sense);
        this.sense = sense;
    }

    static Map<String, DocumentType> types(Place list) {
        return list.itemsBy("code", RulesReader::type);
    }

    private static DocumentType type(Place at) {
        at.object("code", "validity");
        return new DocumentType(at.at("code").text(), validity(at.at("validity")));
    }

    static Validity validity(Place at) {
        at.object("rule", "anchor", "period", "roundTo", "monthDay", "age");
        Place rule = at.at("rule");
        return switch (rule.text()) {
            case "open" -> only(at, "rule", new Validity.Open());
            case "stated" -> only(at, "rule", new Validity.Stated());
            case "period" -> period(at);
            case "seasonEnd" -> seasonEnd(at.object("rule", "monthDay"));
            case "untilAge" ->
                new Validity.UntilAge(at.object("rule", "age").at("age").wholeNumber(1, 150));
            default -> throw rule.wrong("Unknown validity rule " + rule.text());
        };
    }

    private static Validity only(Place at, String key, Validity validity) {
        at.object(key);
        return validity;
    }

    private static Validity period(Place at) {
        at.object("rule", "anchor", "period", "roundTo");
        return new Validity.ForPeriod(
                anchor(at.at("anchor")), readPeriod(at.at("period")), toEndOfMonth(at.at("roundTo")));
    }

    private static Validity.Anchor anchor(Place at) {
        if (at.isAbsent()) {
            return Validity.Anchor.DOCUMENT_DATE;
        }
        return switch (at.text()) {
            case "documentDate" -> Validity.Anchor.DOCUMENT_DATE;
            case "effectiveDate" -> Validity.Anchor.EFFECTIVE_DATE;
            case "receivedDate" -> Validity.Anchor.RECEIVED_DATE;
            default -> throw at.wrong("Unknown anchor " + at.text());
        };
    }

    private static boolean toEndOfMonth(Place at) {
        if (at.isAbsent()) {
            return false;
        }
        if (!at.text().equals("endOfMonth")) {
            throw at.wrong("Unknown rounding " + at.text());
        }
        return true;
    }

    static Period readPeriod(Place at) {
        Period period = at.checked(() -> Period.parse(at.text()), "A period such as P2Y is expected here");
        return at.checked(() -> Periods.requirePositive(period));
    }

    private static Validity seasonEnd(Place at) {
        Place day = at.at("monthDay");
        return new Validity.SeasonEnd(
                day.checked(() -> MonthDay.parse(day.text()), "A day such as --08-31 is expected here"));
    }

    Collection<Checklist> checklists(Place list) {
        return list.itemsBy("code", this::checklist).values();
    }

    Checklist checklist(Place at) {
        at.object("code", "inForce", "appliesWhen", "requirements");
        return new Checklist(
                at.at("code").text(),
                at.at("inForce").isAbsent()
                        ? Window.always()
                        : window(at.at("inForce").object("from", "to")),
                condition(at.at("appliesWhen")),
                List.copyOf(
                        at.at("requirements").itemsBy("code", this::requirement).values()));
    }

    /** A window with its ends under {@code from} and {@code to}, both optional. */
    static Window window(Place at) {
        LocalDate from = at.at("from").dayOrNull();
        LocalDate to = at.at("to").dayOrNull();
        return at.checked(() -> new Window(from, to));
    }

    private Requirement requirement(Place at) {
        at.object(
                "code", "appliesWhen", "evidence", "signedBy", "due", "leadDays", "graceDays", "needsReview", "level");
        return new Requirement(
                at.at("code").text(),
                condition(at.at("appliesWhen")),
                evidence.read(at.at("evidence")),
                at.at("signedBy").items(Place::text),
                due(at.at("due")),
                days(at.at("leadDays")),
                days(at.at("graceDays")),
                !at.at("needsReview").isAbsent() && at.at("needsReview").yesNo(),
                level(at.at("level")));
    }

    private static int days(Place at) {
        return at.isAbsent() ? 0 : at.wholeNumber(0, MOST_DAYS);
    }

    private static Requirement.Level level(Place at) {
        if (at.isAbsent()) {
            return Requirement.Level.BLOCKING;
        }
        return switch (at.text()) {
            case "blocking" -> Requirement.Level.BLOCKING;
            case "advisory" -> Requirement.Level.ADVISORY;
            default -> throw at.wrong("Unknown level " + at.text());
        };
    }

    private @Nullable Due due(Place at) {
        if (at.isAbsent()) {
            return null;
        }
        at.object("from", "name", "days");
        int days = at.at("days").wholeNumber(-MOST_DAYS, MOST_DAYS);
        Place from = at.at("from");
        return switch (from.text()) {
            case "start" -> new Due.FromStart(daysOnly(at, days));
            case "applies" -> new Due.FromApplies(daysOnly(at, days));
            case "fact" -> new Due.FromFact(dueFact(at.at("name")), days);
            default -> throw from.wrong("A due day cannot be counted from " + from.text());
        };
    }

    private String dueFact(Place at) {
        sense.undatedFact(at.text()).ifPresent(words -> {
            throw at.wrong(words);
        });
        return at.text();
    }

    private static int daysOnly(Place at, int days) {
        at.object("from", "days");
        return days;
    }

    Condition condition(Place at) {
        if (at.isAbsent()) {
            return Condition.always();
        }
        at.object("fact", "is", "isNot", "in", "ageUnder", "ageAtLeast", "all", "any", "not");
        if (at.has("fact")) {
            return factCondition(at.object("fact", "is", "isNot", "in"));
        }
        if (at.has("ageUnder")) {
            return new Condition.AgeUnder(at.object("ageUnder").at("ageUnder").wholeNumber(0, 150));
        }
        if (at.has("ageAtLeast")) {
            return new Condition.AgeAtLeast(
                    at.object("ageAtLeast").at("ageAtLeast").wholeNumber(0, 150));
        }
        if (at.has("all")) {
            return new Condition.All(at.object("all").at("all").items(this::part));
        }
        if (at.has("any")) {
            return new Condition.Any(at.object("any").at("any").items(this::part));
        }
        if (at.has("not")) {
            return new Condition.Not(part(at.object("not").at("not")));
        }
        throw at.wrong("A condition names a fact, an age, all, any or not");
    }

    private Condition part(Place at) {
        if (at.isAbsent()) {
            throw at.wrong("A condition is missing here");
        }
        return condition(at);
    }

    private Condition factCondition(Place at) {
        String fact = at.at("fact").text();
        int comparisons = (at.has("is") ? 1 : 0) + (at.has("isNot") ? 1 : 0) + (at.has("in") ? 1 : 0);
        if (comparisons != 1) {
            throw at.wrong("A fact is compared by exactly one of is, isNot and in");
        }
        if (at.has("is")) {
            return new Condition.Is(fact, compared(fact, at, "is"));
        }
        if (at.has("isNot")) {
            return new Condition.IsNot(fact, compared(fact, at, "isNot"));
        }
        return new Condition.In(fact, at.at("in").items(item -> sensible(fact, at, item)));
    }

    private FactValue compared(String fact, Place at, String key) {
        return sensible(fact, at, at.at(key));
    }

    private FactValue sensible(String fact, Place condition, Place at) {
        FactValue value = value(at);
        sense.unknownFact(fact).ifPresent(words -> {
            throw condition.at("fact").wrong(words);
        });
        sense.impossibleValue(fact, value).ifPresent(words -> {
            throw at.wrong(words);
        });
        return value;
    }

    static FactValue value(Place at) {
        Object scalar = at.scalar();
        if (scalar instanceof Boolean yes) {
            return new FactValue.YesNo(yes);
        }
        return scalar instanceof BigDecimal number ? new FactValue.Number(number) : FactValue.text((String) scalar);
    }
}
