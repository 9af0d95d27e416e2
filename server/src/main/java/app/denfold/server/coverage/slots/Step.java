package app.denfold.server.coverage.slots;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What a slot becomes on a day if nothing new is recorded. A slot keeps the steps ahead of it, so that a day's changes
 * are made without evaluating anything.
 */
record Step(
        LocalDate on,
        Status status,
        @Nullable LocalDate coveredThrough,
        @Nullable LocalDate due,
        Renewal renewal) {

    /** How many steps a slot keeps; a course that is longer is computed anew when it runs out. */
    static final int MOST_KEPT = 8;

    private static final String MORE_FOLLOW = "+";

    /** The steps kept for a slot, and whether its course goes on after them. */
    record Ahead(List<Step> steps, boolean moreFollow) {

        /** @param answers for today and for each change after it, at most one more than is kept */
        static Ahead of(List<RequirementAnswer> answers) {
            List<Step> steps = new ArrayList<>();
            for (int i = 1; i < Math.min(answers.size(), MOST_KEPT + 1); i++) {
                RequirementAnswer then = answers.get(i);
                LocalDate on =
                        Objects.requireNonNull(answers.get(i - 1).nextChange()).on();
                steps.add(new Step(on, then.status(), then.coveredThrough(), then.due(), then.renewal()));
            }
            boolean more = !answers.isEmpty() && answers.get(answers.size() - 1).nextChange() != null;
            return new Ahead(steps, more);
        }

        static Ahead read(@Nullable String text) {
            List<Step> steps = new ArrayList<>();
            boolean more = text != null && text.endsWith(MORE_FOLLOW);
            String all = text == null ? "" : text;
            String rest = more ? all.substring(0, all.length() - 1) : all;
            for (String step : rest.isEmpty() ? new String[0] : rest.split(";")) {
                steps.add(Step.read(step));
            }
            return new Ahead(steps, more);
        }

        String write() {
            StringBuilder out = new StringBuilder();
            for (Step step : steps) {
                out.append(out.isEmpty() ? "" : ";").append(step.write());
            }
            return moreFollow ? out + MORE_FOLLOW : out.toString();
        }
    }

    private String write() {
        return on.toEpochDay() + "," + status.name() + "," + write(coveredThrough) + "," + write(due) + ","
                + renewal.name();
    }

    private static String write(@Nullable LocalDate day) {
        return day == null ? "" : String.valueOf(day.toEpochDay());
    }

    private static Step read(String text) {
        String[] parts = text.split(",", -1);
        return new Step(
                Objects.requireNonNull(day(parts[0])),
                Status.valueOf(parts[1]),
                day(parts[2]),
                day(parts[3]),
                Renewal.valueOf(parts[4]));
    }

    private static @Nullable LocalDate day(String text) {
        return text.isEmpty() ? null : LocalDate.ofEpochDay(Long.parseLong(text));
    }
}
