package app.denfold.core.filing;

import app.denfold.core.dates.DayOrder;
import app.denfold.core.dates.PageDates;
import app.denfold.core.dates.PaperDate;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The days on a paper as filing asks for them: what each is, and which to propose for what. */
public final class FoundDates {

    /** What a day on a paper is. */
    public enum Role {
        DOCUMENT,
        EFFECTIVE,
        EXPIRY,
        BIRTH,
        /** Something else that is told, such as when a bill is due. */
        OTHER,
        UNTOLD
    }

    /** Which number of 03/04/2026 is the day. */
    public enum Order {
        DAY_FIRST,
        MONTH_FIRST
    }

    /**
     * @param written as it stands in the text
     * @param quote the same with the words that tell what it is, where they stand before it on its line
     * @param otherWay the day with day and month the other way round; null where that is no other day
     * @param word that tells what it is; null where none does
     * @param doubtful whether day and month could be the other way round
     * @param sure whether both the day and what it is are told beyond doubt
     * @param computed whether it follows from a period told on the paper
     */
    public record Found(
            LocalDate day,
            Role role,
            String written,
            String quote,
            @Nullable LocalDate otherWay,
            @Nullable String word,
            boolean doubtful,
            boolean sure,
            boolean computed) {

        /** Whether the words before it say that it is the day of a signature. */
        public boolean isSigning() {
            return word != null && SIGNING.matcher(word).find();
        }
    }

    private static final Pattern SIGNING = Pattern.compile("sign|unterschr|unterzeich", Pattern.CASE_INSENSITIVE);

    private FoundDates() {}

    /**
     * Every day in the text, in the order of the text; what cannot be a day is left out.
     *
     * @param order in which the practice writes days; null when that is not known
     */
    public static List<Found> in(String text, @Nullable Order order) {
        DayOrder meant = order == null ? null : order == Order.DAY_FIRST ? DayOrder.DAY_FIRST : DayOrder.MONTH_FIRST;
        return PageDates.in(text, meant, null).stream().map(FoundDates::found).toList();
    }

    private static Found found(PaperDate date) {
        return new Found(
                date.day(),
                role(date),
                date.written(),
                date.quote(),
                date.otherWay(),
                date.label(),
                date.doubtful(),
                date.sure(),
                date.computed());
    }

    private static Role role(PaperDate date) {
        return switch (date.role()) {
            case DATED -> date.told() ? Role.DOCUMENT : Role.UNTOLD;
            case EFFECTIVE -> Role.EFFECTIVE;
            case EXPIRES -> Role.EXPIRY;
            case BIRTH -> Role.BIRTH;
            case DUE, PRINTED -> Role.OTHER;
            case OTHER -> date.told() ? Role.OTHER : Role.UNTOLD;
        };
    }

    /**
     * Proposals for one of the days that filing asks for.
     *
     * @param received no document is dated later
     */
    public static List<Proposal<LocalDate>> propose(List<Found> found, Role role, LocalDate received) {
        List<Proposal<LocalDate>> proposals = new ArrayList<>();
        for (Found day : found) {
            double confidence = confidence(day, role, received, found);
            if (confidence > 0 && proposals.stream().noneMatch(p -> p.value().equals(day.day()))) {
                boolean halves = day.doubtful() || (day.role() == role && !day.sure());
                proposals.add(new Proposal<>(day.day(), halves ? confidence / 2 : confidence, reason(day), false));
            }
        }
        proposals.sort(Comparator.comparingDouble((Proposal<LocalDate> p) -> p.confidence())
                .reversed());
        if (!proposals.isEmpty() && proposals.get(0).confidence() >= 0.4) {
            proposals.set(0, proposals.get(0).preselect(true));
        }
        return proposals;
    }

    private static double confidence(Found day, Role role, LocalDate received, List<Found> all) {
        if (role == Role.DOCUMENT && day.day().isAfter(received)) {
            return 0;
        }
        if (day.role() == role) {
            return role == Role.DOCUMENT && isLate(day, all) ? 0.8 : 0.92;
        }
        // what is told to be something else is never the day a paper is dated
        boolean mayBeDated = role == Role.DOCUMENT && day.role() == Role.UNTOLD;
        if (!mayBeDated || day.day().isBefore(received.minusYears(12))) {
            return 0;
        }
        long untold = all.stream().filter(f -> f.role() == Role.UNTOLD).count();
        return untold == 1 ? 0.75 : 0.55;
    }

    private static boolean isLate(Found day, List<Found> all) {
        return all.stream()
                .filter(f -> f.role() == Role.DOCUMENT)
                .findFirst()
                .filter(f -> f != day)
                .isPresent();
    }

    private static String reason(Found day) {
        String words = "“" + day.quote() + "” on the paper";
        if (day.computed()) {
            return "worked out from " + words;
        }
        return day.doubtful() ? words + "; day and month could be the other way round" : words;
    }
}
