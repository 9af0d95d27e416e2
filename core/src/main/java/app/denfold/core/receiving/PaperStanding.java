package app.denfold.core.receiving;

import app.denfold.core.receiving.PaperFacts.Waiting;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How a paper stands on its way to being filed for good, and whom it waits for.
 *
 * @param waitsFor null when for nobody
 * @param names of those it waits for; empty for anyone of the practice
 * @param since when it waits; of a paper that waits for nobody the day it was complete
 * @param sent how many of those who must have it were sent it
 * @param receivers how many must have it
 * @param checked whether a second person checked it
 * @param wantsCheck whether a second person has still to check it
 */
public record PaperStanding(
        Stage stage,
        @Nullable Side waitsFor,
        List<String> names,
        LocalDate since,
        int sent,
        int receivers,
        boolean checked,
        boolean wantsCheck) {

    /** In the order in which a paper goes through them; it may leave some out. */
    public enum Stage {
        TO_CORRECT,
        /** It lacks signatures, and nobody took it along. */
        UNSIGNED,
        /** It is awaited, or somebody outside has it to sign or to correct. */
        WITH_OTHERS,
        IN_REVIEW,
        /** Nothing is lacking on the paper itself. */
        COMPLETE,
        /** Some, or all, of those who must have it were sent it. */
        SENT,
        /** A second person checked it; it was not sent yet. */
        CHECKED,
        /** Nothing more is to be done about it. */
        FILED
    }

    /** Whom a paper can wait for. */
    public enum Side {
        /** Somebody of the practice. */
        US,
        SIGNER,
        /** Somebody outside who has it, or is to bring it. */
        OTHERS,
        /** Somebody who must have it and does not yet. */
        RECEIVER
    }

    public PaperStanding {
        names = List.copyOf(names);
    }

    /** @return empty for one that was entered in error: it waits for nobody and is not filed */
    public static Optional<PaperStanding> of(PaperFacts facts) {
        return switch (facts.state()) {
            case ENTERED_IN_ERROR -> Optional.empty();
            case AWAITED -> Optional.of(of(Stage.WITH_OTHERS, Side.OTHERS, List.of(), facts.newestSince(), facts));
            case SENT_BACK -> Optional.of(sentBack(facts));
            case UNSIGNED -> Optional.of(unsigned(facts));
            case IN_REVIEW -> Optional.of(of(Stage.IN_REVIEW, Side.US, facts.reviewers(), facts.newestSince(), facts));
            case FILED -> Optional.of(complete(facts));
        };
    }

    private static PaperStanding sentBack(PaperFacts facts) {
        LocalDate since = facts.decidedOn() == null ? facts.newestSince() : facts.decidedOn();
        return of(Stage.TO_CORRECT, facts.fromOutside() ? Side.OTHERS : Side.US, List.of(), since, facts);
    }

    private static PaperStanding unsigned(PaperFacts facts) {
        if (!facts.asked().isEmpty()) {
            return waiting(Stage.UNSIGNED, Side.SIGNER, facts.asked(), facts);
        }
        if (!facts.takenAlong().isEmpty()) {
            return waiting(Stage.WITH_OTHERS, Side.OTHERS, facts.takenAlong(), facts);
        }
        LocalDate signed = facts.signedOn();
        LocalDate since = signed != null && signed.isAfter(facts.newestSince()) ? signed : facts.newestSince();
        return of(Stage.UNSIGNED, Side.US, facts.unsigned(), since, facts);
    }

    private static PaperStanding waiting(Stage stage, Side side, List<Waiting> all, PaperFacts facts) {
        List<Waiting> byDay =
                all.stream().sorted(Comparator.comparing(Waiting::since)).toList();
        return of(
                stage,
                side,
                byDay.stream().map(Waiting::name).distinct().toList(),
                byDay.get(0).since(),
                facts);
    }

    private static PaperStanding complete(PaperFacts facts) {
        List<MustHave> lacking =
                facts.receivers().stream().filter(r -> !r.has()).toList();
        int sent = sent(facts);
        boolean checked = facts.checkedOn() != null;
        boolean toCheck = facts.wantsCheck() && !checked;
        LocalDate complete = facts.completeOn();
        if (lacking.isEmpty() && !toCheck) {
            return of(Stage.FILED, null, List.of(), complete, facts);
        }
        Stage stage = sent > 0 ? Stage.SENT : checked ? Stage.CHECKED : Stage.COMPLETE;
        if (lacking.isEmpty()) {
            LocalDate last = facts.receivers().stream()
                    .flatMap(r -> Optional.ofNullable(r.held()).stream())
                    .map(Held::on)
                    .max(LocalDate::compareTo)
                    .filter(day -> day.isAfter(complete))
                    .orElse(complete);
            return of(stage, Side.US, List.of(), last, facts);
        }
        return of(stage, Side.RECEIVER, names(lacking), since(lacking, complete), facts);
    }

    private static int sent(PaperFacts facts) {
        return (int) facts.receivers().stream().filter(MustHave::isSent).count();
    }

    private static List<String> names(List<MustHave> lacking) {
        List<String> names = new ArrayList<>();
        lacking.forEach(r -> names.add(r.name() == null ? r.label() : r.name()));
        return names;
    }

    /** Who was sent nothing waits since it was complete, who has not opened a link since that was sent. */
    private static LocalDate since(List<MustHave> lacking, LocalDate complete) {
        return lacking.stream()
                .map(r -> r.held() == null ? complete : r.held().on())
                .min(LocalDate::compareTo)
                .orElse(complete);
    }

    private static PaperStanding of(
            Stage stage, @Nullable Side side, List<String> names, LocalDate since, PaperFacts facts) {
        boolean checked = facts.checkedOn() != null;
        return new PaperStanding(
                stage,
                side,
                names,
                since,
                sent(facts),
                facts.receivers().size(),
                checked,
                facts.wantsCheck() && !checked && facts.state().isSettled());
    }

    /**
     * What is lacking of a paper that is complete in itself, as its name says it at its end, such as {@code not sent to insurer}.
     * Whose name would stand there is said by what they are: names of files go far.
     *
     * @return empty when nothing is, or the paper itself lacks something
     */
    public static String lacking(PaperFacts facts) {
        Optional<PaperStanding> standing = of(facts);
        if (!facts.state().isSettled() || standing.isEmpty() || standing.get().stage() == Stage.FILED) {
            return "";
        }
        List<String> labels = facts.receivers().stream()
                .filter(r -> !r.isSent())
                .map(MustHave::label)
                .distinct()
                .toList();
        if (labels.size() > 2) {
            return "not sent to " + labels.size() + " of " + facts.receivers().size();
        }
        if (!labels.isEmpty()) {
            return "not sent to " + String.join(" and ", labels);
        }
        if (standing.get().wantsCheck()) {
            return "to check";
        }
        return "not opened yet";
    }
}
