package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * One slot of a file through every version of its checklist, as known on one day: on each day the version in force on
 * that day decides. A requirement that a later version no longer holds is not applicable from that version on.
 */
public final class SlotCourse extends StatusOverTime {

    private final List<RequirementDays> versions;

    /** A run of days with one status. */
    public record Stretch(Window window, Status status) {}

    /**
     * @param nextChange the first later day with another status, if nothing new is recorded; null when there is none
     */
    public record Outlook(Status status, RequirementAnswer.@Nullable Change nextChange) {}

    /** @param versions at least one, of the same checklist and requirement, by the days they are in force */
    SlotCourse(List<RequirementDays> versions) {
        this.versions = versions;
    }

    public String checklist() {
        return versions.get(0).checklist();
    }

    public String code() {
        return versions.get(0).requirement().code();
    }

    /** The requirement as it stands on a day; outside all versions that hold it, the nearest of them before or after. */
    public Requirement requirementOn(LocalDate day) {
        return versionOn(DaySet.dayNumber(day)).requirement();
    }

    /** Every version of the requirement, by the days they are in force. */
    List<RequirementDays> versions() {
        return versions;
    }

    private RequirementDays versionOn(int day) {
        if (versions.size() == 1) {
            return versions.get(0);
        }
        RequirementDays nearest = versions.get(0);
        for (RequirementDays version : versions) {
            if (version.inForceFrom() > day) {
                break;
            }
            nearest = version;
        }
        return nearest;
    }

    @Override
    Status statusOn(int day) {
        return versionOn(day).statusOn(day);
    }

    @Override
    int[] changeDays() {
        return versions.size() == 1
                ? versions.get(0).changeDays()
                : versions.stream()
                        .flatMapToInt(
                                v -> IntStream.concat(Arrays.stream(v.changeDays()), IntStream.of(v.inForceFrom())))
                        .filter(day -> day != DaySet.SINCE_EVER)
                        .sorted()
                        .toArray();
    }

    /** Status and next change alone, for whoever asks about very many slots: no evidence is named. */
    public Outlook outlookOn(LocalDate day) {
        int number = DaySet.dayNumber(day);
        Status status = statusOn(number);
        return new Outlook(status, nextChange(number, status));
    }

    /** The whole answer for a day. */
    public RequirementAnswer on(LocalDate day) {
        int number = DaySet.dayNumber(day);
        RequirementAnswer answer = versionOn(number).on(day);
        return versions.size() == 1 ? answer : answer.changing(nextChange(number, answer.status()));
    }

    /**
     * The answer for a day and for each later day on which the status changes, in their order, if nothing new is
     * recorded.
     *
     * @param most how many answers at the most; at least 1
     */
    public List<RequirementAnswer> from(LocalDate day, int most) {
        List<RequirementAnswer> answers = new ArrayList<>();
        RequirementAnswer answer = on(day);
        answers.add(answer);
        while (answer.nextChange() != null && answers.size() < most) {
            answer = on(answer.nextChange().on());
            answers.add(answer);
        }
        return answers;
    }

    /** Why each document of its types does or does not count on a day, in the order of the person's documents. */
    public List<DocumentReason> reasonsOn(LocalDate day) {
        return versionOn(DaySet.dayNumber(day)).reasonsOn(day);
    }
}
