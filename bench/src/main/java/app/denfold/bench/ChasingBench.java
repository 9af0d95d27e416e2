package app.denfold.bench;

import app.denfold.core.notices.NoticeWords;
import app.denfold.core.notices.Occasion;
import app.denfold.server.chasing.planned.MorningRun;
import app.denfold.server.chasing.plans.PlanDetails;
import app.denfold.server.chasing.plans.PlanScope;
import app.denfold.server.chasing.plans.PlanStepDetails;
import app.denfold.server.chasing.plans.PlanStepDetails.WhoKind;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.chasing.plans.SendingDays;
import app.denfold.server.chasing.plans.SendingDetails;
import app.denfold.server.chasing.plans.WordsOfNotices;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * The morning of a large practice: 5,000 open slots of 3,000 people among 100,000 files, until every mail is with the mail
 * server; against the same reads and rows by plain JDBC, what came of them noted, and the same mails by plain SMTP.
 */
public final class ChasingBench {

    private static final double GOAL = 2;
    /** Mails sent before, so that the code is compiled as in a server that has run for some days. */
    private static final int WARMING = 9_000;

    private static final int PEOPLE = 3_000;
    private static final int SLOTS = 5_000;
    private static final int AT_ONCE = 100;

    private static final List<String> TABLES = List.of("notice", "told", "ask", "audit_event");

    private ChasingBench() {}

    public static void main(String[] arguments) throws Exception {
        int files = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 100_000;
        GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
        System.setProperty("DENFOLD_SMTP_PORT", String.valueOf(mail.getSmtp().getPort()));
        try (BenchServer server = new BenchServer()) {
            generate(files);
            mailboxes(mail, files);
            UUID words = setUp(server);
            plan(server, "Warming", "handbook", words);
            server.bean(MorningRun.class).run();
            await(mail, WARMING);
            plan(server, "Measured", "contract", words);
            ManagementFactory.getMemoryPoolMXBeans().forEach(MemoryPoolMXBean::resetPeakUsage);
            long begun = System.nanoTime();
            server.bean(MorningRun.class).run();
            double queued = seconds(begun);
            await(mail, WARMING + PEOPLE);
            double all = seconds(begun);
            Figures.told("queued", queued, "s");
            Figures.told("queued-and-mailed", all, "s");
            Figures.told("heap-at-most", peak(), "MB");
            double read = plainReads();
            double rows = PlainRows.write(TABLES, ChasingBench::each, PEOPLE, AT_ONCE);
            // that each went out, so that it does not go twice
            double noted = PlainRows.note("notice", "state = 'SENT', finished_at = now()");
            List<MimeMessage> same =
                    Arrays.stream(mail.getReceivedMessages()).skip(WARMING).toList();
            begun = System.nanoTime();
            PlainMails.sendAgain(mail.getSmtp().getPort(), same);
            double smtp = seconds(begun);
            Figures.told("plain-reads", read, "s");
            Figures.told("plain-rows", rows, "s");
            Figures.told("plain-notes", noted, "s");
            Figures.told("plain-smtp", smtp, "s");
            Figures.atMost("morning-against-plain", all / (read + rows + noted + smtp), "times", GOAL);
        } finally {
            mail.stop();
        }
    }

    private static double seconds(long begun) {
        return (System.nanoTime() - begun) / 1e9;
    }

