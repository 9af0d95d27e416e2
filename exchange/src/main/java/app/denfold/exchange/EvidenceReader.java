package app.denfold.exchange;

import app.denfold.core.rules.Evidence;
import app.denfold.core.rules.Evidence.Leaf;
import app.denfold.core.rules.Evidence.Points;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Reads evidence expressions. */
final class EvidenceReader {

    private static final int MOST = 1_000_000;

    private final Set<String> typeCodes;
    private final Sense sense;

    EvidenceReader(Set<String> typeCodes, Sense sense) {
        this.typeCodes = typeCodes;
        this.sense = sense;
    }

    Evidence read(Place at) {
        at.object("type", "count", "within", "notBefore", "anyOf", "allOf", "points", "of");
        if (at.has("anyOf")) {
            return new Evidence.AnyOf(parts(at.object("anyOf").at("anyOf")));
        }
        if (at.has("allOf")) {
            return new Evidence.AllOf(parts(at.object("allOf").at("allOf")));
        }
        if (at.has("points")) {
            return points(at.object("points", "of"));
        }
        if (at.has("type")) {
            at.object("type", "count", "within", "notBefore");
            return new Evidence.OfType(leaf(at), at.at("count").isAbsent() ? 1 : number(at.at("count")));
        }
        throw at.wrong("Evidence names a type, anyOf, allOf or points");
    }

    private List<Evidence> parts(Place list) {
        List<Evidence> parts = list.items(this::read);
        if (parts.isEmpty()) {
            throw list.wrong("A list of evidence cannot be empty");
        }
        return parts;
    }

    private Evidence points(Place at) {
        List<Points.Entry> entries = at.at("of").items(this::entry);
        if (entries.isEmpty()) {
            throw at.at("of").wrong("A list of evidence cannot be empty");
        }
        Points points = new Points(number(at.at("points")), entries);
        points.most()
                .filter(most -> most < points.points() && !sense.allowsUnreachablePoints())
                .ifPresent(most -> {
                    throw at.at("points")
                            .wrong(points.points() + " points can never be reached: these papers give " + most
                                    + " at the most");
                });
        return points;
    }

    private Points.Entry entry(Place at) {
        at.object("type", "points", "atMost", "within", "notBefore");
        Place cap = at.at("atMost");
        return new Points.Entry(leaf(at), number(at.at("points")), cap.isAbsent() ? null : number(cap));
    }

    private static int number(Place at) {
        return at.wholeNumber(1, MOST);
    }

    private Leaf leaf(Place at) {
        Place type = at.at("type");
        if (!typeCodes.contains(type.text())) {
            throw type.wrong("No document type is called " + type.text());
        }
        Place within = at.at("within");
        return new Leaf(
                type.text(), within.isAbsent() ? null : RulesReader.readPeriod(within), notBefore(at.at("notBefore")));
    }

    private static @Nullable Integer notBefore(Place at) {
        if (at.isAbsent()) {
            return null;
        }
        at.object("from", "days");
        Place from = at.at("from");
        if (!from.text().equals("start")) {
            throw from.wrong("A first day that counts is counted from the start, not from " + from.text());
        }
        return at.at("days").wholeNumber(-100_000, 100_000);
    }
}
