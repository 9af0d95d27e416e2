package app.denfold.server.signing.requests;

import app.denfold.paper.sealing.SignatureMark;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Objects;
import tools.jackson.databind.json.JsonMapper;

/** Signatures as they come from the page and are kept. */
public final class MarkJson {

    private static final int MOST_POINTS = 20_000;
    private static final JsonMapper MAPPER = new JsonMapper();

    private MarkJson() {}

    /** @param strokes of a pen, each point from 0 to 1 in both directions; @param typed a name; exactly one is given */
    public record GivenMark(
            @Nullable List<List<SignatureMark.Point>> strokes,
            @Nullable String typed) {

        public String method() {
            return typed == null ? "PEN" : "TYPED";
        }

        public SignatureMark.Drawing drawing() {
            return typed == null ? SignatureMark.pen(Objects.requireNonNull(strokes)) : SignatureMark.typed(typed);
        }
    }

    /** @throws Refusal when it is neither or both, empty, or out of its box */
    public static String checked(GivenMark given) {
        List<List<SignatureMark.Point>> strokes = given.strokes() == null ? List.of() : given.strokes();
        String typed = given.typed() == null ? "" : given.typed().strip();
        if (strokes.isEmpty() == typed.isEmpty()) {
            throw Refusal.invalid("signature", "Sign with the pen or type the name, one of the two.");
        }
        if (typed.isEmpty()) {
            checkStrokes(strokes);
        } else if (typed.length() > 120) {
            throw Refusal.invalid("signature", "The typed name is too long.");
        }
        return MAPPER.writeValueAsString(typed.isEmpty() ? given : new GivenMark(null, typed));
    }

    private static void checkStrokes(List<List<SignatureMark.Point>> strokes) {
        long points = strokes.stream().mapToLong(List::size).sum();
        boolean inBox = strokes.stream()
                .flatMap(List::stream)
                .allMatch(p -> p.x() >= 0 && p.x() <= 1 && p.y() >= 0 && p.y() <= 1);
        if (points < 3 || points > MOST_POINTS || !inBox) {
            throw Refusal.invalid("signature", "This is no signature yet: draw it inside the box.");
        }
    }

    public static SignatureMark.Drawing drawing(@Nullable String json) {
        return MAPPER.readValue(json, GivenMark.class).drawing();
    }
}
