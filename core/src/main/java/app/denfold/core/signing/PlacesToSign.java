package app.denfold.core.signing;

import app.denfold.core.filing.PlainText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Where on the pages of a paper its signers are to sign and to write the day, by the words that stand there: “signature of
 * guardian”, “place, date”, a row of underscores. Words within a sentence are none of these.
 */
public final class PlacesToSign {

    /** Of a signature, as a part of the page's width and height. */
    public static final double SIGNATURE_WIDTH = 0.28;

    private static final double SIGNATURE_HEIGHT = 0.066;
    private static final double DAY_WIDTH = 0.2;
    private static final double DAY_HEIGHT = 0.022;

    /** So far apart, in parts of the page's width, words of one line belong to different labels. */
    private static final double GAP = 0.035;

    /** Longer ones are sentences. */
    private static final int MOST_WORDS = 7;

    private static final Set<String> SIGNATURE =
            Set.of("signature", "signatures", "signed", "sign", "signatory", "unterschrift", "unterschriften");
    private static final Set<String> DAY = Set.of("date", "dated", "datum");
    private static final Pattern RULE = Pattern.compile("[_.…‗—–-]{4,}");

    private PlacesToSign() {}

    /** A word on a page; parts of its width and height, from the upper left corner. */
    public record Word(String text, double left, double top, double width, double height) {}

    /** What is put there. */
    public enum What {
        SIGNATURE,
        INITIALS,
        DATE,
        NAME,
        TEXT,
        TICK
    }

    /**
     * A field of a form to be filled in.
     *
     * @param what a signature, text or a tick, as the form has it
     * @param page from 1; the rest in parts of the page's width and height, from the upper left corner
     * @param name that it is known by, in words
     */
    public record FormField(What what, int page, double left, double top, double width, double height, String name) {}

    /**
     * A place that is proposed.
     *
     * @param role whose it is
     * @param page from 1
     * @param height null for that of a signature
     * @param words that stand there, or the name of the form's field
     */
    public record Proposed(
            String role,
            What what,
            int page,
            double left,
            double top,
            double width,
            @Nullable Double height,
            String words) {}

    /** Words of one line that belong together. */
    private record Label(List<Word> words) {
        double left() {
            return words.get(0).left();
        }

        double right() {
            Word last = words.get(words.size() - 1);
            return last.left() + last.width();
        }

        double top() {
            return words.stream().mapToDouble(Word::top).min().orElseThrow();
        }

        double bottom() {
            return words.stream().mapToDouble(w -> w.top() + w.height()).max().orElseThrow();
        }

        String text() {
            return String.join(" ", words.stream().map(Word::text).toList());
        }

        boolean isRule() {
            return words.stream().allMatch(w -> RULE.matcher(w.text()).matches());
        }

        boolean isShort() {
            long count = words.stream()
                    .filter(w -> !RULE.matcher(w.text()).matches())
                    .count();
            return count > 0 && count <= MOST_WORDS && !text().endsWith(".");
        }

        boolean names(Set<String> wanted) {
            return PlainText.words(text()).stream().anyMatch(wanted::contains);
        }
    }

    /**
     * @param pages words of each page, in the order of reading
     * @param roles that sign, with what they are called, in their order
     * @return at most one place for the signature and one for the day of each role
     */
    public static List<Proposed> of(List<List<Word>> pages, Map<String, String> roles) {
        Map<String, Proposed> signatures = new LinkedHashMap<>();
        List<Proposed> days = new ArrayList<>();
        List<List<Label>> labels = pages.stream().map(PlacesToSign::labels).toList();
        for (boolean named : List.of(true, false)) {
            // labels stand at the end of a paper more often than at its beginning
            for (int page = pages.size(); page >= 1; page--) {
                signatures(page, labels.get(page - 1), named, roles, signatures);
            }
        }
        for (int page = pages.size(); page >= 1; page--) {
            for (Label label : labels.get(page - 1)) {
                if (label.isShort() && label.names(DAY) && !label.names(SIGNATURE)) {
                    day(page, label, labels.get(page - 1), signatures.values()).ifPresent(days::add);
                }
            }
        }
        List<Proposed> all = new ArrayList<>(signatures.values());
        for (Proposed day : days) {
            if (all.stream().noneMatch(p -> p.what() == What.DATE && p.role().equals(day.role()))) {
                all.add(day);
            }
        }
        return all;
    }

