package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.jayway.jsonpath.JsonPath;
import jakarta.mail.internet.MimeMessage;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The server is killed at random moments while plans tell people in the morning: afterwards everybody was told, once. The
 * number of kills is {@code -Ddenfold.notice-kills}; {@code ./denfold kills} asks for 50.
 */
class NoticesAreToldOnceTest {

    private static final int KILLS = Integer.getInteger("denfold.notice-kills", 3);

    /** So many more wait to be told before each kill. */
    private static final int MORE = 150;

    @TempDir
    Path folder;

    private final Random random = new Random(20_261_201);
    private int people;

    @BeforeEach
    void foldersCanBeWalkedThrough() {
        assertThat(folder.toFile().setExecutable(true, false)).isTrue();
    }

    @Test
    void whateverIsKilledEverybodyIsToldOnce() throws Exception {
        ServerProcess server =
                new ServerProcess(folder).withoutRecognition().withoutDemo().hurriedMails();
        GreenMail mail = new GreenMail(new ServerSetup(server.mailPort(), "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
        try (server) {
            server.start();
            setUp(HttpSession.signIn(server.address(), "ottilie@oakhollin.example"));
            for (int kill = 0; kill < KILLS; kill++) {
                morePeople(server);
                TimeUnit.MILLISECONDS.sleep(random.nextInt(2_500));
                server.kill();
                server.start();
            }
            everybodyIsTold(server);
            assertThat(server.rows("select file_id from told where recipient_name like '%Toldonce%' group by 1"
                            + " having count(*) > 1"))
                    .isEmpty();
            assertThat(server.rows("select mailbox from notice where mailbox like 'told%' group by 1"
                            + " having count(*) > 1"))
                    .isEmpty();
            Map<String, Set<String>> numbers = new HashMap<>();
            int received = 0;
            for (MimeMessage message : mail.getReceivedMessages()) {
                String to = message.getAllRecipients()[0].toString();
                if (to.startsWith("told")) {
                    received++;
                    numbers.computeIfAbsent(to, a -> new HashSet<>()).add(message.getMessageID());
                }
            }
            System.out.printf("figure notice-kills %d people %d mails %d%n", KILLS, people, received);
            assertThat(numbers).hasSize(people);
            assertThat(numbers.values())
                    .as("handed over twice, it is the same mail, which mail servers know by its number")
                    .allMatch(n -> n.size() == 1);
            assertThat(received)
                    .as("only what each of the two mail threads was handing over when it died can go again")
                    .isBetween(people, people + 2 * KILLS);
        } finally {
            mail.stop();
        }
    }

    private static void setUp(HttpSession session) throws Exception {
        int changes = JsonPath.read(session.get("/api/sending-rules"), "$.changes");
        assertThat(session.put("/api/sending-rules", """
                        {"changes": %d, "rules": {"quietDays": [], "holidays": [], "opens": "00:00:00",
                         "closes": "23:59:59", "mostAMonth": 0}}""".formatted(changes)).statusCode())
                .isEqualTo(204);
        String words = JsonPath.read(session.post("/api/notice-words", """
                        {"changes": 0, "name": "Usual",
                         "texts": {"en": {"subject": "{paper}", "text": "{what is open}"}}}""").body(), "$.id");
        assertThat(session.post("/api/notice-plans", """
                        {"name": "All", "beginsOn": "2020-01-01", "courtesy": false, "paused": false,
                         "scope": {"kinds": [], "checklist": "employees", "requirements": ["handbook"], "types": []},
                         "steps": [{"occasion": "DUE", "days": 3, "every": 0, "times": 1,
                                    "who": {"kind": "PERSON"}, "words": "%s"}]}""".formatted(words)).statusCode())
                .isEqualTo(201);
    }

    /** They lack a paper, and the morning begins anew. */
    private void morePeople(ServerProcess server) throws Exception {
        int from = people + 1;
        people += MORE;
        server.rows("""
                with made as (
                  insert into person_file (id, version, number, kind, given_name, family_name, email, search_text,
                    created_at, last_activity_at)
                  select gen_random_uuid(), 0, 'T-' || i, 'employee', 'Given' || i, 'Toldonce',
                    'told' || i || '@post.example', 'toldonce', now(), now()
                  from generate_series(%d, %d) i returning id)
                insert into slot (file_id, checklist, requirement, place, blocking, status, since, renewal, course)
                select id, 'employees', 'handbook', 1, true, 'MISSING', current_date - 40, 'NONE', '' from made
                returning file_id""".formatted(from, people));
        server.rows("update sending_rules set last_run_on = null returning true");
    }

    private void everybodyIsTold(ServerProcess server) throws Exception {
        server.rows("update sending_rules set last_run_on = null returning true");
        String told = "0";
        for (int i = 0; i < 480 && !told.equals(String.valueOf(people)); i++) {
            TimeUnit.MILLISECONDS.sleep(500);
            told = server.rows("select count(*) from notice where mailbox like 'told%' and state = 'SENT'")
                    .get(0)
                    .get(0);
        }
        assertThat(told).isEqualTo(String.valueOf(people));
    }
}
