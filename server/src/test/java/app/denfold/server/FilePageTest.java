package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.Format;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.transaction.support.TransactionTemplate;

/** What the page of a file asks for takes as many statements for many papers as for few. */
@ServerTest
@Import(CountedStatements.class)
class FilePageTest {

    private static final LocalDate TODAY = LocalDate.now();
    private static final List<String> TYPES = List.of("letter", "contract", "first-aid", "handbook", "passport");

    @Autowired
    TestPractice practice;

    @Autowired
    Documents documents;

    @Autowired
    Contents contents;

    @Autowired
    TransactionTemplate transactions;

    private UUID fileWith(Api api, int papers) throws Exception {
        UUID file = api.newEmployee("Papers" + papers, null);
        transactions.executeWithoutResult(t -> IntStream.range(0, papers).forEach(i -> {
            byte[] bytes = (papers + "-" + i).getBytes(StandardCharsets.UTF_8);
            LocalDate dated = TODAY.minusDays(i);
            documents.takeOver(
                    Actor.system("Import"),
                    new FilingDetails(file, TYPES.get(i % TYPES.size()), dated, null, null),
                    new Documents.Received(contents.keep(bytes, Format.TEXT, 0), dated, "taken over"),
                    Documents.History.none());
        }));
        return file;
    }

    @Test
    void manyPapersTakeAsManyStatementsAsFew() throws Exception {
        Api api = practice.administrator();
        UUID few = fileWith(api, 10);
        UUID many = fileWith(api, 800);
        String lines = "/lines?from=" + TODAY.minusYears(1) + "&to=" + TODAY.plusYears(1);
        for (String what : List.of(
                "",
                "/ledger",
                lines,
                "/papers",
                "/relations",
                "/visits",
                "/duplicates",
                "/confirmed-sections",
                "/wastebasket")) {
            // the rules are read by whoever asks first
            api.get("/api/files/" + few + what);
            api.get("/api/files/" + many + what);
            int ofFew = CountedStatements.during(() -> api.get("/api/files/" + few + what));
            int ofMany = CountedStatements.during(() ->
                    assertThat(api.get("/api/files/" + many + what).status()).isEqualTo(200));
            assertThat(ofMany).as(what).isEqualTo(ofFew).isPositive();
        }
        assertThat(api.get("/api/files/{id}/papers", many).<List<?>>at("$")).hasSize(800);
    }
}
