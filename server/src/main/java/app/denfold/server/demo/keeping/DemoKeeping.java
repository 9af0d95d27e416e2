package app.denfold.server.demo.keeping;

import app.denfold.paper.Format;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.keeping.HoldFiles;
import app.denfold.server.keeping.Keeping;
import app.denfold.server.keeping.KeepingPeriods;
import app.denfold.server.keeping.KeepingPeriods.Period;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonDetails.SpanDetails;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** People who applied for work at the yard: one still does, the others were refused; of these one may leave, one is on hold. */
@Component
public class DemoKeeping {

    private static final String APPLICANT = "applicant";
    private static final int ORDINAL = 20;

    private final Kinds kinds;
    private final PersonFiles files;
    private final Documents documents;
    private final Contents contents;
    private final Keeping keeping;
    private final HoldFiles holds;
    private final TransactionTemplate transactions;

    DemoKeeping(
            Kinds kinds,
            PersonFiles files,
            Documents documents,
            Contents contents,
            Keeping keeping,
            HoldFiles holds,
            TransactionTemplate transactions) {
        this.kinds = kinds;
        this.files = files;
        this.documents = documents;
        this.contents = contents;
        this.keeping = keeping;
        this.holds = holds;
        this.transactions = transactions;
    }

    public void load(Viewer by, LocalDate today) {
        transactions.executeWithoutResult(t -> {
            List<String> roles = List.of("instructor", "therapist", "groom", "office");
            kinds.add(new PersonKind(
                    APPLICANT,
                    "Applicant",
                    "Applicants",
                    "A",
                    ORDINAL,
                    List.of(
                            new FactDefinition("role", "Role", FactDefinition.Form.CHOICE, roles, true, false),
                            new FactDefinition(
                                    "language",
                                    "Language",
                                    FactDefinition.Form.CHOICE,
                                    List.of("English", "German"),
                                    false,
                                    false))));
        });
        transactions.executeWithoutResult(t -> {
            applicant("Runa", "Feldt", "groom", "German", today.minusMonths(9), today.minusMonths(8));
            PersonFile claims = applicant(
                    "Jory", "Vancastle", "instructor", "English", today.minusMonths(10), today.minusMonths(7));
            applicant("Maeve", "Ostrander", "office", "English", today.minusMonths(3), today.minusMonths(2));
            applicant("Teodor", "Brix", "groom", "English", today.minusDays(12), null);
            keeping.change(
                    by,
                    0,
                    new KeepingPeriods(
                            List.of(new Period(APPLICANT, 6), new Period("employee", 36), new Period("client", 84)),
                            List.of(new Period("contract", 84))));
            holds.hold(by, claims.id(), "Says that he was refused for his age; the insurer has it.", null);
        });
    }

    /** @param refused the last day of the application; null while it is open */
    private PersonFile applicant(
            String given, String family, String role, String language, LocalDate applied, @Nullable LocalDate refused) {
        PersonFile file = files.open(
                new PersonDetails(
                        APPLICANT,
                        given,
                        family,
                        null,
                        (given + "." + family).toLowerCase(Locale.ROOT) + "@post.example",
                        null,
                        null,
                        List.of(new SpanDetails(applied, refused)),
                        Map.of("role", role, "language", language),
                        null,
                        null),
                true,
                Actor.system("Ottilie Brandmoor"));
        file(
                file,
                applied,
                "Application as " + role,
                "I read your notice at the mill and would like to work at the yard.");
        if (refused != null) {
            file(
                    file,
                    refused,
                    "Your application",
                    "thank you for coming to see us. We chose somebody else this time.");
        }
        return file;
    }

    private void file(PersonFile file, LocalDate dated, String title, String words) {
        byte[] letter = ("{\\rtf1\\ansi{\\fonttbl{\\f0\\fswiss Liberation Sans;}}\\f0\\fs22{\\b\\fs30 " + title
                        + "\\par}\\par " + words + "\\par\\par " + file.name() + "\\par}")
                .getBytes(StandardCharsets.US_ASCII);
        documents.takeOver(
                Actor.system("Ottilie Brandmoor"),
                new FilingDetails(file.id(), "letter", List.of(), dated, null, null, Map.of(), null, null),
                new Documents.Received(
                        contents.keep(letter, Format.RTF, 1), dated, "dropped into Arrivals by Ottilie Brandmoor"),
                Documents.History.none());
    }
}