    /** @param named whether those labels are looked at that say whose they are, or the others */
    private static void signatures(
            int page, List<Label> labels, boolean named, Map<String, String> roles, Map<String, Proposed> signatures) {
        for (Label label : labels) {
            if (label.isShort()
                    && label.names(SIGNATURE)
                    && named(label.text(), roles).isPresent() == named) {
                role(label.text(), roles, signatures)
                        .ifPresent(role -> signatures.putIfAbsent(role, signature(role, page, label, labels)));
            }
        }
    }

    /**
     * The fields of a form, each for the role that its name tells of; else signatures in the order of the roles, days for
     * whoever signs nearest, and all else for the first role.
     *
     * @param roles that sign, with what they are called, in their order
     */
    public static List<Proposed> ofForm(List<FormField> fields, Map<String, String> roles) {
        if (roles.isEmpty()) {
            return List.of();
        }
        Map<String, Proposed> signatures = new LinkedHashMap<>();
        // first those that say whose they are, so that nobody else is given theirs
        for (boolean named : List.of(true, false)) {
            for (FormField field : fields) {
                if (field.what() == What.SIGNATURE && named(field.name(), roles).isPresent() == named) {
                    role(field.name(), roles, signatures)
                            .ifPresent(role -> signatures.putIfAbsent(role, signatureIn(field, role)));
                }
            }
        }
        List<Proposed> all = new ArrayList<>(signatures.values());
        for (FormField field : fields) {
            if (field.what() != What.SIGNATURE) {
                What what = what(field);
                String role = named(field.name(), roles)
                        .or(() -> what == What.DATE
                                ? nearest(field.page(), field.left(), field.top(), signatures.values())
                                        .map(Proposed::role)
                                : Optional.empty())
                        .orElse(roles.keySet().iterator().next());
                all.add(new Proposed(
                        role,
                        what,
                        field.page(),
                        field.left(),
                        field.top(),
                        field.width(),
                        field.height(),
                        field.name()));
            }
        }
        return all;
    }

    /** In the field as far as it is wide; its height follows from that. */
    private static Proposed signatureIn(FormField field, String role) {
        double width = Math.max(0.1, Math.min(field.width(), SIGNATURE_WIDTH));
        double bottom = field.top() + field.height();
        return new Proposed(
                role,
                What.SIGNATURE,
                field.page(),
                Math.min(field.left(), 1 - width),
                Math.max(0, bottom - SIGNATURE_HEIGHT * width / SIGNATURE_WIDTH),
                width,
                null,
                field.name());
    }

    private static What what(FormField field) {
        List<String> words = PlainText.words(field.name());
        if (field.what() == What.TEXT) {
            if (words.stream().anyMatch(DAY::contains)) {
                return What.DATE;
            }
            if (words.contains("initials")) {
                return What.INITIALS;
            }
            if (words.equals(List.of("name")) || words.equals(List.of("full", "name"))) {
                return What.NAME;
            }
        }
        return field.what();
    }

    private static List<Label> labels(List<Word> words) {
        List<Label> labels = new ArrayList<>();
        List<Word> current = new ArrayList<>();
        for (Word word : words) {
            if (word.width() <= 0) {
                continue;
            }
            if (!current.isEmpty() && !continues(current.get(current.size() - 1), word)) {
                labels.add(new Label(List.copyOf(current)));
                current.clear();
            }
            current.add(word);
        }
        if (!current.isEmpty()) {
            labels.add(new Label(List.copyOf(current)));
        }
        return labels;
    }

