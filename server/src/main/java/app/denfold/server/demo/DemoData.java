package app.denfold.server.demo;

import app.denfold.core.people.RelationKind;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.filing.FileArrivals;
import app.denfold.server.content.Placeholder;
import app.denfold.server.coverage.GrantWaiver;
import app.denfold.server.coverage.WaiverDetails;
import app.denfold.server.demo.chasing.DemoChasing;
import app.denfold.server.demo.keeping.DemoKeeping;
import app.denfold.server.demo.letters.DemoLetters;
import app.denfold.server.demo.marks.DemoMarks;
import app.denfold.server.demo.signing.DemoSigning;
import app.denfold.server.demo.standing.DemoStanding;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.documents.placeholders.Placeholders;
import app.denfold.server.people.PersonFile;
import app.denfold.server.portal.Asks;
import app.denfold.server.portal.Guests;
import app.denfold.server.portal.SharePapers;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.relations.OutsiderDetails;
import app.denfold.server.relations.PeopleAround;
import app.denfold.server.relations.PeopleAround.NewRelation;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Loads the demo practice into an empty installation. */
@Component
@Profile("demo")
class DemoData implements ApplicationRunner {

    private static final int TAUGHT_BY = 14;
    private static final int PORTION = 10;
    private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);

    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final DemoCatalog catalog;
    private final DemoAccounts demoAccounts;
    private final DemoFiles files;
    private final DemoArrivals arrivals;
    private final FileArrivals filing;
    private final Accounts accounts;
    private final Guests guests;
    private final SharePapers sharing;
    private final Asks asks;
    private final Documents documents;
    private final GrantWaiver waivers;
    private final PeopleAround around;
    private final Placeholders placeholders;
    private final DemoVisits visits;
    private final TransactionTemplate transactions;
    private final DemoPractice ownFiles;
    private final DemoSigning signing;
    private final DemoMarks marks;
    private final DemoStanding standing;
    private final DemoLetters letters;
    private final DemoChasing chasing;
    private final DemoKeeping keeping;
    private final boolean everyone;

    DemoData(
            PracticeSettings settings,
            PracticeCalendar calendar,
            DemoCatalog catalog,
            DemoAccounts demoAccounts,
            DemoFiles files,
            DemoArrivals arrivals,
            FileArrivals filing,
            Accounts accounts,
            Guests guests,
            SharePapers sharing,
            Asks asks,
            Documents documents,
            GrantWaiver waivers,
            PeopleAround around,
            Placeholders placeholders,
            DemoVisits visits,
            TransactionTemplate transactions,
            DemoPractice ownFiles,
            DemoSigning signing,
            DemoMarks marks,
            DemoStanding standing,
            DemoLetters letters,
            DemoChasing chasing,
            DemoKeeping keeping,
            @Value("${denfold.demo.everyone:true}") boolean everyone) {
        this.everyone = everyone;
        this.ownFiles = ownFiles;
        this.signing = signing;
        this.marks = marks;
        this.standing = standing;
        this.letters = letters;
        this.chasing = chasing;
        this.keeping = keeping;
        this.settings = settings;
        this.calendar = calendar;
        this.catalog = catalog;
        this.demoAccounts = demoAccounts;
        this.files = files;
        this.arrivals = arrivals;
        this.filing = filing;
        this.accounts = accounts;
        this.guests = guests;
        this.sharing = sharing;
        this.asks = asks;
        this.documents = documents;
        this.waivers = waivers;
        this.around = around;
        this.placeholders = placeholders;
        this.visits = visits;
        this.transactions = transactions;
    }

    /**
     * The practice is founded when its files are there, so that a start that broke off is noticed by the next one.
     *
     * @throws IllegalStateException when an earlier loading broke off
     */
    @Override
    public void run(ApplicationArguments arguments) {
        if (settings.isFounded()) {
            return;
        }
        if (accounts.viewerByEmail(DemoAccounts.ADMINISTRATOR).isPresent()) {
            throw new IllegalStateException("The demo data is half loaded. Make it anew: ./denfold demo --fresh");
        }
        long begun = System.nanoTime();
        load();
        LOG.info("Demo data loaded in {} s", (System.nanoTime() - begun) / 1_000_000_000L);
    }

    private void load() {
        LocalDate today = calendar.today();
        Viewer ottilie = demoAccounts.open();
        catalog.load();
        standing.rules(today);
        letters.load(ottilie, today);
        // several files a transaction, since slots are computed and the trail is sealed once for all of it
        List<PersonFile> people = transactions.execute(t -> files.open(today));
        inPortions(people).parallelStream()
                .forEach(some -> transactions.executeWithoutResult(t -> some.forEach(p -> files.fill(p, today))));
        waivers.grant(
                ottilie,
                named(people, "Tamsin Korhola").id(),
                new WaiverDetails(
                        "employees",
                        "manual-handling",
                        null,
                        today.plusDays(36),
                        "On leave from lifting after surgery; course booked."));
        Viewer ruth = transactions.execute(t -> {
            settings.found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
            settings.show(new PracticeLook(
                    settings.name(), "3 Fen Lane\nOakhollin", "#3b4f63", List.of("en", "de"), null, null));
            PersonFile edie = named(people, "Edie Penhallow");
            Viewer guest = guardian(ottilie, edie);
            demoAccounts.settle(ottilie, people, today);
            related(ottilie, people);
            withoutPages(ottilie, people, today);
            people.stream().filter(p -> p.kind().equals("patient")).forEach(p -> visits.note(ottilie, p, today));
            asks.ask(ottilie, edie.id(), guest.accountId(), "patients", "insurance-card", null);
            asks.ask(
                    ottilie,
                    edie.id(),
                    guest.accountId(),
                    "patients",
                    "clearance",
                    "Dr. Wolfreth can fax it to us as well.");
            documents.ofFile(edie.id()).stream()
                    .filter(d -> d.type().equals("guardian-consent") || d.type().equals("letter"))
                    .forEach(d -> sharing.share(ottilie, List.of(d.id()), guest.accountId()));
            ownFiles.load(today);
            signing.load(ottilie, people, today);
            marks.load(ottilie, people, today);
            people.stream().limit(TAUGHT_BY).forEach(this::teach);
            return guest;
        });
        standing.give(ottilie, people, today);
        arrivals.load(ottilie, ruth, people, today);
        if (everyone) {
            arrivals.loadStack(ottilie, people, today);
            arrivals.loadMore(ottilie, people, today);
            keeping.load(ottilie, today);
            chasing.load(ottilie, today);
        }
    }

    private static List<List<PersonFile>> inPortions(List<PersonFile> people) {
        return IntStream.range(0, (people.size() + PORTION - 1) / PORTION)
                .mapToObj(i -> people.subList(i * PORTION, Math.min(people.size(), (i + 1) * PORTION)))
                .toList();
    }

    /** What the demo's papers look like is learned from those of the first few people. */
    private void teach(PersonFile person) {
        for (FiledDocument document : documents.ofFile(person.id())) {
            List<String> text =
                    PaperText.of(document.type(), documents.typeLabel(document), person, document.documentDate(), null);
            filing.learnFrom(document, String.join("\n", text));
        }
    }

    private Viewer guardian(Viewer by, PersonFile child) {
        UUID account = guests.invite(by, child.id(), "Ruth Penhallow", "ruth.penhallow@post.example", "guardian");
        Viewer guardian = accounts.viewer(account).orElseThrow();
        demoAccounts.setPassword(guardian);
        return guardian;
    }

    /** From Ruth one comes to both children, from the physician to his patients. */
    private void related(Viewer by, List<PersonFile> people) {
        PersonFile edie = named(people, "Edie Penhallow");
        PersonFile kenji = named(people, "Kenji Abelard");
        UUID ruth = outsider(
                by,
                edie,
                RelationKind.GUARDIAN,
                new OutsiderDetails("Ruth Penhallow", null, "ruth.penhallow@post.example", "0155 3 0174"));
        around.add(by, kenji.id(), new NewRelation(RelationKind.GUARDIAN, "since the summer", null, ruth, null));
        around.add(by, edie.id(), new NewRelation(RelationKind.SIBLING, null, kenji.id(), null, null));
        UUID physician = outsider(
                by,
                edie,
                RelationKind.PHYSICIAN,
                new OutsiderDetails("Dr. Wolfreth", "Fenmoor Practice", null, "0155 3 0190"));
        around.add(
                by,
                named(people, "Dario Ekström").id(),
                new NewRelation(RelationKind.PHYSICIAN, null, null, physician, null));
    }

    /** One paper is promised, one lies in a cabinet. */
    private void withoutPages(Viewer by, List<PersonFile> people, LocalDate today) {
        placeholders.note(
                by,
                new FilingDetails(named(people, "Kofi Adjare-Brandt").id(), "vet-authorisation", today, null, null),
                Placeholder.awaited("the vet sends it by the end of the week"));
        placeholders.note(
                by,
                new FilingDetails(named(people, "Tamsin Korhola").id(), "letter", today.minusYears(3), null, null),
                Placeholder.onPaper("office, cabinet 3, blue binder"));
    }

    private UUID outsider(Viewer by, PersonFile file, RelationKind kind, OutsiderDetails details) {
        around.add(by, file.id(), new NewRelation(kind, null, null, null, details));
        return around.find(by, details.name(), 1).get(0).id();
    }

    private static PersonFile named(List<PersonFile> people, String name) {
        return people.stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    }
}
