package app.denfold.server.demo;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.server.access.Actor;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Fills the demo's files with papers, so that most slots are on file and every status occurs. */
@Component
class DemoFiles {

    private final PersonFiles files;
    private final Catalog catalog;
    private final Documents documents;
    private final DemoStore store;
    private final DemoOtherPapers others;
    private final boolean everyone;

    DemoFiles(
            PersonFiles files,
            Catalog catalog,
            Documents documents,
            DemoStore store,
            DemoOtherPapers others,
            @Value("${denfold.demo.everyone:true}") boolean everyone) {
        this.everyone = everyone;
        this.files = files;
        this.catalog = catalog;
        this.documents = documents;
        this.store = store;
        this.others = others;
    }

    /** How a slot of one person departs from being simply on file. */
    enum Twist {
        ABSENT,
        LAPSED,
        EXPIRING,
        GRACE,
        PENDING,
        SENT_BACK,
        UNSIGNED,
        RENEWAL_PENDING
    }

    /** Days after its date on which a good paper of the type runs out; 0 for types that do not by themselves. */
    private static final Map<String, Integer> LIFE = Map.ofEntries(
            Map.entry("referral", 182),
            Map.entry("clearance", 365),
            Map.entry("contact-sheet", 365),
            Map.entry("rider-assessment", 365),
            Map.entry("background-check", 1095),
            Map.entry("safeguarding", 1095),
            Map.entry("first-aid", 730),
            Map.entry("manual-handling", 365),
            Map.entry("tetanus", 3650),
            Map.entry("flu-vaccination", 365),
            Map.entry("utility-bill", 182));

    private static final Map<String, Integer> STATED_YEARS = Map.of(
            "passport",
            9,
            "driving-licence",
            12,
            "right-to-work",
            5,
            "insurance-card",
            4,
            "minibus-licence",
            5,
            "horse-insurance",
            1);

    private static final Map<String, Twist> TWISTS = Map.ofEntries(
            Map.entry("Edie Penhallow insurance-card", Twist.LAPSED),
            Map.entry("Edie Penhallow clearance", Twist.EXPIRING),
            Map.entry("Ilse Varga-Moon contact-sheet", Twist.GRACE),
            Map.entry("Orla Quist clearance", Twist.SENT_BACK),
            Map.entry("Dario Ekström neck-xray", Twist.ABSENT),
            Map.entry("Salome Iwaszko referral", Twist.EXPIRING),
            Map.entry("Bao Trélissac clearance", Twist.PENDING),
            Map.entry("Hedda Nørgaard-Lind clearance", Twist.ABSENT),
            Map.entry("Hedda Nørgaard-Lind insurance-card", Twist.ABSENT),
            Map.entry("Amadou Sestri photo-consent", Twist.ABSENT),
            Map.entry("Mirabel Oyelaran rider-assessment", Twist.PENDING),
            Map.entry("Tycho Vandersloot swimming-proof", Twist.ABSENT),
            Map.entry("Kenji Abelard rider-assessment", Twist.ABSENT),
            Map.entry("Kenji Abelard fees-agreement", Twist.UNSIGNED),
            Map.entry("Saoirse Dumitrache contact-sheet", Twist.EXPIRING),
            Map.entry("Lorenz Fairweather-Ito rider-assessment", Twist.EXPIRING),
            Map.entry("Tamsin Korhola first-aid", Twist.RENEWAL_PENDING),
            Map.entry("Tamsin Korhola safeguarding", Twist.LAPSED),
            Map.entry("Tamsin Korhola contract", Twist.UNSIGNED),
            Map.entry("Tamsin Korhola manual-handling", Twist.LAPSED),
            Map.entry("Oswin Tarrafal background-check", Twist.EXPIRING),
            Map.entry("Jorun Haukelid manual-handling", Twist.EXPIRING),
            Map.entry("Callum Rethwisch first-aid", Twist.ABSENT),
            Map.entry("Callum Rethwisch reference", Twist.ABSENT),
            Map.entry("Callum Rethwisch minibus-licence", Twist.ABSENT),
            Map.entry("Noor Vahdani tetanus", Twist.ABSENT),
            Map.entry("Noor Vahdani first-aid", Twist.LAPSED),
            Map.entry("Rosalba Mincio flu-vaccination", Twist.GRACE),
            Map.entry("Anouk Ferrel horse-insurance", Twist.EXPIRING),
            Map.entry("Kofi Adjare-Brandt vet-authorisation", Twist.ABSENT),
            Map.entry("Kofi Adjare-Brandt livery-agreement", Twist.UNSIGNED),
            Map.entry("Bastian Okonwe horse-insurance", Twist.LAPSED));

