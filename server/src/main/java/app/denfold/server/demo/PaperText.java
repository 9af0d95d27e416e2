package app.denfold.server.demo;

import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What stands on the demo's papers. */
final class PaperText {

    private static final String CERTIFICATE = "FH-";
    private static final String POLICY = "HMC ";

    private PaperText() {}

    static List<String> of(String type, String label, PersonFile person, LocalDate dated, @Nullable LocalDate expires) {
        return of(type, label, person.name(), person.birthDate(), person.number(), dated, expires);
    }

    /** @param birthDate null when the paper does not tell it */
    static List<String> of(
            String type,
            String label,
            String name,
            @Nullable LocalDate birthDate,
            String number,
            LocalDate dated,
            @Nullable LocalDate expires) {
        String born = birthDate == null ? "" : ", born " + PracticeCalendar.words(birthDate);
        List<String> lines = new ArrayList<>(List.of("# " + title(type, label), ""));
        lines.addAll(body(type, name, born, number));
        lines.add("");
        lines.add("Issued " + PracticeCalendar.words(dated));
        if (expires != null) {
            lines.add("Valid until " + PracticeCalendar.words(expires));
        }
        return lines;
    }

    /** The values that the fields of the type have on such a paper. */
    static Map<String, String> fields(String type, String name) {
        return switch (type) {
            case "first-aid" -> Map.of("Certificate number", CERTIFICATE + serial(name));
            case "insurance-card", "horse-insurance", "public-liability", "building-insurance", "vehicle-insurance" ->
                Map.of("Policy number", POLICY + serial(name));
            default -> Map.of();
        };
    }

    private static String serial(String name) {
        return String.valueOf(1_000 + Math.floorMod(name.hashCode(), 9_000));
    }

    private static String title(String type, String label) {
        return switch (type) {
            case "first-aid" -> "Certificate of first aid";
            case "contract" -> "Contract of employment";
            case "clearance" -> "Physician's clearance for riding";
            default -> label;
        };
    }

    private static List<String> body(String type, String name, String born, String number) {
        return switch (type) {
            case "first-aid" ->
                List.of(
                        "This is to certify that " + name + born + ",",
                        "attended the full course and passed the practical and the written test.",
                        "",
                        "Certificate no. " + CERTIFICATE + serial(name) + ".",
                        "Course held at Fennick Hall, 16 hours, outdoor and riding settings.",
                        "Valid for two years, to the end of the month.");
            case "contract" -> contract(name, born);
            case "clearance" ->
                List.of(
                        name + born + ", has been examined.",
                        "",
                        "There is no objection against taking part in riding under therapeutic guidance.",
                        "Helmet and safety vest to be worn. Next examination in twelve months.");
            case "referral" ->
                List.of(
                        "Dear colleagues,",
                        "",
                        "please take " + name + born + ", into your programme.",
                        "Twelve sessions, once a week. A short report after the eighth is welcome.");
            case "background-check" ->
                List.of(
                        "For " + name + born + ":",
                        "",
                        "No entries. Extended check for work with children and young people.");
            case "contact-sheet" ->
                List.of(
                        "In an emergency concerning " + name + " call, in this order:",
                        "",
                        "1   at home in the evening, or at work during the day",
                        "2   the neighbour, who has a key",
                        "3   the practice of the family physician");
            case "insurance-card", "horse-insurance", "public-liability", "building-insurance", "vehicle-insurance" ->
                List.of(
                        "Insured: " + name + born + ".",
                        "Policy no. " + POLICY + serial(name),
                        "",
                        "Please keep this paper with your documents.");
            case "passport", "driving-licence" ->
                List.of(
                        "Copy, front and back, of the document of",
                        "",
                        name + born + ".",
                        "",
                        "The original was seen at the desk.");
            case "reference" ->
                List.of(
                        "We know " + name + " from several years of working together.",
                        "",
                        "Calm with horses, reliable with children, on time in every weather.");
            case "minutes" ->
                List.of(
                        "Yearly meeting of " + name + ".",
                        "",
                        "Present: B. Ostervelt, O. Brandmoor, Z. Mbeya-Holt, H. Calloway-Reed.",
                        "The accounts were read and accepted. The roof of the arena is renewed in spring.");
            case "premises-lease" ->
                List.of(
                        "The estate lets " + name + " to the yard",
                        "",
                        "for grazing and hay, with the track along the brook. The rent is due each quarter.");
            case "fire-inspection", "electrical-inspection", "vehicle-inspection" ->
                List.of("Inspected: " + name + ".", "", "No faults that stand against its use were found.");
            case "guardian-consent" ->
                List.of(
                        "As guardian of " + name + born + ",",
                        "",
                        "I agree to lessons, excursions on the farm's own tracks and first aid.",
                        "This consent ends on the eighteenth birthday.");
            default -> List.of("Concerning " + name + born + ".", "", "File number " + number + " at Oakhollin.");
        };
    }

    private static List<String> contract(String name, String born) {
        return List.of(
                "between Oakhollin Riding & Therapy Yard",
                "and " + name + born + ".",
                "",
                "1   The work",
                "The employee works at the yard in lessons, in the care of the horses and in",
                "whatever the season asks for, as agreed with the head of the team.",
                "",
                "2   The hours",
                "Thirty-two hours a week, every second weekend included. Lessons in the evening",
                "count from the first horse saddled to the last one fed.",
                "",
                "3   Papers",
                "First aid, safeguarding and the background check are kept current. The yard",
                "pays for the courses and gives the days for them.",
                "---",
                "4   Leave",
                "Twenty-six days a year, planned together in January.",
                "",
                "5   End",
                "Either side may end this contract with six weeks' notice to the end of a month.",
                "",
                "6   Changes",
                "Changes need the written form and both signatures.");
    }

    /** Who writes papers of a type. */
    static String letterhead(String type) {
        return switch (type) {
            case "first-aid" -> "Fennick Hall Courses, Lower Mill Lane 3";
            case "clearance", "referral", "neck-xray", "tetanus" -> "Practice of Dr. Ansgar Wolfreth, Brook Street 9";
            case "insurance-card", "horse-insurance", "public-liability", "building-insurance", "vehicle-insurance" ->
                "Harrow Mutual Care, Policies";
            case "flu-vaccination", "vet-authorisation", "horse-passport" -> "Veterinary practice Tolle & Umar";
            case "fire-inspection" -> "Fennick Fire Brigade, Inspections";
            case "electrical-inspection", "vehicle-inspection" -> "Lower Mill Testing, Lower Mill Lane 11";
            case "premises-lease" -> "Quarry Estate, Brook Street 2";
            default -> "Oakhollin Riding & Therapy Yard, Oakhollin 1";
        };
    }
}
