package app.denfold.server.demo;

import app.denfold.server.people.PersonDetails;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The two hundred people of the demo; days hang on the demo's today. Some are written by hand, because pictures, tests and
 * help tell of them; the others are made from lists of names, always the same ones.
 */
final class DemoPeople {

    private static final String BRAM = "E-0137";
    private static final String OTTILIE = "E-0138";
    private static final String ZURI = "E-0139";
    private static final String HESTER = "E-0140";

    private final LocalDate today;
    private final Random random = new Random(1703);
    private final Set<String> names = new HashSet<>();
    private final List<PersonDetails> people = new ArrayList<>();

    private DemoPeople(LocalDate today) {
        this.today = today;
    }

    /** @param everyone false for those written by hand alone */
    static List<PersonDetails> of(LocalDate today, boolean everyone) {
        DemoPeople demo = new DemoPeople(today);
        demo.leaders();
        demo.patients();
        demo.students();
        demo.employees();
        demo.clients();
        if (everyone) {
            demo.others();
        }
        demo.enteredTwice();
        return demo.people;
    }

    /** Those to whom others report; their file numbers are the first four of their kind. */
    private void leaders() {
        employee("Bram", "Ostervelt", 54, 3100, "Office", "office", null, false, true);
        employee("Ottilie", "Brandmoor", 47, 2400, "Office", "office", BRAM, false, false);
        employee("Zuri", "Mbeya-Holt", 43, 1900, "Therapy", "therapist", BRAM, false, true);
        employee("Hester", "Quillam", 39, 1650, "Riding school", "instructor", BRAM, true, true);
    }

    private void patients() {
        patient("Edie", "Penhallow", 11, 400, "balance and gait", "Ignace Beaumarin", "hippotherapy");
        patient("Ilse", "Varga-Moon", 34, 700, "recovery after injury", "Zuri Mbeya-Holt", "riding for balance");
        patient("Orla", "Quist", 52, 250, "muscle tone", "Ignace Beaumarin", "hippotherapy");
        patient("Dario", "Ekström", 9, 90, "neck instability", "Zuri Mbeya-Holt", "hippotherapy");
        patient("Salome", "Iwaszko", 41, 520, "muscle tone", "Ignace Beaumarin", "carriage driving");
        patient("Bao", "Trélissac", 16, 300, "balance and gait", "Zuri Mbeya-Holt", "riding for balance");
        patient("Hedda", "Nørgaard-Lind", 63, 8, "recovery after injury", "Ignace Beaumarin", "carriage driving");
        patient("Amadou", "Sestri", 28, 610, "balance and gait", "Zuri Mbeya-Holt", "riding for balance");
    }

    private void students() {
        student("Jon", "Adair", 12, 420, "walk and trot", "Saturday");
        student("Jon", "Adair", 15, 380, "canter", "trek");
        student("Mirabel", "Oyelaran", 10, 60, "beginner", "Monday");
        student("Tycho", "Vandersloot", 17, 800, "jumping", "trek");
        student("Pia", "Kvitová-Lark", 24, 500, "canter", "Wednesday");
        student("Kenji", "Abelard", 13, 12, "beginner", "Saturday");
        student("Saoirse", "Dumitrache", 14, 640, "jumping", "Wednesday");
        student("Lorenz", "Fairweather-Ito", 38, 200, "walk and trot", "Monday");
    }

    private void employees() {
        employee("Petra", "Lindqvarn", 41, 900, "Riding school", "instructor", HESTER, true, true);
        employee("Oswin", "Tarrafal", 36, 760, "Therapy", "therapist", ZURI, false, true);
        employee("Mirela", "Dascu", 50, 1500, "Office", "office", OTTILIE, false, false);
        employee("Jorun", "Haukelid", 29, 430, "Riding school", "instructor", HESTER, false, true);
        employee("Callum", "Rethwisch", 23, 20, "Stables", "groom", BRAM, true, false);
        employee("Noor", "Vahdani", 33, 560, "Office", "office", OTTILIE, false, false);
        employee("Tamsin", "Korhola", 32, 297, "Riding school", "instructor", HESTER, true, true);
        employee("Ignace", "Beaumarin", 45, 1200, "Therapy", "therapist", ZURI, false, true);
    }

    private void clients() {
        client("Rosalba", "Mincio", 47, 950, "Quillon", "B 4", "full livery");
        client("Teodor", "Vasklund", 58, 1300, "Marrow and Fen", "A 1", "part livery");
        client("Anouk", "Ferrel", 31, 330, "Tansy", "B 7", "full livery");
        client("Kofi", "Adjare-Brandt", 39, 15, "Sable Wind", "C 2", "grass livery");
        client("Liesel", "Abrantes", 66, 2000, "Old Harbour", "A 3", "full livery");
        client("Bastian", "Okonwe", 44, 700, "Pepperpot", "C 5", "part livery");
    }