    /** Files one person's papers. */
    void fill(PersonFile file, LocalDate today) {
        Random random = new Random(file.number().hashCode());
        List<String> types = new ArrayList<>();
        for (Checklist list : catalog.rules().book().checklists()) {
            if (list.appliesWhen().equals(Condition.kindIs(file.kind()))) {
                list.requirements().forEach(r -> types.addAll(r.types()));
            }
        }
        boolean minor = ChronoUnit.YEARS.between(file.birthDate(), today) < 18;
        for (String type : types) {
            if (isAskedOf(type, file, minor, today)) {
                papers(file, catalog.type(type), today, random);
            }
        }
        others.fill(file, today, random);
    }

    private static boolean isAskedOf(String type, PersonFile file, boolean minor, LocalDate today) {
        Map<String, String> facts = file.factsOn(today);
        return switch (type) {
            case "guardian-consent" -> minor;
            case "treatment-consent" -> !minor;
            case "neck-xray" -> "neck instability".equals(facts.get("diagnosisGroup"));
            case "swimming-proof" -> "trek".equals(facts.get("group"));
            case "safeguarding" -> "yes".equals(facts.get("worksWithChildren"));
            case "minibus-licence" -> "yes".equals(facts.get("drivesMinibus"));
            case "instructor-licence" -> "instructor".equals(facts.get("role"));
            case "utility-bill" -> false;
            default -> true;
        };
    }

    private void papers(PersonFile file, KeptDocumentType type, LocalDate today, Random random) {
        earlier(file, type, today, random);
        Twist twist = TWISTS.containsKey(file.name() + " " + type.code())
                ? TWISTS.get(file.name() + " " + type.code())
                : chance(file, type, random);
        LocalDate start = Objects.requireNonNull(file.activeSpans().get(0).fromDay());
        int life = LIFE.getOrDefault(type.code(), 0);
        int since = (int) ChronoUnit.DAYS.between(start, today);
        if (twist == Twist.ABSENT) {
            return;
        }
        if (twist == null || twist == Twist.PENDING || twist == Twist.SENT_BACK || twist == Twist.UNSIGNED) {
            int age = ageOfGoodPaper(type.code(), life, since, random);
            if (type.code().equals("risk-acknowledgement")) {
                age = Math.min(age, (int) ChronoUnit.DAYS.between(lastSeasonEnd(today), today) - 1);
            } else if (type.code().equals("instructor-licence")) {
                age = Math.min(age, today.getDayOfYear() - 1);
            }
            paper(file, type, today.minusDays(age), null, today, twist, random);
            if (type.code().equals("reference")) {
                paper(file, type, today.minusDays(age + 3L), null, today, null, random);
            }
            return;
        }
        boolean stated = STATED_YEARS.containsKey(type.code());
        int left =
                switch (twist) {
                    case LAPSED -> -25;
                    case GRACE -> -6;
                    default -> 12;
                };
        LocalDate end = today.plusDays(left);
        LocalDate dated = stated
                ? end.minusYears(Objects.requireNonNull(STATED_YEARS.get(type.code())))
                : datedToEnd(type.code(), end, life, twist);
        paper(file, type, dated, stated ? end : null, today, null, random);
        if (twist == Twist.RENEWAL_PENDING) {
            paper(file, type, today.minusDays(5), null, today, Twist.PENDING, random);
        }
    }

    /** The papers that came before the present one of a type that is renewed, so that past days are in order as well. */
    private void earlier(PersonFile file, KeptDocumentType type, LocalDate today, Random random) {
        int life = LIFE.getOrDefault(type.code(), type.code().equals("risk-acknowledgement") ? 365 : 0);
        if (life == 0 || life > 800 || type.code().equals("utility-bill")) {
            return;
        }
        LocalDate start = Objects.requireNonNull(file.activeSpans().get(0).fromDay());
        LocalDate farthest = today.minusDays(420);
        LocalDate dated = (start.isBefore(farthest) ? farthest : start).plusDays(random.nextInt(12));
        while (dated.plusDays(life + 40L).isBefore(today) && random.nextInt(25) > 0) {
            paper(file, type, dated, null, today, null, random);
            dated = dated.plusDays(life - 30L + random.nextInt(36));
        }
    }

    /** Among the people made from lists one slot in fourteen departs; those written by hand depart as written. */
    private static @Nullable Twist chance(PersonFile file, KeptDocumentType type, Random random) {
        int roll = random.nextInt(190);
        if (IN_ORDER.contains(file.name()) || roll >= 12) {
            return null;
        }
        boolean runsOut = LIFE.containsKey(type.code()) || STATED_YEARS.containsKey(type.code());
        if (roll < 5 && runsOut) {
            return List.of(Twist.EXPIRING, Twist.EXPIRING, Twist.LAPSED, Twist.GRACE, Twist.RENEWAL_PENDING)
                    .get(roll);
        }
        if (roll < 7 && type.needsReview()) {
            return roll == 5 ? Twist.PENDING : Twist.SENT_BACK;
        }
        if (roll < 9 && !type.signers().isEmpty()) {
            return Twist.UNSIGNED;
        }
        return roll >= 10 ? Twist.ABSENT : null;
    }

