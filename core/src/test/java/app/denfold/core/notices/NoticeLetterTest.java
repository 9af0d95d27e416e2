package app.denfold.core.notices;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.Recipient.Closeness;
import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class NoticeLetterTest {

    private static final LocalDate TODAY = LocalDate.parse("2026-06-01");

    private final NoticeLetter letter = new NoticeLetter(
            new NoticeLetter.Source() {
                @Override
                public NoticeWords words(String id, String language) {
                    return language.equals("de")
                            ? new NoticeWords("Bitte bis {until}", "für {given name} brauchen wir:\n\n{what is open}")
                            : id.equals("fact")
                                    ? new NoticeWords("{team}", "Your team is {Team}.")
                                    : new NoticeWords(
                                            "{paper}\n for {given name}",
                                            "for {given name} we need by {until}:\n\n{what is open}\n\nThank you.");
                }

                @Override
                public Map<String, String> facts(String file) {
                    return Map.of("given name", file.equals("edie") ? "Edie" : "{until} $1");
                }

                @Override
                public String name(String file) {
                    return file.equals("edie") ? "Edie Penhallow" : "Otto Penhallow";
                }

                @Override
                public String closing() {
                    return "Oakhollin\n";
                }
            },
            TODAY);

    private static Watched watched(String file, String label, boolean sensitive, Status status, String day) {
        LocalDate on = LocalDate.parse(day);
        return new Watched(
                file,
                "student",
                Watched.Thing.slot("riders", label),
                label,
                Set.of("t"),
                sensitive,
                true,
                List.of(new Stand(null, status, on, status == Status.MISSING ? on : null, Renewal.NONE)));
    }

    private static Telling telling(Watched watched, Closeness to, String language, String words) {
        PlanStep step = new PlanStep("s", Occasion.LAPSE, 0, 0, 1, new Who.ThePerson(), words);
        Plan plan = new Plan(
                "p", "Riders", new Plan.Scope(Set.of(), null, Set.of(), Set.of(), null), List.of(step), TODAY, false);
        Recipient ruth = new Recipient("r", "ruth@post.example", "Ruth Penhallow", "Ruth", to, language);
        Turn turn = new Turn("p", "s", 0, watched.file(), watched.thing(), TODAY, "r");
        return new Telling(plan, step, turn, watched, ruth, TODAY, TODAY);
    }

    private static Mail mail(List<Watched> alsoOpen, Telling... tellings) {
        return new Mail("ruth@post.example", List.of(tellings[0].recipient()), List.of(tellings), alsoOpen);
    }

    @Test
    void onePersonsMailSaysWhatIsOpenAndByWhen() {
        NoticeLetter.Written written = letter.write(mail(
                List.of(watched("edie", "Photo", false, Status.SENT_BACK, "2026-06-01")),
                telling(watched("edie", "Waiver", false, Status.LAPSED, "2026-05-20"), Closeness.OWN, "en", "usual"),
                telling(
                        watched("edie", "Consent", false, Status.EXPIRING, "2026-06-30"),
                        Closeness.OWN,
                        "en",
                        "usual")));
        assertThat(written.subject()).isEqualTo("Waiver for Edie");
        assertThat(written.text()).isEqualTo("""
                Dear Ruth,

                for Edie we need by 20 May 2026:

                  - Waiver: ran out on 20 May 2026
                  - Consent: runs out on 30 June 2026

                Thank you.

                Also still open for Edie Penhallow:

                  - Photo: could not be accepted, please send it again

                Kind regards,
                Oakhollin
                """);
    }

    @Test
    void twoPeopleShareOneMailUnderACountAndAValueIsNoPlace() {
        NoticeLetter.Written written = letter.write(mail(
                List.of(),
                telling(watched("edie", "Waiver", false, Status.LAPSED, "2026-05-20"), Closeness.OWN, "en", "usual"),
                telling(watched("otto", "Waiver", false, Status.MISSING, "2026-06-20"), Closeness.OWN, "en", "usual")));
        assertThat(written.subject()).isEqualTo("2 papers that need your attention");
        assertThat(written.text()).contains("for Edie we need").contains("for {until} $1 we need by 20 June 2026");
    }

    @Test
    void outsidersAreNotToldWhichSensitivePaperIsMeant() {
        Watched health = watched("edie", "Health record", true, Status.LAPSED, "2026-05-20");
        NoticeLetter.Written outside =
                letter.write(mail(List.of(health), telling(health, Closeness.OUTSIDER, "en", "usual")));
        assertThat(outside.subject()).isEqualTo("a paper for Edie");
        assertThat(outside.text()).contains("  - a paper: ran out").doesNotContain("Health");
        NoticeLetter.Written own = letter.write(mail(List.of(), telling(health, Closeness.OWN, "en", "usual")));
        assertThat(own.text()).contains("Health record");
        assertThat(own.subject()).as("which others may see").isEqualTo("a paper for Edie");
    }

    @Test
    void germanWordsStandInAGermanMail() {
        assertThat(letter.write(mail(
                        List.of(),
                        telling(
                                watched("edie", "Waiver", false, Status.IN_GRACE, "2026-05-20"),
                                Closeness.OWN,
                                "de",
                                "usual"))))
                .isEqualTo(new NoticeLetter.Written("Bitte bis 20. Mai 2026", """
                        Guten Tag Ruth,

                        für Edie brauchen wir:

                          - Waiver: am 20. Mai 2026 abgelaufen

                        Mit freundlichen Grüßen
                        Oakhollin
                        """, "de"));
    }

    @Test
    void whatIsNotKnownIsNamedBeforeAnythingIsSent() {
        Watched waiver = watched("edie", "Waiver", false, Status.LAPSED, "2026-05-20");
        assertThat(letter.lacking(telling(waiver, Closeness.OWN, "en", "fact"))).containsExactly("team");
        assertThat(letter.lacking(telling(waiver, Closeness.OWN, "en", "usual")))
                .isEmpty();
        assertThat(new NoticeWords("{ Given Name }", "{until} {given name} {}").places())
                .containsExactly("given name", "until");
    }
}
