package app.denfold.core.signing;

import app.denfold.core.signing.SigningTurn.Outcome;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * The order in which the turns of a request are taken: step after step, and within a step side by side. One refusal ends
 * the request for everybody; it is complete when every turn is done.
 */
public final class SigningOrder {

    private final List<SigningTurn> turns;

    /** @throws IllegalArgumentException when there is no turn */
    public SigningOrder(List<SigningTurn> turns) {
        if (turns.isEmpty()) {
            throw new IllegalArgumentException("A request without turns asks nobody");
        }
        this.turns = List.copyOf(turns);
    }

    /** Why a turn cannot be taken. */
    public enum Hindrance {
        /** The request has ended, however. */
        ENDED,
        /** The person has done what was asked. */
        DONE_ALREADY,
        /** Others come first. */
        NOT_YET,
        /** The last day for it is past. */
        PAST_DUE
    }

    /** The step whose turns are open; empty when everything is done. */
    public OptionalInt openStep() {
        return turns.stream()
                .filter(t -> t.outcome() != Outcome.DONE)
                .mapToInt(SigningTurn::step)
                .min();
    }

    /** Positions, from 0, of the turns that can be taken now; none when the request has ended. */
    public List<Integer> whoseTurn() {
        if (state().isEnded()) {
            return List.of();
        }
        int open = openStep().orElseThrow();
        List<Integer> now = new ArrayList<>();
        for (int i = 0; i < turns.size(); i++) {
            if (turns.get(i).step() == open && !turns.get(i).outcome().isOver()) {
                now.add(i);
            }
        }
        return now;
    }

    /** How the request stands by what became of its turns alone; taking back and the due day are not among that. */
    public RequestState state() {
        if (turns.stream().anyMatch(t -> t.outcome() == Outcome.DECLINED)) {
            return RequestState.DECLINED;
        }
        if (turns.stream().anyMatch(t -> t.outcome() == Outcome.SENT_BACK)) {
            return RequestState.SENT_BACK;
        }
        return openStep().isEmpty() ? RequestState.COMPLETE : RequestState.OPEN;
    }

    /**
     * Why a turn cannot be taken on a day.
     *
     * @param turn position from 0
     * @param stands how the request stands, with whatever ended it from outside
     * @param lastDay on which it can be taken; null when the request goes on after its due day, or has none
     * @return empty when it can be taken
     */
    public Optional<Hindrance> hindrance(int turn, RequestState stands, @Nullable LocalDate lastDay, LocalDate today) {
        SigningTurn wanted = turns.get(turn);
        if (wanted.outcome().isOver()) {
            return Optional.of(Hindrance.DONE_ALREADY);
        }
        if (stands.isEnded()) {
            return Optional.of(Hindrance.ENDED);
        }
        if (lastDay != null && today.isAfter(lastDay)) {
            return Optional.of(Hindrance.PAST_DUE);
        }
        return whoseTurn().contains(turn) ? Optional.empty() : Optional.of(Hindrance.NOT_YET);
    }
}
