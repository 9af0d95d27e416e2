package app.denfold.core.dates;

import app.denfold.core.dates.Durations.Duration;
import app.denfold.core.dates.Labels.Label;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads the days on a page: what day it is, what it is for, and whether both are sure. Words and role are read together: the
 * label before a day on its line, the heading of its column, the label on the line above, or words behind it.
 */
public final class PageDates {

    /** Papers are not older than that; what is told without words is no day of the paper then. */
    private static final int MOST_YEARS = 12;

    /** A label stands so near, in characters. */
    private static final int NEAR = 90;

    private static final Pattern END_OF_SENTENCE = Pattern.compile("[.!?;]\\s+(?=\\p{Lu})|\\n\\s*\\n");

    private static final Pattern END_OF = Pattern.compile(
            "(?:(?:the )?end of(?: the month of)?|ende(?: des monats)?|(?:la )?fin (?:de |d['’])?|(?:la )?fine (?:di )?|(?:finales|final|fin) de)\\s*$",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private static final Pattern TO = Pattern.compile(
            "^\\s*(?:-|–|—|to|until|till|through|up to|bis(?: zum)?|au|al|(?:hasta|fino)(?: el| al)?)\\s*:?\\s*(?:the )?$",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    /** Words of what holds for a while. */
    private static final Pattern HOLDING = Pattern.compile(
            "valid\\w*|cover\\w*|period|term|contract|polic\\w*|licen[cs]e|gültig\\w*|laufzeit|zeitraum|dauer|validité|durée|période|validità|periodo|"
                    + "durata|validez|vigencia|período",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private static final Pattern BEHIND = Pattern.compile(
            "^[\\s,]*(?:\\(\\s*(?<in>[^)]{2,40})\\)|(?:is|was|ist|est|è|es)\\s+(?:the |its |das |la |il |el )?(?<is>[\\p{L} ]{3,40}))",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    /** The place a letter was written at, before its day. */
    private static final Pattern PLACE = Pattern.compile(
            "^\\s*\\p{Lu}[\\p{L}.'’ -]{1,40},?\\s*(?:,|on|am|den|le|lì|il|a|el)\\s*(?:the |den |le )?$",
            Pattern.UNICODE_CHARACTER_CLASS);

    private final String text;
    private final Columns columns;
    private final @Nullable DayOrder order;
    private final @Nullable LocalDate received;

    /** Behind the day before; what is said there is said of that one. */
    private int behindLast;

    private PageDates(String text, @Nullable DayOrder order, @Nullable LocalDate received) {
        this.text = text;
        this.columns = new Columns(text);
        this.order = order;
        this.received = received;
    }

    /**
     * @param text of one page
     * @param order in which the practice writes days; null when that is not known
     * @param received when the paper came; nothing it says of itself is later. Null when that is not known
     * @return in the order of the text; what cannot be a day is left out
     */
    public static List<PaperDate> in(String text, @Nullable DayOrder order, @Nullable LocalDate received) {
        return new PageDates(text, order, received).read();
    }

    private List<PaperDate> read() {
        List<Mention> mentions = Notations.in(text);
        DayOrder meant = order(mentions);
        List<PaperDate> found = new ArrayList<>();
        int before = 0;
        DateRole last = null;
        for (int i = 0; i < mentions.size(); i++) {
            Mention mention = mentions.get(i);
            boolean isBeginning = i + 1 < mentions.size()
                    && TO.matcher(text.substring(
                                    mention.end(), mentions.get(i + 1).start()))
                            .matches();
            Optional<PaperDate> read = read(mention, before, last, meant, isBeginning);
            if (read.isPresent()) {
                found.add(read.get());
                last = read.get().role();
                before = mention.end();
            }
        }
        addComputed(found);
        return checked(found);
    }

    /** What other days on the page tell, or else the practice; null when neither does. */
    private @Nullable DayOrder order(List<Mention> mentions) {
        boolean dayFirst = mentions.stream().anyMatch(m -> m.isOnly(DayOrder.DAY_FIRST));
        boolean monthFirst = mentions.stream().anyMatch(m -> m.isOnly(DayOrder.MONTH_FIRST));
        if (dayFirst != monthFirst) {
            return dayFirst ? DayOrder.DAY_FIRST : DayOrder.MONTH_FIRST;
        }
        return order;
    }

    /** @param from where the words begin that tell it on the same line before the day; negative where they stand elsewhere */
    private record Told(DateRole role, @Nullable String label, boolean isSure, boolean isTold, int from) {

        Told(DateRole role, @Nullable String label, boolean isSure, boolean isTold) {
            this(role, label, isSure, isTold, -1);
        }
    }

    private Optional<PaperDate> read(
            Mention mention, int before, @Nullable DateRole last, @Nullable DayOrder meant, boolean isBeginning) {
        Told told = told(mention, before, last);
        if (isBeginning) {
            told = beginning(told, mention);
        }
        if (mention.isWeak() && !told.isTold()) {
            return Optional.empty();
        }
        boolean isEnd = END_OF.matcher(text.substring(Math.max(0, mention.start() - 30), mention.start()))
                .find();
        LocalDate day;
        if (mention.month() != null) {
            day = isEnd || told.role() == DateRole.EXPIRES || told.role() == DateRole.DUE
                    ? mention.month().atEndOfMonth()
                    : mention.month().atDay(1);
        } else {
            day = mention.in(meant == null ? DayOrder.DAY_FIRST : meant);
        }
        if (day == null) {
            return Optional.empty();
        }
        boolean isDoubtful = mention.isAmbiguous() && meant == null;
        boolean isWhole = mention.month() == null
                || isEnd
                || told.role() == DateRole.EXPIRES
                || told.role() == DateRole.EFFECTIVE;
        return Optional.of(new PaperDate(
                day,
                told.role(),
                told.isSure() && !isDoubtful && isWhole,
                told.isTold(),
                text.substring(told.from() < 0 ? mention.start() : told.from(), mention.end())
                        .strip(),
                text.substring(mention.start(), mention.end()).strip(),
                mention.otherThan(day),
                told.label(),
                told.from() < 0 ? mention.start() : told.from(),
                isDoubtful,
                false));
    }

    private Told told(Mention mention, int before, @Nullable DateRole last) {
        behindLast = before;
        int line = columns.startOfLine(mention.start());
        int from = Math.max(Math.max(line, before), mention.start() - NEAR);
        String lead = text.substring(from, mention.start());
        if (before > 0
                && before >= line
                && last != null
                && TO.matcher(text.substring(before, mention.start())).matches()) {
            return range(last, text.substring(before, mention.start()).strip());
        }
        List<Label> beside = Labels.in(text, afterSentence(from, mention.start()), mention.start());
        Optional<Label> strong = Labels.last(beside.stream()
                .filter(l -> !l.isWeak() && (l.role() != DateRole.OTHER || adjoins(l, mention)))
                .toList());
        if (strong.isPresent()) {
            return told(strong.get(), lead, mention);
        }
        Optional<Label> behind = behind(mention.end());
        if (behind.isPresent()) {
            return told(behind.get(), "");
        }
        Optional<Columns.Heading> heading = columns.heading(mention.start());
        if (heading.isPresent()) {
            return heading.get().label().map(l -> told(l, "")).orElse(new Told(DateRole.OTHER, null, false, false));
        }
        Optional<Label> weak = Labels.last(beside.stream()
                .filter(Label::isWeak)
                .filter(l -> adjoins(l, mention))
                .toList());
        if (weak.isPresent()) {
            return told(weak.get(), lead, mention);
        }
        Optional<Label> any = Labels.last(beside);
        if (any.isPresent()) {
            return unsure(told(any.get(), lead, mention));
        }
        Optional<Label> above = columns.above(mention.start());
        if (above.isPresent()) {
            return told(above.get(), "");
        }
        Optional<Label> wrapped = wrapped(line, before, mention.start());
        return wrapped.map(label -> told(label, lead)).orElseGet(() -> untold(mention, lead));
    }

    /** Of the first of two days with a “to” between them: what holds between them begins with it. */
    private Told beginning(Told told, Mention mention) {
        if (told.isTold() && told.role() != DateRole.EXPIRES) {
            return told;
        }
        int line = columns.startOfLine(mention.start());
        Matcher holding = HOLDING.matcher(text).region(Math.max(line, mention.start() - NEAR), mention.start());
        return holding.find()
                ? new Told(DateRole.EFFECTIVE, holding.group(), true, true)
                : new Told(DateRole.EFFECTIVE, told.label(), false, told.isTold());
    }

    /** Whether no word stands between a label and the day behind it. */
    private boolean adjoins(Label label, Mention mention) {
        return text.substring(label.end(), mention.start()).chars().noneMatch(Character::isLetter);
    }

    private static Told unsure(Told told) {
        return new Told(told.role(), told.label(), false, told.isTold(), told.from());
    }

    /** Where the last sentence within a part begins. */
    private int afterSentence(int from, int to) {
        Matcher end = END_OF_SENTENCE.matcher(text).region(from, to);
        int after = from;
        while (end.find()) {
            after = end.end();
        }
        return after;
    }

    /** A sentence that runs on from the line above. */
    private Optional<Label> wrapped(int line, int before, int at) {
        if (line < 2) {
            return Optional.empty();
        }
        int from = Math.max(Math.max(before, columns.startOfLine(line - 2)), at - NEAR);
        int to = line - 1;
        if (from >= to) {
            return Optional.empty();
        }
        List<Label> labels = Labels.in(text, afterSentence(from, to), to);
        return Labels.last(labels).filter(l -> text.substring(l.end(), at).length() <= NEAR / 2);
    }

    private Optional<Label> behind(int end) {
        Matcher m = BEHIND.matcher(text).region(end, Math.min(columns.endOfLine(end), end + NEAR));
        if (!m.find()) {
            return Optional.empty();
        }
        int start = m.group("in") != null ? m.start("in") : m.start("is");
        int stop = m.group("in") != null ? m.end("in") : m.end("is");
        return Labels.in(text, start, stop).stream().filter(l -> !l.isWeak()).findFirst();
    }

    private static Told range(DateRole first, String word) {
        return switch (first) {
            case EFFECTIVE, DATED -> new Told(DateRole.EXPIRES, word, first == DateRole.EFFECTIVE, true);
            case OTHER -> new Told(DateRole.OTHER, word, false, true);
            default -> new Told(first, word, false, true);
        };
    }

    private Told told(Label label, String lead) {
        return told(label, lead, null);
    }

    /** @param mention that it stands before on the line; null where it stands otherwise */
    private Told told(Label label, String lead, @Nullable Mention mention) {
        String words = text.substring(label.start(), label.end()).strip();
        int from = Math.min(
                label.start(), Math.max(behindLast, afterSentence(Math.max(0, label.start() - NEAR), label.start())));
        String before = text.substring(from, label.start()) + lead;
        boolean isOfThis = label.role() == DateRole.EXPIRES
                || label.role() == DateRole.DATED
                || label.role() == DateRole.EFFECTIVE;
        if (isOfThis && Labels.tellsOfFormer(before)) {
            return new Told(DateRole.OTHER, words, label.isKnown(), true);
        }
        String gap = mention == null ? "" : text.substring(label.end(), mention.start());
        boolean isOnLine = mention != null && !gap.contains("\n");
        DateRole role = label.role();
        if (role == DateRole.EXPIRES && label.isWeak() && mention != null && Labels.ask(sentence(mention))) {
            role = DateRole.DUE;
        }
        // words that tell little are sure where they stand alone
        boolean stands = text.substring(columns.startOfCell(label.start()), label.start())
                .isBlank();
        boolean isSure = label.isKnown() && gap.length() <= NEAR / 2 && (!label.isWeak() || stands);
        return new Told(role, words, isSure, true, isOnLine ? label.start() : -1);
    }

    /** The sentence around a day. */
    private String sentence(Mention mention) {
        int from = afterSentence(Math.max(0, mention.start() - 2 * NEAR), mention.start());
        Matcher end = END_OF_SENTENCE.matcher(text).region(mention.end(), text.length());
        return text.substring(from, end.find() ? end.start() : Math.min(text.length(), mention.end() + NEAR));
    }

    /** Of a day that no words tell of, what such days mostly are: the day of the paper, if it can be. */
    private Told untold(Mention mention, String lead) {
        LocalDate day = mention.month() != null ? mention.month().atDay(1) : mention.in(DayOrder.DAY_FIRST);
        boolean isAtPlace = PLACE.matcher(lead).matches()
                && text.substring(mention.end(), columns.endOfLine(mention.end()))
                        .isBlank();
        boolean mayBe = day != null
                && (received == null || !day.isAfter(received) && !day.isBefore(received.minusYears(MOST_YEARS)));
        if (isAtPlace && mayBe) {
            return new Told(DateRole.DATED, lead.strip(), true, true);
        }
        return new Told(
                mayBe && !Labels.tellsOfFormer(sentence(mention)) ? DateRole.DATED : DateRole.OTHER,
                null,
                false,
                false);
    }

    /** Adds the last days that follow from periods told on the page. */
    private void addComputed(List<PaperDate> found) {
        for (Duration duration : Durations.in(text)) {
            Optional<PaperDate> anchor = anchor(duration, found);
            if (anchor.isPresent()) {
                LocalDate end = duration.after(anchor.get().day());
                boolean isTold = found.stream().anyMatch(f -> f.role() == DateRole.EXPIRES && !f.computed());
                if (!isTold) {
                    String quote =
                            text.substring(duration.start(), duration.end()).strip();
                    found.add(new PaperDate(
                            end,
                            DateRole.EXPIRES,
                            anchor.get().sure(),
                            true,
                            quote,
                            quote,
                            null,
                            null,
                            duration.start(),
                            false,
                            true));
                }
            }
        }
        found.sort(Comparator.comparingInt(PaperDate::at));
    }

    /** The day a period is counted from: the one it names, or the nearest of its sentence, or the only one there is. */
    private Optional<PaperDate> anchor(Duration duration, List<PaperDate> found) {
        if (duration.from().isPresent()) {
            Optional<PaperDate> named = found.stream()
                    .filter(f -> f.role() == duration.from().get() && !f.computed())
                    .findFirst();
            if (named.isPresent()) {
                return named;
            }
        }
        int from = afterSentence(0, duration.start());
        Matcher end = END_OF_SENTENCE.matcher(text).region(duration.end(), text.length());
        int to = end.find() ? end.start() : text.length();
        List<PaperDate> usable = found.stream()
                .filter(f -> f.role() == DateRole.DATED || f.role() == DateRole.EFFECTIVE)
                .filter(f -> !f.computed())
                .toList();
        Optional<PaperDate> near = usable.stream()
                .filter(f -> f.at() >= from && f.at() < to)
                .min(Comparator.comparingInt(f -> Math.abs(f.at() - duration.start())));
        if (duration.ofSentence()) {
            return near.filter(f -> f.role() == DateRole.EFFECTIVE);
        }
        if (near.isPresent()) {
            return near;
        }
        Optional<PaperDate> start =
                usable.stream().filter(f -> f.role() == DateRole.EFFECTIVE).findFirst();
        if (start.isPresent() || !usable.isEmpty()) {
            return start.or(() -> usable.stream().findFirst());
        }
        // of a test or course that is the only day told, it may well be meant
        return found.size() == 1 && found.get(0).role() == DateRole.OTHER
                ? Optional.of(found.get(0).doubted())
                : Optional.empty();
    }

    /** What cannot all be true is not sure: nothing ends before it begins, is born later, or was written after it came. */
    private List<PaperDate> checked(List<PaperDate> found) {
        LocalDate first = found.stream()
                .filter(f -> f.role() == DateRole.EFFECTIVE || f.role() == DateRole.DATED)
                .filter(PaperDate::told)
                .map(PaperDate::day)
                .min(Comparator.naturalOrder())
                .orElse(null);
        return found.stream().map(f -> isPossible(f, first) ? f : f.doubted()).toList();
    }

    private boolean isPossible(PaperDate date, @Nullable LocalDate first) {
        return switch (date.role()) {
            case EXPIRES -> first == null || !date.day().isBefore(first);
            case DATED, PRINTED, BIRTH -> received == null || !date.day().isAfter(received);
            default -> true;
        };
    }
}