    /** People written by hand: their slots are as the twists say and otherwise in order. */
    private static final Set<String> IN_ORDER = TWISTS.keySet().stream()
            .map(key -> key.substring(0, key.lastIndexOf(' ')))
            .collect(Collectors.toSet());

    private static LocalDate lastSeasonEnd(LocalDate today) {
        LocalDate thisYear = LocalDate.of(today.getYear(), 8, 31);
        return thisYear.isBefore(today) ? thisYear : thisYear.minusYears(1);
    }

    /** How many days ago a good paper is dated; a background check shortly before the start, as its rule asks. */
    private static int ageOfGoodPaper(String type, int life, int since, Random random) {
        if (type.equals("background-check")) {
            return Math.min(since + 20, 900);
        }
        return life == 0 ? Math.max(1, since - random.nextInt(6)) : 5 + random.nextInt(Math.max(1, life - 28));
    }

    /** The document date of a paper that runs out about then; where its rule rounds to the end of the month, in that month. */
    private static LocalDate datedToEnd(String type, LocalDate end, int life, Twist twist) {
        if (!type.equals("first-aid") && !type.equals("safeguarding")) {
            return end.minusYears(life / 365).minusDays(life % 365 >= 180 ? 182 : 0);
        }
        LocalDate month = twist == Twist.LAPSED ? end.plusDays(25).minusMonths(1) : end.minusDays(12);
        return month.withDayOfMonth(5).minusYears(life / 365);
    }

    private void paper(
            PersonFile file,
            KeptDocumentType type,
            LocalDate dated,
            @Nullable LocalDate expires,
            LocalDate today,
            @Nullable Twist twist,
            Random random) {
        LocalDate stated = expires != null || !STATED_YEARS.containsKey(type.code())
                ? expires
                : today.plusDays(50
                        + random.nextInt(
                                Math.min(900, 365 * Objects.requireNonNull(STATED_YEARS.get(type.code())) - 60)));
        LocalDate date = stated != null && expires == null
                ? stated.minusYears(Objects.requireNonNull(STATED_YEARS.get(type.code())))
                : dated;
        LocalDate start = Objects.requireNonNull(file.activeSpans().get(0).fromDay());
        LocalDate received =
                date.isBefore(start) ? start : date.plusDays(Math.min(1, ChronoUnit.DAYS.between(date, today)));
        List<String> text = PaperText.of(type.code(), type.label(), file, date, stated);
        boolean scan = random.nextInt(9) == 0 && type.signers().isEmpty();
        byte[] bytes = scan
                ? DemoPapers.scannedLongAgo(PaperText.letterhead(type.code()), text, random.nextLong())
                : DemoPapers.typed(PaperText.letterhead(type.code()), text);
        documents.takeOver(
                Actor.system("Ottilie Brandmoor"),
                new FilingDetails(
                        file.id(),
                        type.code(),
                        List.of(),
                        date,
                        null,
                        stated,
                        PaperText.fields(type.code(), file.name()),
                        null,
                        null),
                new Documents.Received(
                        store.keep(bytes, text),
                        received,
                        scan ? "from the pickup “Office desk”" : "dropped into Arrivals by Ottilie Brandmoor"),
                history(type, file, received, today, twist));
    }

    private static Documents.History history(
            KeptDocumentType type, PersonFile file, LocalDate received, LocalDate today, @Nullable Twist twist) {
        LocalDate decided = received.isBefore(today) ? received.plusDays(1) : received;
        boolean review = type.needsReview() && twist != Twist.PENDING && twist != Twist.SENT_BACK;
        return new Documents.History(
                review ? decided : null,
                review ? "Zuri Mbeya-Holt" : null,
                twist == Twist.SENT_BACK ? decided : null,
                twist == Twist.SENT_BACK ? "The second page is missing." : null,
                signatures(type, file, received, twist == Twist.UNSIGNED));
    }

    /** All of the type's signers; of an unsigned contract the employee alone. */
    private static List<GivenSignature> signatures(
            KeptDocumentType type, PersonFile file, LocalDate on, boolean unsigned) {
        int most = !unsigned ? type.signers().size() : type.code().equals("contract") ? 1 : 0;
        return type.signers().stream()
                .limit(most)
                .map(s -> new GivenSignature(s.role(), signerOf(s.role(), file), on))
                .toList();
    }

    private static String signerOf(String role, PersonFile file) {
        return switch (role) {
            case "director", "yard" -> "Bram Ostervelt";
            case "physician" -> "Dr. Ansgar Wolfreth";
            case "guardian" -> "Ruth " + file.familyName();
            default -> file.name();
        };
    }

    List<PersonFile> open(LocalDate today) {
        List<PersonFile> opened = new ArrayList<>();
        DemoPeople.of(today, everyone)
                .forEach(person -> opened.add(files.open(person, true, Actor.system("Ottilie Brandmoor"))));
        return opened;
    }
}
