package app.denfold.core.notices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.core.notices.NoticeDay.LeftOut;
import app.denfold.core.notices.NoticeDay.Reason;
import app.denfold.core.people.RelationKind;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class NoticePlannerTest {

    private static final LocalDate ENDS = LocalDate.parse("2026-06-30");
    private static final Who PERSON = new Who.ThePerson();
    private static final Who BROKER = new Who.Outside("Lorcan Brake", "broker@hallam.example");
    private static final SendingRules ANY_DAY = new SendingRules(Set.of(), Set.of(), 0);
    private static final SendingRules WEEKDAYS =
            new SendingRules(Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY), Set.of(LocalDate.parse("2026-06-29")), 0);

    private final NoticeHistory history = new NoticeHistory();

    private static LocalDate day(String day) {
        return LocalDate.parse(day);
    }

    private static PlanStep step(String id, Occasion occasion, int days, Who who) {
        return new PlanStep(id, occasion, days, 0, 1, who, "usual");
    }

    private static Plan plan(PlanStep... steps) {
        return new Plan(
                "p1",
                "Staff papers",
                new Plan.Scope(Set.of(), null, Set.of(), Set.of(), null),
                List.of(steps),
                day("2026-01-01"),
                false);
    }

    /** A certificate that runs out, with a week of grace. */
    private static Watched certificate(String file) {
        return watched(
                file,
                "first-aid",
                false,
                new Stand(null, Status.ON_FILE, ENDS, null, Renewal.NONE),
                new Stand(ENDS.minusDays(45), Status.EXPIRING, ENDS, null, Renewal.NONE),
                new Stand(ENDS.plusDays(1), Status.IN_GRACE, ENDS, null, Renewal.NONE),
                new Stand(ENDS.plusDays(8), Status.LAPSED, ENDS, null, Renewal.NONE));
    }

    private static Watched watched(String file, String code, boolean sensitive, Stand... stands) {
        return new Watched(
                file,
                "employee",
                Watched.Thing.slot("staff", code),
                code,
                Set.of(code),
                sensitive,
                true,
                List.of(stands));
    }

    /** Each file has a person of its own; Edie's and Otto's guardian is the same. */
    private static List<Recipient> addresses(Who who, Watched watched) {
        String file = watched.file();
        if (who instanceof Who.Task task) {
            return List.of(new Recipient(
                    "task:" + task.account(), null, "Today", "Today", Recipient.Closeness.COLLEAGUE, "en"));
        }
        if (who instanceof Who.Outside outside) {
            return List.of(new Recipient(
                    "outside:" + outside.address(),
                    outside.address(),
                    outside.name(),
                    outside.name(),
                    Recipient.Closeness.OUTSIDER,
                    "en"));
        }
        if (who instanceof Who.Related) {
            return List.of();
        }
        boolean isChild = file.equals("edie") || file.equals("otto");
        String address = file.equals("silent") ? null : isChild ? "Ruth@post.example" : file + "@post.example";
        String name = isChild ? "Ruth Penhallow" : file;
        return List.of(new Recipient("person", address, name, name, Recipient.Closeness.OWN, "en"));
    }

    private static NoticePlanner planner(SendingRules rules, Plan... plans) {
        return new NoticePlanner(List.of(plans), rules, NoticePlannerTest::addresses);
    }

    /** The days on which mails go out, each with the steps that are told. */
    private List<String> sent(NoticePlanner planner, String from, String to, Watched... watched) {
        List<String> sent = new ArrayList<>();
        planner.ahead(day(from), day(to), List.of(watched), history).forEach(d -> {
            d.mails().forEach(m -> m.tellings()
                    .forEach(t -> sent.add(d.day() + " " + m.mailbox() + " "
                            + t.step().id() + " " + t.watched().label())));
            d.tasks().forEach(t -> sent.add(d.day() + " task " + t.step().id()));
        });
        return sent;
    }

    @Test
    void eachStepIsToldOnItsDayBeforeAndAfterTheLapse() {
        NoticePlanner planner = planner(
                ANY_DAY,
                plan(
                        step("month", Occasion.LAPSE, -30, PERSON),
                        step("last", Occasion.LAPSE, 0, PERSON),
                        step("after", Occasion.LAPSE, 10, BROKER),
                        step("task", Occasion.LAPSE, 14, new Who.Task(null))));
        assertThat(sent(planner, "2026-05-01", "2026-09-01", certificate("tamsin")))
                .containsExactly(
                        "2026-05-31 tamsin@post.example month first-aid",
                        "2026-06-30 tamsin@post.example last first-aid",
                        "2026-07-10 broker@hallam.example after first-aid",
                        "2026-07-14 task task");
    }

    @Test
    void whoBeginsLateTellsTheLatestStepOnly() {
        NoticePlanner planner = planner(
                ANY_DAY,
                plan(
                        step("month", Occasion.LAPSE, -30, PERSON),
                        step("week", Occasion.LAPSE, -7, PERSON),
                        step("after", Occasion.LAPSE, 3, PERSON)));
        assertThat(sent(planner, "2026-06-25", "2026-08-01", certificate("tamsin")))
                .containsExactly(
                        "2026-06-25 tamsin@post.example week first-aid",
                        "2026-07-03 tamsin@post.example after first-aid");
        assertThat(sent(planner, "2026-07-20", "2026-08-01", certificate("tamsin")))
                .as("what was to be told ahead makes no sense any more")
                .containsExactly("2026-07-20 tamsin@post.example after first-aid");
    }

    @Test
    void whatIsRenewedOrWaitsToBeLookedAtIsToldToNobody() {
        NoticePlanner planner = planner(
                ANY_DAY, plan(step("week", Occasion.LAPSE, -7, PERSON), step("after", Occasion.LAPSE, 1, PERSON)));
        Watched pending = watched(
                "tamsin",
                "first-aid",
                false,
                new Stand(null, Status.EXPIRING, ENDS, null, Renewal.IN_REVIEW),
                new Stand(ENDS.plusDays(1), Status.LAPSED, ENDS, null, Renewal.IN_REVIEW));
        Watched renewed = watched(
                "noor", "first-aid", false, new Stand(null, Status.ON_FILE, day("2028-06-30"), null, Renewal.NONE));
        assertThat(sent(planner, "2026-06-01", "2026-08-01", pending, renewed)).isEmpty();
    }

    @Test
    void dueDaysComeAheadAndAgainUntilSomebodyElseIsTold() {
        NoticePlanner planner = planner(
                ANY_DAY,
                plan(
                        step("soon", Occasion.DUE, -3, PERSON),
                        new PlanStep("again", Occasion.DUE, 7, 7, 3, PERSON, "usual"),
                        step("up", Occasion.DUE, 30, BROKER)));
        Watched contract = watched(
                "tamsin",
                "contract",
                false,
                new Stand(null, Status.NOT_YET_DUE, null, day("2026-03-10"), Renewal.NONE),
                new Stand(day("2026-03-11"), Status.MISSING, null, day("2026-03-10"), Renewal.NONE));
        assertThat(sent(planner, "2026-03-01", "2026-06-01", contract))
                .extracting(s -> s.substring(0, 10))
                .containsExactly("2026-03-07", "2026-03-17", "2026-03-24", "2026-03-31", "2026-04-09");
        Watched atOnce = watched("noor", "card", false, new Stand(null, Status.MISSING, null, null, Renewal.NONE));
        assertThat(sent(planner, "2026-01-01", "2026-01-10", atOnce))
                .as("missing as long as anybody knows: counted from where the plan begins")
                .containsExactly("2026-01-08 noor@post.example again card");
    }

    @Test
    void sentBackAndWaitingPapersHaveTheirOwnSteps() {
        NoticePlanner planner = planner(
                ANY_DAY,
                plan(
                        step("back", Occasion.SENT_BACK, 1, PERSON),
                        step("sign", Occasion.SIGNATURE, 5, PERSON),
                        step("look", Occasion.REVIEW, 4, new Who.Task("ottilie"))));
        Stand back = new Stand(day("2026-03-01"), Status.SENT_BACK, null, null, Renewal.NONE);
        Stand unsigned = new Stand(day("2026-03-01"), Status.AWAITING_SIGNATURE, null, null, Renewal.NONE);
        Stand unseen = new Stand(day("2026-03-01"), Status.IN_REVIEW, null, null, Renewal.NONE);
        assertThat(sent(
                        planner,
                        "2026-03-01",
                        "2026-03-31",
                        watched("a", "back", false, back),
                        watched("b", "sign", false, unsigned),
                        watched("c", "look", false, unseen)))
                .containsExactly(
                        "2026-03-02 a@post.example back back",
                        "2026-03-05 task look",
                        "2026-03-06 b@post.example sign sign");
    }

    @Test
    void onQuietDaysNothingGoesAndNothingComesTooLateForIt() {
        NoticePlanner planner = planner(
                WEEKDAYS, plan(step("month", Occasion.LAPSE, -30, PERSON), step("eve", Occasion.LAPSE, -2, PERSON)));
        assertThat(sent(planner, "2026-05-01", "2026-07-01", certificate("tamsin")))
                .as("Sunday 31 May waits for Monday; from Sunday 28 June Tuesday is still in time")
                .containsExactly(
                        "2026-06-01 tamsin@post.example month first-aid",
                        "2026-06-30 tamsin@post.example eve first-aid");
        Watched endsOnSunday = watched(
                "noor", "first-aid", false, new Stand(null, Status.EXPIRING, day("2026-06-28"), null, Renewal.NONE));
        assertThat(sent(planner, "2026-06-20", "2026-07-01", endsOnSunday))
                .as("a Monday would be too late, so it goes on Friday; the month's step is passed over")
                .containsExactly(
                        "2026-06-22 noor@post.example month first-aid", "2026-06-26 noor@post.example eve first-aid");
    }

    @Test
    void oneMailboxGetsOneMailADayAboutAllItsPeopleTheMostUrgentFirst() {
        NoticePlanner planner = planner(
                ANY_DAY, plan(step("week", Occasion.LAPSE, -7, PERSON), step("after", Occasion.DUE, 5, PERSON)));
        Watched missing = watched(
                "otto", "contract", false, new Stand(day("2026-06-18"), Status.MISSING, null, null, Renewal.NONE));
        Watched wanting =
                watched("edie", "photo", false, new Stand(day("2026-06-22"), Status.MISSING, null, null, Renewal.NONE));
        List<NoticeDay> days = planner.ahead(
                day("2026-06-23"), day("2026-06-26"), List.of(certificate("edie"), missing, wanting), history);
        NoticeDay.Mail mail = days.get(0).mails().get(0);
        assertThat(mail.mailbox()).isEqualTo("ruth@post.example");
        assertThat(mail.tellings())
                .extracting(t -> t.watched().label())
                .as("both of the day, and what is missing before what runs out")
                .containsExactly("contract", "first-aid");
        assertThat(mail.alsoOpen()).extracting(Watched::label).containsExactly("photo");
        assertThat(days.subList(1, 4)).allSatisfy(d -> assertThat(d.mails()).isEmpty());
    }

    @Test
    void aMailboxThatHadItsMailOrAllOfTheMonthWaits() {
        NoticePlanner planner = planner(
                new SendingRules(Set.of(), Set.of(), 2),
                plan(new PlanStep("again", Occasion.DUE, 0, 5, 9, PERSON, "usual")));
        Watched missing = watched(
                "tamsin", "card", false, new Stand(day("2026-03-10"), Status.MISSING, null, null, Renewal.NONE));
        history.mailed("tamsin@post.example", day("2026-03-10"));
        NoticeDay first = planner.on(day("2026-03-10"), List.of(missing), history);
        assertThat(first.mails()).isEmpty();
        assertThat(first.leftOut()).extracting(LeftOut::why).containsExactly(Reason.MAILED_TODAY);
        assertThat(sent(planner, "2026-03-10", "2026-04-04", missing))
                .extracting(s -> s.substring(0, 10))
                .as("one more in March, then the first of April and its own turn")
                .containsExactly("2026-03-11", "2026-04-01", "2026-04-04");
        assertThat(planner.on(day("2026-03-31"), List.of(missing), afterTwo()).leftOut())
                .extracting(LeftOut::why)
                .containsExactly(Reason.MONTH_FULL);
    }

    private static NoticeHistory afterTwo() {
        NoticeHistory two = new NoticeHistory();
        two.mailed("tamsin@post.example", day("2026-03-01"));
        two.mailed("tamsin@post.example", day("2026-03-02"));
        return two;
    }

    @Test
    void whatSomebodyDecidedHolds() {
        Plan plan = plan(step("week", Occasion.LAPSE, -7, PERSON), step("after", Occasion.LAPSE, 3, PERSON));
        NoticePlanner planner = planner(ANY_DAY, plan);
        NoticeDay.Telling week = planner.on(day("2026-06-23"), List.of(certificate("tamsin")), history)
                .mails()
                .get(0)
                .tellings()
                .get(0);
        history.moved(week.turn(), day("2026-06-26"));
        assertThat(sent(planner, "2026-06-20", "2026-06-30", certificate("tamsin")))
                .containsExactly("2026-06-26 tamsin@post.example week first-aid");
        history.held(week.turn());
        assertThat(planner.on(day("2026-06-23"), List.of(certificate("tamsin")), history)
                        .leftOut())
                .extracting(LeftOut::why)
                .containsExactly(Reason.HELD);
        history.stopped("tamsin", day("2026-07-05"));
        assertThat(sent(planner, "2026-06-20", "2026-07-31", certificate("tamsin")))
                .as("stopped through the 5th, so told on the 6th")
                .containsExactly("2026-07-06 tamsin@post.example after first-aid");
        history.unreachable("tamsin@post.example");
        assertThat(sent(planner, "2026-06-20", "2026-07-31", certificate("tamsin")))
                .isEmpty();
        assertThat(planner.on(day("2026-07-10"), List.of(certificate("tamsin")), history)
                        .leftOut())
                .extracting(LeftOut::why)
                .containsExactly(Reason.UNREACHABLE);
    }

    @Test
    void whoIsToldAheadOfTimeByHandIsNotToldAgain() {
        Plan plan = plan(
                step("month", Occasion.LAPSE, -30, PERSON),
                step("week", Occasion.LAPSE, -7, PERSON),
                step("last", Occasion.LAPSE, 0, PERSON));
        NoticePlanner planner = planner(ANY_DAY, plan);
        history.told(new Turn("p1", "week", 0, "tamsin", Watched.Thing.slot("staff", "first-aid"), ENDS, "person"));
        assertThat(sent(planner, "2026-05-01", "2026-07-31", certificate("tamsin")))
                .as("the step before it is passed over as well")
                .containsExactly("2026-06-30 tamsin@post.example last first-aid");
    }

    @Test
    void withoutAddressItIsToldWhyAndACourtesyEndsWhenAsked() {
        Plan courtesy = new Plan(
                "p2",
                "To the broker",
                new Plan.Scope(Set.of("employee"), "staff", Set.of("first-aid"), Set.of("first-aid"), null),
                List.of(
                        step("month", Occasion.LAPSE, -30, BROKER),
                        step("none", Occasion.LAPSE, -30, new Who.Related(RelationKind.INSURER))),
                day("2026-01-01"),
                true);
        history.unsubscribed("broker@hallam.example");
        NoticePlanner planner = planner(ANY_DAY, courtesy, plan(step("month", Occasion.LAPSE, -30, PERSON)));
        assertThat(planner.on(day("2026-05-31"), List.of(certificate("silent")), history)
                        .leftOut())
                .extracting(LeftOut::why)
                .containsExactlyInAnyOrder(Reason.UNSUBSCRIBED, Reason.NO_ADDRESS);
    }

    @Test
    void aPlanTellsOnlyWhatItIsAbout() {
        Plan.Scope staff = new Plan.Scope(Set.of("employee"), "staff", Set.of(), Set.of("first-aid"), null);
        assertThat(staff.covers(certificate("a"))).isTrue();
        assertThat(new Plan.Scope(Set.of("client"), null, Set.of(), Set.of(), null).covers(certificate("a")))
                .isFalse();
        assertThat(new Plan.Scope(Set.of(), "other", Set.of(), Set.of(), null).covers(certificate("a")))
                .isFalse();
        assertThat(new Plan.Scope(Set.of(), "staff", Set.of("contract"), Set.of(), null).covers(certificate("a")))
                .isFalse();
        Watched paper = new Watched(
                "yard",
                "yard",
                Watched.Thing.paper("d1"),
                "Insurance of the yard",
                Set.of("policy"),
                false,
                true,
                List.of(new Stand(null, Status.ON_FILE, ENDS, null, Renewal.NONE)));
        assertThat(staff.covers(paper)).isFalse();
        assertThat(new Plan.Scope(Set.of(), null, Set.of(), Set.of(), "d1").covers(paper))
                .isTrue();
        assertThat(new Plan.Scope(Set.of(), null, Set.of(), Set.of(), "d1").covers(certificate("a")))
                .isFalse();
    }

    @Test
    void stepsAndRulesThatMakeNoSenseAreRefused() {
        assertThatThrownBy(() -> step("x", Occasion.SENT_BACK, -1, PERSON)).hasMessageContaining("ahead");
        assertThatThrownBy(() -> new PlanStep("x", Occasion.DUE, 0, 0, 2, PERSON, "w"))
                .hasMessageContaining("at least one day");
        assertThatThrownBy(() -> step("x", Occasion.DUE, 4_000, PERSON)).hasMessageContaining("ten years");
        assertThatThrownBy(() -> new SendingRules(Set.of(DayOfWeek.values()), Set.of(), 0))
                .hasMessageContaining("one day");
    }
}