    /** Somebody typed them in again, a little otherwise. */
    private void enteredTwice() {
        again("Lorenz", "Fairweather-Ito", "Lorentz", "Fairweather Ito", 30);
        again("Liesel", "Abrantes", "L", "Abrantes", 12);
    }

    private void again(String given, String family, String givenAgain, String familyAgain, int since) {
        PersonDetails first = people.stream()
                .filter(p -> p.givenName().equals(given) && p.familyName().equals(family))
                .findFirst()
                .orElseThrow();
        people.add(PersonDetails.since(
                first.kind(),
                givenAgain,
                familyAgain,
                first.birthDate(),
                null,
                first.team(),
                today.minusDays(since),
                first.facts()));
    }

    private void patient(
            String given, String family, int age, int since, String group, String therapist, String programme) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("diagnosisGroup", group);
        facts.put("therapist", therapist);
        facts.put("programme", programme);
        facts.put("firstSession", today.minusDays(since).plusDays(14).toString());
        facts.put("insurer", "Harrow Mutual Care");
        add("patient", given, family, age, since, "Therapy", facts);
    }

    private void student(String given, String family, int age, int since, String level, String group) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("level", level);
        facts.put("group", group);
        add("student", given, family, age, since, "Riding school", facts);
    }

    private void employee(
            String given,
            String family,
            int age,
            int since,
            String team,
            String role,
            @Nullable String supervisor,
            boolean minibus,
            boolean children) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("role", role);
        if (supervisor != null) {
            facts.put("supervisor", supervisor);
        }
        facts.put("drivesMinibus", minibus ? "yes" : "no");
        facts.put("worksWithChildren", children ? "yes" : "no");
        add("employee", given, family, age, since, team, facts);
    }

    private void client(String given, String family, int age, int since, String horse, String box, String agreement) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("horse", horse);
        facts.put("box", box);
        facts.put("agreementType", agreement);
        add("client", given, family, age, since, "Stables", facts);
    }

    private void add(
            String kind, String given, String family, int age, int since, String team, Map<String, String> facts) {
        int offset = (given.length() * 37 + family.length() * 53 + age * 7) % 300;
        LocalDate born = today.minusYears(age).minusDays(offset + 20L);
        String mail = SafeMail.of(given, family);
        people.add(PersonDetails.since(kind, given, family, born, mail, team, today.minusDays(since), facts));
    }

    private static final List<String> GIVEN = List.of(
            "Aino",
            "Alba",
            "Anselm",
            "Aurelio",
            "Beatrix",
            "Benno",
            "Caoimhe",
            "Casimir",
            "Corisande",
            "Dag",
            "Dilek",
            "Edda",
            "Emeka",
            "Enrique",
            "Eszter",
            "Fenna",
            "Florin",
            "Gaspard",
            "Gudrun",
            "Hamza",
            "Hanneke",
            "Ilmari",
            "Imke",
            "Ines",
            "Ivo",
            "Jadwiga",
            "Joost",
            "Kasia",
            "Keziah",
            "Lior",
            "Ludmila",
            "Maddalena",
            "Malachi",
            "Mariusz",
            "Merike",
            "Nadim",
            "Nele",
            "Odalys",
            "Oisin",
            "Paloma",
            "Per",
            "Quentin",
            "Radka",
            "Rasmus",
            "Rukmini",
            "Sefa",
            "Signe",
            "Sibylle",
            "Tadeo",
            "Tindra",
            "Ulrike",
            "Vasil",
            "Wanja",
            "Wenzel",
            "Xenia",
            "Yrsa",
            "Zdenka",
            "Zeno");

    private static final List<String> FAMILY = List.of(
            "Abelsgaard",
            "Achterberg",
            "Adeyinka",
            "Alvsten",
            "Arrighetti",
            "Balint-Roo",
            "Bjerkan",
            "Brzask",
            "Calloway-Ash",
            "Cisneral",
            "Dobrevan",
            "Drumgold",
            "Eikenrode",
            "Elorza",
            "Fagerlid",
            "Fonseque",
            "Gallimard",
            "Grzelka",
            "Haverkamp",
            "Hrdlik",
            "Ibarrondo",
            "Jansdotter",
            "Kalloniemi",
            "Kerridew",
            "Kovarsky",
            "Lanzerath",
            "Lindemare",
            "Maccaglia",
            "Marchetto",
            "Mbokani",
            "Nesterly",
            "Niittyla",
            "Oduya-Frost",
            "Olafsund",
            "Palazzard",
            "Pennefather-Li",
            "Quiroscano",
            "Rautavuori",
            "Rosenqvarn",
            "Saltmarsh",
            "Skjelbred",
            "Sorrentis",
            "Szalay-Moss",
            "Tallgrass",
            "Trevanion-Ek",
            "Ullensaker",
            "Vantongel",
            "Verhoeckx",
            "Wachsmuth",
            "Wierzbin",
            "Yalcindag",
            "Zapletan",
            "Zellweck");

    private static final int PATIENTS = 60;
    private static final int STUDENTS = 80;
    private static final int EMPLOYEES = 25;
    private static final int CLIENTS = 35;

    private void others() {
        fill(
                "patient",
                PATIENTS,
                () -> patient(
                        given(),
                        family(),
                        4 + random.nextInt(70),
                        since(900),
                        some(GROUPS),
                        random.nextBoolean() ? "Ignace Beaumarin" : "Zuri Mbeya-Holt",
                        some(PROGRAMMES)));
        fill(
                "student",
                STUDENTS,
                () -> student(given(), family(), 7 + random.nextInt(34), since(1000), some(LEVELS), some(LESSONS)));
        fill("employee", EMPLOYEES, this::someEmployee);
        fill(
                "client",
                CLIENTS,
                () -> client(
                        given(),
                        family(),
                        24 + random.nextInt(48),
                        since(2200),
                        some(HORSES),
                        "" + "ABCD".charAt(random.nextInt(4)) + " " + (1 + random.nextInt(12)),
                        some(LIVERIES)));
    }

    private static final List<String> GROUPS =
            List.of("balance and gait", "muscle tone", "muscle tone", "recovery after injury", "neck instability");
    private static final List<String> PROGRAMMES = List.of("hippotherapy", "riding for balance", "carriage driving");
    private static final List<String> LEVELS = List.of("beginner", "walk and trot", "canter", "jumping");
    private static final List<String> LESSONS = List.of("Monday", "Wednesday", "Saturday", "Saturday", "trek");
    private static final List<String> LIVERIES = List.of("full livery", "part livery", "grass livery");
    private static final List<String> HORSES = List.of(
            "Brindlecap",
            "Cobweb",
            "Dromio",
            "Fernseed",
            "Gallowglass",
            "Hobgrass",
            "Ink and Barley",
            "Juniper Lad",
            "Larkspur",
            "Marigold Two",
            "Northerly",
            "Old Penny",
            "Pumpernickel",
            "Quince",
            "Rumbletop",
            "Sorrel Sue",
            "Thistledown",
            "Umber",
            "Vesper",
            "Windfall",
            "Yarrow");

    private void someEmployee() {
        String role = some(List.of("instructor", "groom", "groom", "therapist", "office"));
        String team =
                switch (role) {
                    case "instructor" -> "Riding school";
                    case "therapist" -> "Therapy";
                    case "office" -> "Office";
                    default -> "Stables";
                };
        String supervisor =
                switch (role) {
                    case "instructor" -> HESTER;
                    case "therapist" -> ZURI;
                    case "office" -> OTTILIE;
                    default -> BRAM;
                };
        boolean children = !role.equals("groom") && !role.equals("office");
        employee(
                given(),
                family(),
                20 + random.nextInt(42),
                since(1600),
                team,
                role,
                supervisor,
                random.nextInt(4) == 0,
                children);
    }

    private void fill(String kind, int wanted, Runnable maker) {
        long there = people.stream().filter(p -> p.kind().equals(kind)).count();
        for (long i = there; i < wanted; i++) {
            maker.run();
        }
    }

    private @Nullable String nextGiven;

    /** A given name whose pair with the family name that follows nobody else has. */
    private String given() {
        nextGiven = some(GIVEN);
        return nextGiven;
    }

    private String family() {
        String family = some(FAMILY);
        while (!names.add(nextGiven + " " + family)) {
            family = some(FAMILY);
        }
        return family;
    }

    private int since(int most) {
        return random.nextInt(9) == 0 ? 2 + random.nextInt(25) : 40 + random.nextInt(most);
    }

    private <T> T some(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    /** Addresses that reach nobody. */
    private static final class SafeMail {
        static String of(String given, String family) {
            String plain = java.text.Normalizer.normalize(given + "." + family, java.text.Normalizer.Form.NFD)
                    .replaceAll("[^A-Za-z.-]", "")
                    .toLowerCase(java.util.Locale.ROOT);
            return plain + "@post.example";
        }
    }
}