    private static double peak() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                        .filter(p -> p.getType() == MemoryType.HEAP)
                        .mapToLong(p -> p.getPeakUsage().getUsed())
                        .sum()
                / 1e6;
    }

    private static void await(GreenMail mail, int count) {
        if (!mail.waitForIncomingEmail(600_000, count)) {
            throw new IllegalStateException("Only " + mail.getReceivedMessages().length + " mails came");
        }
    }

    /** The stand-in makes mailboxes when their first mail comes; a mail server has them. */
    private static void mailboxes(GreenMail mail, int files) {
        IntStream.concat(IntStream.rangeClosed(1, PEOPLE), IntStream.rangeClosed(files - WARMING, files))
                .mapToObj(i -> "person" + i + "@post.example")
                .distinct()
                .forEach(address -> mail.setUser(address, address, "unused"));
    }

    /** Thirty slots a file, nearly all of them on file; two thousand people lack two papers, a thousand one. */
    private static void generate(int files) {
        JdbcClient owner = BenchServer.asOwner();
        owner.sql("""
                insert into person_file (id, version, number, kind, given_name, family_name, birth_date, team, email,
                  search_text, created_at, last_activity_at)
                select gen_random_uuid(), 0, 'B-' || lpad(i::text, 7, '0'), 'employee', 'Given' || i % 997,
                  'Family' || i % 9973, date '1970-01-01' + (i % 9000), 'Team ' || (i % 12),
                  'person' || i || '@post.example', 'given family', now(), now()
                from generate_series(1, ?) i
                """).param(files).update();
        owner.sql("insert into active_span select id, 0, date '2015-01-01', null from person_file")
                .update();
        owner.sql("""
                insert into slot (file_id, checklist, requirement, place, blocking, status, since, covered_through, renewal,
                  course)
                select id, 'employees', 'r' || r, r, true, 'ON_FILE', date '2020-01-01', null, 'NONE', ''
                from person_file cross join generate_series(1, 28) r
                """).update();
        owner.sql("""
                insert into slot (file_id, checklist, requirement, place, blocking, status, since, renewal, course)
                select id, 'employees', 'contract', 29, true, 'MISSING', current_date - 40, 'NONE', ''
                from (select id from person_file order by number limit ?) as chosen
                """).param(PEOPLE).update();
        owner.sql("""
                insert into slot (file_id, checklist, requirement, place, blocking, status, since, renewal, course)
                select id, 'employees', 'tetanus', 30, true, 'MISSING', current_date - 40, 'NONE', ''
                from (select id from person_file order by number limit ?) as chosen
                """).param(SLOTS - PEOPLE).update();
        owner.sql("""
                insert into slot (file_id, checklist, requirement, place, blocking, status, since, renewal, course)
                select id, 'employees', 'handbook', 31, true, 'MISSING', current_date - 40, 'NONE', ''
                from (select id from person_file order by number desc limit ?) as chosen
                """).param(WARMING).update();
        owner.sql("analyze").update();
    }

    private static UUID setUp(BenchServer server) {
        server.bean(SendingDays.class)
                .change(
                        server.viewer(),
                        0,
                        new SendingDetails(List.of(), List.of(), LocalTime.MIDNIGHT, LocalTime.of(23, 59, 59), 0));
        return server.bean(WordsOfNotices.class)
                .add(
                        server.viewer(),
                        "Usual",
                        Map.of(
                                "en",
                                new NoticeWords(
                                        "{paper}: please send it",
                                        "for the file of {full name} we still need:\n\n{what is open}\n\n{link}")));
    }

    private static void plan(BenchServer server, String name, String requirement, UUID words) {
        PlanStepDetails step = new PlanStepDetails(
                null, Occasion.DUE, 7, 0, 1, new PlanStepDetails.Told(WhoKind.PERSON, null, null, null, null), words);
        List<String> about = requirement.equals("contract") ? List.of("contract", "tetanus") : List.of(requirement);
        server.bean(Plans.class)
                .add(
                        server.viewer(),
                        new PlanDetails(
                                name,
                                new PlanScope(List.of(), "employees", about, List.of(), null),
                                List.of(step),
                                LocalDate.now().minusDays(1),
                                false,
                                false));
    }

    /** Rows of a table for one mail, on average of whole ones: five things told in three mails. */
    private static int each(String table) {
        return switch (table) {
            case "notice" -> 1;
            // queued, and that it went out
            case "audit_event" -> 2;
            default -> SLOTS / PEOPLE;
        };
    }

    /** What has to be known of the open slots and their people, and no more. */
    private static double plainReads() throws Exception {
        try (Connection connection = DriverManager.getConnection(
                System.getenv("DENFOLD_DB_URL"),
                System.getenv("DENFOLD_DB_OWNER"),
                System.getenv("DENFOLD_DB_OWNER_PASSWORD"))) {
            long begun = System.nanoTime();
            for (String sql : List.of(
                    "select * from slot where status in ('EXPIRING', 'IN_GRACE', 'LAPSED', 'MISSING', 'SENT_BACK',"
                            + " 'IN_REVIEW', 'AWAITING_SIGNATURE')",
                    "select f.* from person_file f where exists (select 1 from slot s where s.file_id = f.id and"
                            + " s.status = 'MISSING')",
                    "select * from told",
                    "select mailbox, queued_on from notice")) {
                try (ResultSet rows = connection.createStatement().executeQuery(sql)) {
                    while (rows.next()) {
                        rows.getString(1);
                    }
                }
            }
            return seconds(begun);
        }
    }
}
