package app.denfold.server.demo.chasing;

import app.denfold.core.notices.NoticeWords;
import app.denfold.core.notices.Occasion;
import app.denfold.core.people.RelationKind;
import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.Outbox.NoticeAnswer;
import app.denfold.server.chasing.answers.KeepMailAnswers;
import app.denfold.server.chasing.planned.MorningRun;
import app.denfold.server.chasing.plans.PlanDetails;
import app.denfold.server.chasing.plans.PlanScope;
import app.denfold.server.chasing.plans.PlanStepDetails;
import app.denfold.server.chasing.plans.PlanStepDetails.WhoKind;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.chasing.plans.SendingDays;
import app.denfold.server.chasing.plans.SendingDetails;
import app.denfold.server.chasing.plans.SendingDetails.Holiday;
import app.denfold.server.chasing.plans.WordsOfNotices;
import app.denfold.server.practice.PracticeCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Makes the demo practice's plans and lets them tell people for the first time; one mail comes back, one is answered. */
@Component
public class DemoChasing {

    private final Plans plans;
    private final WordsOfNotices words;
    private final SendingDays days;
    private final MorningRun morning;
    private final Outbox outbox;
    private final MailAnswers mails;
    private final KeepMailAnswers answers;
    private final PracticeCalendar calendar;

    DemoChasing(
            Plans plans,
            WordsOfNotices words,
            SendingDays days,
            MorningRun morning,
            Outbox outbox,
            MailAnswers mails,
            KeepMailAnswers answers,
            PracticeCalendar calendar) {
        this.plans = plans;
        this.words = words;
        this.days = days;
        this.morning = morning;
        this.outbox = outbox;
        this.mails = mails;
        this.answers = answers;
        this.calendar = calendar;
    }

    public void load(Viewer by, LocalDate today) {
        UUID usual = words.add(
                by,
                "Please send us",
                Map.of(
                        "en",
                        new NoticeWords(
                                "{paper}: please send it to us",
                                "for the file of {full name} ({number}) we still need:\n\n{what is open}\n\n"
                                        + "Answer this mail with a photo or a scan, use our portal, or bring the papers"
                                        + " by.\n\n{link}"),
                        "de",
                        new NoticeWords(
                                "{paper}: bitte senden Sie uns das Dokument",
                                "für die Akte von {full name} ({number}) fehlt uns noch:\n\n{what is open}\n\n"
                                        + "Antworten Sie auf diese Mail mit einem Foto oder Scan, nutzen Sie unser Portal,"
                                        + " oder bringen Sie die Unterlagen vorbei.\n\n{link}")));
        UUID broker = words.add(
                by,
                "To the broker",
                Map.of(
                        "en",
                        new NoticeWords(
                                "Renewal for {full name}",
                                "cover of {full name} ends on {until}:\n\n{what is open}\n\n"
                                        + "Please send us the new policy in time.")));
        UUID manager = words.add(
                by,
                "To the supervisor",
                Map.of(
                        "en",
                        new NoticeWords(
                                "{full name}: a paper ran out",
                                "one of {given name}’s papers ran out and was not renewed:\n\n{what is open}\n\n"
                                        + "Please talk to {given name} about it.")));
        holidays(by, today);
        plan(
                by,
                "Staff papers",
                scope("employees"),
                today,
                step(Occasion.LAPSE, -30, PERSON, usual),
                step(Occasion.LAPSE, -7, PERSON, usual),
                step(Occasion.LAPSE, 3, told(WhoKind.SUPERVISOR), manager),
                step(Occasion.LAPSE, 14, told(WhoKind.TASK), null),
                step(Occasion.SENT_BACK, 2, PERSON, usual));
        plan(
                by,
                "Patients and their guardians",
                scope("patients"),
                today,
                step(Occasion.LAPSE, -21, PERSON, usual),
                again(Occasion.DUE, 7, 14, 3, usual),
                step(Occasion.LAPSE, 2, PERSON, usual));
        plan(
                by,
                "Students",
                scope("students"),
                today,
                step(Occasion.LAPSE, -14, PERSON, usual),
                again(Occasion.DUE, 5, 10, 3, usual));
        plan(
                by,
                "Insurance of the yard",
                new PlanScope(
                        List.of("practice"),
                        null,
                        List.of(),
                        List.of("public-liability", "building-insurance", "vehicle-insurance"),
                        null),
                today,
                step(
                        Occasion.LAPSE,
                        -20,
                        new PlanStepDetails.Told(
                                WhoKind.OUTSIDE, null, null, "Lorcan Brake", "lorcan.brake@hallam.example"),
                        broker));
        morning.run();
        whatCameOfIt(by);
    }

    private void holidays(Viewer by, LocalDate today) {
        int year = today.getYear();
        days.change(
                by,
                0,
                new SendingDetails(
                        List.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY),
                        List.of(
                                new Holiday(LocalDate.of(year, 12, 25), "Christmas Day"),
                                new Holiday(LocalDate.of(year, 12, 26), "Boxing Day"),
                                new Holiday(LocalDate.of(year + 1, 1, 1), "New Year’s Day")),
                        LocalTime.of(7, 0),
                        LocalTime.of(21, 0),
                        6));
    }

    private static final PlanStepDetails.Told PERSON = told(WhoKind.PERSON);

    private static PlanStepDetails.Told told(WhoKind kind) {
        return new PlanStepDetails.Told(kind, (RelationKind) null, null, null, null);
    }

    private static PlanScope scope(String checklist) {
        return new PlanScope(List.of(), checklist, List.of(), List.of(), null);
    }

    private static PlanStepDetails step(Occasion occasion, int days, PlanStepDetails.Told who, @Nullable UUID words) {
        return new PlanStepDetails(null, occasion, days, 0, 1, who, words);
    }

    private static PlanStepDetails again(Occasion occasion, int days, int every, int times, UUID words) {
        return new PlanStepDetails(null, occasion, days, every, times, PERSON, words);
    }

    private void plan(Viewer by, String name, PlanScope scope, LocalDate today, PlanStepDetails... steps) {
        plans.add(by, new PlanDetails(name, scope, List.of(steps), today.minusDays(60), false, false));
    }

    private void whatCameOfIt(Viewer by) {
        List<NoticeAnswer> told = outbox.chasing(by, calendar.now().plusSeconds(1), 10);
        if (told.size() > 2) {
            NoticeAnswer gone = told.get(0);
            mails.cameBack(number(gone), gone.recipient(), "550 5.1.1 no mailbox of this name");
            NoticeAnswer answered = told.get(1);
            mails.answered(List.of(number(answered)))
                    .ifPresent(a -> answers.keep(
                            a,
                            answered.recipient(),
                            "demo " + answered.id(),
                            "Thank you for the reminder. I have asked for the new one; it comes on Friday."));
        }
    }

    private static String number(NoticeAnswer notice) {
        return "<" + notice.id() + "@oakhollin.example>";
    }
}
