package app.denfold.server.demo;

import app.denfold.server.people.PersonDetails;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The thirty people of the demo; days hang on the demo's today. */
final class DemoPeople {

    private final LocalDate today;
    private final List<PersonDetails> people = new ArrayList<>();

    private DemoPeople(LocalDate today) {
        this.today = today;
    }

    static List<PersonDetails> of(LocalDate today) {
        DemoPeople demo = new DemoPeople(today);
        demo.patients();
        demo.students();
        demo.employees();
        demo.clients();
        return demo.people;
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
        employee("Petra", "Lindqvarn", 41, 900, "Riding school", "instructor", "Bram Ostervelt", true, true);
        employee("Oswin", "Tarrafal", 36, 760, "Therapy", "therapist", "Zuri Mbeya-Holt", false, true);
        employee("Mirela", "Dascu", 50, 1500, "Office", "office", "Ottilie Brandmoor", false, false);
        employee("Jorun", "Haukelid", 29, 430, "Riding school", "instructor", "Bram Ostervelt", false, true);
        employee("Callum", "Rethwisch", 23, 20, "Stables", "groom", "Bram Ostervelt", true, false);
        employee("Noor", "Vahdani", 33, 560, "Office", "office", "Ottilie Brandmoor", false, false);
        employee("Tamsin", "Korhola", 32, 297, "Riding school", "instructor", "Bram Ostervelt", true, true);
        employee("Ignace", "Beaumarin", 45, 1200, "Therapy", "therapist", "Zuri Mbeya-Holt", false, true);
    }

    private void clients() {
        client("Rosalba", "Mincio", 47, 950, "Quillon", "B 4", "full livery");
        client("Teodor", "Vasklund", 58, 1300, "Marrow and Fen", "A 1", "part livery");
        client("Anouk", "Ferrel", 31, 330, "Tansy", "B 7", "full livery");
        client("Kofi", "Adjare-Brandt", 39, 15, "Sable Wind", "C 2", "grass livery");
        client("Liesel", "Abrantes", 66, 2000, "Old Harbour", "A 3", "full livery");
        client("Bastian", "Okonwe", 44, 700, "Pepperpot", "C 5", "part livery");
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
            String supervisor,
            boolean minibus,
            boolean children) {
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("role", role);
        facts.put("supervisor", supervisor);
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
