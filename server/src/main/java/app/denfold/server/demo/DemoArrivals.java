package app.denfold.server.demo;

import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival.Source;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.covers.CoverSheets;
import app.denfold.server.arrivals.desks.PickupDesks;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.demo.standins.DemoMail;
import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Papers that wait in the demo's Arrivals, from every way in, some of them with something wrong. */
@Component
@Profile("demo")
class DemoArrivals {

    private static final Actor DESK = Actor.system("Office desk");

    private final Arrivals arrivals;
    private final CoverSheets sheets;
    private final DemoMail mail;
    private final PickupDesks desks;

    DemoArrivals(Arrivals arrivals, CoverSheets sheets, DemoMail mail, PickupDesks desks) {
        this.arrivals = arrivals;
        this.sheets = sheets;
        this.mail = mail;
        this.desks = desks;
    }

    void load(Viewer administrator, Viewer guardian, List<PersonFile> people, LocalDate today) {
        PersonFile edie = named(people, "Edie Penhallow");
        PersonFile ilse = named(people, "Ilse Varga-Moon");
        PersonFile noor = named(people, "Noor Vahdani");
        PersonFile jon = named(people, "Jon Adair");
        PersonFile anouk = named(people, "Anouk Ferrel");
        LocalDate yesterday = today.minusDays(1);
        receive(
                scan("first-aid", "First aid certificate", noor, today.minusDays(6), null, 1),
                "scan_0087.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
        receive(
                scan("contact-sheet", "Emergency contact sheet", ilse, yesterday, null, 2),
                "scan_0088.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
        // two riders are called so, and nothing on it tells which of them is meant
        receive(
                DemoPapers.scanned(
                        PaperText.letterhead("risk-acknowledgement"),
                        List.of(
                                "# Risk acknowledgement",
                                "",
                                "I have read what can happen when riding, and the rules of the yard.",
                                "",
                                "Rider: " + jon.name(),
                                "",
                                "Signed " + PracticeCalendar.words(yesterday)),
                        3),
                "scan_0089.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
        receive(
                DemoPapers.typed(
                        "Tolle & Umar, veterinary practice",
                        List.of(
                                "# Invoice 2231",
                                "",
                                "Concerning the horse Tansy, box B 7.",
                                "",
                                "Issued " + PracticeCalendar.words(yesterday))),
                "Invoice 2231.pdf",
                Source.DROP,
                administrator.actor(),
                null,
                null,
                null);
        receive(
                DemoPapers.typed(
                        PaperText.letterhead("horse-insurance"),
                        PaperText.of(
                                "horse-insurance",
                                "Horse liability insurance",
                                anouk,
                                today.minusDays(4),
                                today.plusYears(1).minusDays(4))),
                "Policy Tansy.pdf",
                Source.DROP,
                administrator.actor(),
                anouk.id(),
                "horse-insurance",
                null);
        receive(
                DemoPapers.photographed(
                        "Harrow Mutual Care",
                        PaperText.of("insurance-card", "Insurance card", edie, today.minusDays(9), today.plusYears(2)),
                        7),
                "IMG_2041.jpg",
                Source.PORTAL,
                guardian.actor(),
                edie.id(),
                "insurance-card",
                "Asked for: Insurance card");
        receive(
                DemoPapers.locked("Brook Street 9", List.of("# Report", "", "Not for everyone.")),
                "scan_0091.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
        receive(
                "%PDF-1.6\nthe transfer broke off here".getBytes(StandardCharsets.UTF_8),
                "fax_3380.pdf",
                Source.DROP,
                administrator.actor(),
                null,
                null,
                null);
    }

    /** One stack scanned in one go, with a cover sheet before each paper, and papers of other formats. */
    void loadStack(Viewer administrator, List<PersonFile> people, LocalDate today) {
        desks.set(
                administrator,
                new PickupDesks.DeskDetails(
                        "Office desk",
                        null,
                        null,
                        "Scanner by the window, both sides",
                        false,
                        true,
                        0,
                        true,
                        false,
                        2));
        desks.set(
                administrator,
                new PickupDesks.DeskDetails(
                        "Stable desk",
                        null,
                        "From the scanner in the tack room",
                        null,
                        false,
                        false,
                        0,
                        false,
                        false,
                        2));
        PersonFile petra = named(people, "Petra Lindqvarn");
        PersonFile oswin = named(people, "Oswin Tarrafal");
        PersonFile jorun = named(people, "Jorun Haukelid");
        LocalDate dated = today.minusDays(3);
        byte[] stack = DemoPapers.merged(List.of(
                DemoPapers.scannedPdf(sheets.sheets(administrator, petra.id(), List.of("first-aid")), 1),
                scan("first-aid", "First aid certificate", petra, dated, null, 2),
                DemoPapers.scannedPdf(sheets.sheets(administrator, oswin.id(), List.of()), 3),
                scan("handbook", "Handbook receipt", oswin, dated, null, 4),
                DemoPapers.scannedPdf(sheets.sheets(administrator, null, List.of("manual-handling")), 5),
                scan("manual-handling", "Manual handling", oswin, dated, null, 6),
                DemoPapers.scannedPdf(sheets.sheets(administrator, jorun.id(), List.of("contract")), 7),
                DemoPapers.scanned(
                        PaperText.letterhead("contract"),
                        PaperText.of("contract", "Contract", jorun, dated, null),
                        8)));
        receive(stack, "scan_0300.pdf", Source.PICKUP, DESK, null, null, null);
        PersonFile pia = named(people, "Pia Kvitová-Lark");
        receive(
                DemoPapers.upsideDown(scan("contact-sheet", "Emergency contact sheet", pia, dated, null, 9)),
                "scan_0301.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
        PersonFile mirela = named(people, "Mirela Dascu");
        mail.deliver(
                mirela.email(),
                "Tetanus record",
                "Good morning,\n\nthe doctor gave me this yesterday. Is it enough?\n\nMirela",
                "tetanus.pdf",
                DemoPapers.typed(
                        PaperText.letterhead("tetanus"),
                        PaperText.of("tetanus", "Tetanus record", mirela, today.minusDays(1), null)));
        receive(DemoPapers.memo(), "Memo about Pepperpot.wav", Source.DROP, administrator.actor(), null, null, null);
        receive(
                DemoPapers.table(List.of(
                        List.of("Box", "Horse", "Hay, kg", "Oats, kg"),
                        List.of("B 4", "Quillon", "8", "2"),
                        List.of("B 7", "Tansy", "7", "1.5"),
                        List.of("C 5", "Pepperpot", "6", "1"))),
                "Boxes and feed.xlsx",
                Source.DROP,
                administrator.actor(),
                null,
                null,
                null);
    }

    /** A morning's post besides: scans, photos from guests, dropped papers, a fax, a duplicate and a stranger's paper. */
    void loadMore(Viewer administrator, List<PersonFile> people, LocalDate today) {
        Random random = new Random(40);
        for (int i = 0; i < MORE; i++) {
            PersonFile person = people.get(random.nextInt(people.size()));
            String[] type = USUAL.get(random.nextInt(USUAL.size()));
            LocalDate dated = today.minusDays(1L + random.nextInt(9));
            List<String> text = PaperText.of(type[0], type[1], person, dated, null);
            String letterhead = PaperText.letterhead(type[0]);
            switch (i % 4) {
                case 0 ->
                    receive(
                            DemoPapers.scanned(letterhead, text, i),
                            pickupName(i),
                            Source.PICKUP,
                            DESK,
                            null,
                            null,
                            null);
                case 1 ->
                    receive(DemoPapers.typed(letterhead, text), pickupName(i), Source.PICKUP, STABLE, null, null, null);
                case 2 ->
                    receive(
                            DemoPapers.typed(letterhead, text),
                            type[1] + " " + person.familyName() + ".pdf",
                            Source.DROP,
                            administrator.actor(),
                            null,
                            null,
                            null);
                default ->
                    receive(
                            DemoPapers.typed(letterhead, text),
                            "IMG_" + (2050 + i) + ".pdf",
                            Source.PORTAL,
                            Actor.system(person.name()),
                            person.id(),
                            type[0],
                            "Sent without being asked");
            }
        }
        List<String> fax = List.of("# Fax", "", "Delivery of hay, two pages.", "---", "Page two: weights and prices.");
        receive(DemoPapers.faxed("Hollin Hay & Straw", fax), "fax_3391.tif", Source.DROP, DESK, null, null, null);
        byte[] twice = DemoPapers.typed(
                PaperText.letterhead("letter"), List.of("# Lesson plan", "", "For the Saturday group."));
        receive(twice, "Lesson plan.pdf", Source.DROP, administrator.actor(), null, null, null);
        receive(twice, "Lesson plan (copy).pdf", Source.DROP, administrator.actor(), null, null, null);
        List<String> stranger = List.of("# Enrolment form", "", "Leontine Farrowgate would like to ride on Mondays.");
        receive(
                DemoPapers.typed(PaperText.letterhead("enrolment"), stranger),
                "scan_0199.pdf",
                Source.PICKUP,
                DESK,
                null,
                null,
                null);
    }

    private static final int MORE = 28;
    private static final Actor STABLE = Actor.system("Stable desk");
    private static final List<String[]> USUAL = List.of(
            new String[] {"contact-sheet", "Emergency contact sheet"},
            new String[] {"first-aid", "First aid certificate"},
            new String[] {"referral", "Referral letter"},
            new String[] {"flu-vaccination", "Flu vaccination"},
            new String[] {"risk-acknowledgement", "Risk acknowledgement"},
            new String[] {"handbook", "Handbook receipt"});

    private static String pickupName(int i) {
        return "scan_%04d.pdf".formatted(100 + i);
    }

    private static PersonFile named(List<PersonFile> people, String name) {
        return people.stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    }

    private static byte[] scan(
            String type, String label, PersonFile person, LocalDate dated, @Nullable LocalDate expires, long seed) {
        return DemoPapers.scanned(PaperText.letterhead(type), PaperText.of(type, label, person, dated, expires), seed);
    }

    private void receive(
            byte[] bytes,
            String name,
            Source source,
            Actor by,
            java.util.@Nullable UUID fileId,
            @Nullable String type,
            @Nullable String note) {
        try {
            Path file = Files.createTempFile("demo", ".part");
            try {
                Files.write(file, bytes);
                arrivals.receive(new ReceivedPaper(file, name, source, by, fileId, type, note));
            } finally {
                Files.delete(file);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
