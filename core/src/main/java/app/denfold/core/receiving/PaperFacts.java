package app.denfold.core.receiving;

import app.denfold.core.filing.DocumentState;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a paper, as far as it matters for what it lacks. All of it is of its newest version.
 *
 * @param newestSince the day since which the newest version is it
 * @param decidedOn the day of the last decision; null before one
 * @param signedOn the day of the last signature; null before one
 * @param fromOutside whether somebody outside sent it in, through the portal or by mail
 * @param unsigned what those are called who have still to sign
 * @param asked whose signature was asked for, and is their turn
 * @param takenAlong copies with those who have still to sign, to be signed by them
 * @param reviewers with whom it waits for review; empty for anyone
 * @param receivers who must have it; empty where its types say nothing, or came to say it later
 * @param wantsCheck whether a second person checks it
 * @param checkedOn null before that
 */
public record PaperFacts(
        DocumentState state,
        LocalDate newestSince,
        @Nullable LocalDate decidedOn,
        @Nullable LocalDate signedOn,
        boolean fromOutside,
        List<String> unsigned,
        List<Waiting> asked,
        List<Waiting> takenAlong,
        List<String> reviewers,
        List<MustHave> receivers,
        boolean wantsCheck,
        @Nullable LocalDate checkedOn) {

    /** Somebody for whom it waits, and since which day. */
    public record Waiting(String name, LocalDate since) {}

    public PaperFacts {
        unsigned = List.copyOf(unsigned);
        asked = List.copyOf(asked);
        takenAlong = List.copyOf(takenAlong);
        reviewers = List.copyOf(reviewers);
        receivers = List.copyOf(receivers);
    }

    /** The same, of a paper that these must have and, if so, a second person checks. */
    public PaperFacts then(List<MustHave> mustHave, boolean check) {
        return new PaperFacts(
                state,
                newestSince,
                decidedOn,
                signedOn,
                fromOutside,
                unsigned,
                asked,
                takenAlong,
                reviewers,
                mustHave,
                check,
                checkedOn);
    }

    /** The day on which the last thing was done about the paper itself: received, signed or decided on. */
    public LocalDate completeOn() {
        return Stream.of(
                        newestSince,
                        signedOn == null ? newestSince : signedOn,
                        decidedOn == null ? newestSince : decidedOn)
                .max(LocalDate::compareTo)
                .orElse(newestSince);
    }
}
