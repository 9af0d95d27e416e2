package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** The document types and checklists of a practice; checklists of the same code are versions of one. */
public final class RuleBook {

    private final Map<String, DocumentType> types;
    private final List<Checklist> checklists;
    private final List<List<Line>> lines;

    private RuleBook(Map<String, DocumentType> types, List<Checklist> checklists, List<List<Line>> lines) {
        this.types = types;
        this.checklists = checklists;
        this.lines = lines;
    }

    /** A requirement of one version of a checklist, or of several in a row that hold it unchanged. */
    record Line(
            String checklist,
            Requirement requirement,
            List<String> types,
            Condition listCondition,
            DaySet inForce,
            int inForceFrom) {

        boolean continuesIn(Checklist next, Requirement same) {
            Window window = next.inForce();
            return inForce.edgeCount() == 2
                    && window.from() != null
                    && inForce.edge(1) == DaySet.edgeOfFirst(window.from())
                    && listCondition.equals(next.appliesWhen())
                    && requirement.equals(same);
        }

        Line with(Window window) {
            return new Line(
                    checklist, requirement, types, listCondition, inForce.union(DaySet.of(window)), inForceFrom);
        }
    }

    /**
     * @throws IllegalArgumentException when two types, or two requirements of a checklist, have the same code, two checklists of the same code are in force
     *     on the same day, or a requirement names a type that is not among the types
     */
    public static RuleBook of(List<DocumentType> types, List<Checklist> checklists) {
        Map<String, DocumentType> byCode = new HashMap<>();
        for (DocumentType type : types) {
            if (byCode.put(type.code(), type) != null) {
                throw new IllegalArgumentException("Two document types are called " + type.code());
            }
        }
        for (Checklist checklist : checklists) {
            for (Requirement requirement : checklist.requirements()) {
                requirement
                        .evidence()
                        .types()
                        .filter(t -> !byCode.containsKey(t))
                        .findFirst()
                        .ifPresent(unknown -> {
                            throw new IllegalArgumentException("No document type is called " + unknown);
                        });
            }
        }
        return new RuleBook(byCode, List.copyOf(checklists), lines(checklists));
    }

    private static List<List<Line>> lines(List<Checklist> checklists) {
        Map<String, List<Checklist>> versions = new LinkedHashMap<>();
        checklists.forEach(list ->
                versions.computeIfAbsent(list.code(), code -> new ArrayList<>()).add(list));
        List<List<Line>> result = new ArrayList<>();
        for (List<Checklist> ofOne : versions.values()) {
            ofOne.sort(Comparator.comparingInt(
                    list -> DaySet.edgeOfFirst(list.inForce().from())));
            refuseOverlap(ofOne);
            Map<String, List<Line>> byRequirement = new LinkedHashMap<>();
            // the newest version gives the order; what only older ones hold follows
            for (int i = ofOne.size() - 1; i >= 0; i--) {
                ofOne.get(i).requirements().forEach(r -> byRequirement.putIfAbsent(r.code(), new ArrayList<>()));
            }
            for (Checklist list : ofOne) {
                Set<String> codes = new HashSet<>();
                for (Requirement requirement : list.requirements()) {
                    if (!codes.add(requirement.code())) {
                        throw new IllegalArgumentException(
                                "The checklist " + list.code() + " has two requirements called " + requirement.code());
                    }
                    append(Objects.requireNonNull(byRequirement.get(requirement.code())), list, requirement);
                }
            }
            result.addAll(byRequirement.values());
        }
        return result;
    }

    private static void append(List<Line> lines, Checklist list, Requirement requirement) {
        Line last = lines.isEmpty() ? null : lines.get(lines.size() - 1);
        if (last != null && last.continuesIn(list, requirement)) {
            lines.set(lines.size() - 1, last.with(list.inForce()));
        } else {
            Window window = list.inForce();
            lines.add(new Line(
                    list.code(),
                    requirement,
                    List.copyOf(requirement.types()),
                    list.appliesWhen(),
                    DaySet.of(window),
                    DaySet.edgeOfFirst(window.from())));
        }
    }

    private static void refuseOverlap(List<Checklist> versions) {
        for (int i = 1; i < versions.size(); i++) {
            if (versions.get(i).inForce().overlaps(versions.get(i - 1).inForce())) {
                throw new IllegalArgumentException(
                        "Two checklists called " + versions.get(i).code() + " are in force on "
                                + versions.get(i).inForce().from());
            }
        }
    }

    /** The slots that a file can have: for each, its lines in the order of the days they are in force. */
    List<List<Line>> lines() {
        return lines;
    }

    public List<Checklist> checklists() {
        return checklists;
    }

    DocumentType type(String code) {
        DocumentType type = types.get(code);
        if (type == null) {
            throw new IllegalArgumentException("No document type is called " + code);
        }
        return type;
    }

    boolean knows(String typeCode) {
        return types.containsKey(typeCode);
    }
}