    private static boolean continues(Word before, Word word) {
        boolean sameLine = Math.abs(before.top() + before.height() - word.top() - word.height())
                < 0.6 * Math.max(before.height(), word.height());
        double gap = word.left() - before.left() - before.width();
        return sameLine && gap > -GAP && gap < GAP;
    }

    /** The role that is named, or the next one that has no place yet. */
    private static Optional<String> role(String label, Map<String, String> roles, Map<String, Proposed> placed) {
        return named(label, roles).or(() -> roles.keySet().stream()
                .filter(r -> !placed.containsKey(r))
                .findFirst());
    }

    private static Optional<String> named(String label, Map<String, String> roles) {
        List<String> words = PlainText.words(label);
        return roles.entrySet().stream()
                .filter(role -> words.containsAll(PlainText.words(role.getValue())) || words.contains(role.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** On the rule behind the label or above it, or else above the label, where one signs over what is printed. */
    private static Proposed signature(String role, int page, Label label, List<Label> labels) {
        Label rule = ruleOf(label, labels).orElse(null);
        double left = rule == null ? label.left() : rule.left();
        double bottom = rule == null ? label.top() : rule.bottom();
        return new Proposed(
                role,
                What.SIGNATURE,
                page,
                Math.min(left, 1 - SIGNATURE_WIDTH),
                Math.max(0, bottom - SIGNATURE_HEIGHT),
                SIGNATURE_WIDTH,
                null,
                label.text());
    }

    private static Optional<Label> ruleOf(Label label, List<Label> labels) {
        List<Word> within = label.words().stream()
                .filter(w -> RULE.matcher(w.text()).matches())
                .toList();
        if (!within.isEmpty()) {
            return Optional.of(new Label(within));
        }
        return labels.stream()
                .filter(Label::isRule)
                .filter(r -> isBehind(r, label) || isAbove(r, label))
                .min(Comparator.comparingDouble(
                        r -> Math.abs(r.bottom() - label.bottom()) + Math.abs(r.left() - label.left())));
    }

    private static boolean isBehind(Label rule, Label label) {
        return Math.abs(rule.bottom() - label.bottom()) < 0.015
                && rule.left() >= label.right() - 0.01
                && rule.left() - label.right() < 0.15;
    }

    private static boolean isAbove(Label rule, Label label) {
        return label.top() - rule.bottom() > -0.01
                && label.top() - rule.bottom() < 0.03
                && rule.left() < label.right()
                && rule.right() > label.left();
    }

    /** For whoever signs nearest to it on the page. */
    private static Optional<Proposed> day(int page, Label label, List<Label> labels, Iterable<Proposed> signatures) {
        Proposed nearest = nearest(page, label.left(), label.top(), signatures).orElse(null);
        if (nearest == null) {
            return Optional.empty();
        }
        Label rule = ruleOf(label, labels).orElse(null);
        double left = rule == null ? label.left() : rule.left();
        double bottom = rule == null ? label.top() : rule.bottom();
        return Optional.of(new Proposed(
                nearest.role(),
                What.DATE,
                page,
                Math.min(left, 1 - DAY_WIDTH),
                Math.max(0, bottom - DAY_HEIGHT),
                DAY_WIDTH,
                DAY_HEIGHT,
                label.text()));
    }

    private static Optional<Proposed> nearest(int page, double left, double top, Iterable<Proposed> signatures) {
        Proposed nearest = null;
        double least = 1;
        for (Proposed signature : signatures) {
            double away = Math.abs(signature.top() + SIGNATURE_HEIGHT - top) * 3 + Math.abs(signature.left() - left);
            if (signature.page() == page && away <= least) {
                nearest = signature;
                least = away;
            }
        }
        return Optional.ofNullable(nearest);
    }
}
