package app.denfold.server.demo;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.ProposeType.KnownType;
import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Scans of papers of the demo's two hundred people, with what they truly are: for measuring what is proposed for them. */
public final class DemoScans {

    private final LocalDate today;
    private final List<KnownPerson> people;
    private final List<KnownType> types = new ArrayList<>();

    public DemoScans(LocalDate today) throws IOException {
        this.today = today;
        var details = DemoPeople.of(today, true);
        this.people = IntStream.range(0, details.size())
                .mapToObj(i -> KnownPerson.of(
                        String.valueOf(i),
                        "O-%04d".formatted(i + 1),
                        details.get(i).givenName(),
                        details.get(i).familyName(),
                        details.get(i).birthDate()))
                .toList();
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream("/demo/catalog.json"))) {
            for (JsonNode type : JsonMapper.shared().readTree(in).get("types")) {
                List<String> names = new ArrayList<>(List.of(type.get("label").stringValue()));
                type.path("synonyms").forEach(s -> names.add(s.stringValue()));
                types.add(new KnownType(type.get("code").stringValue(), names));
            }
        }
    }

    /** A scan and what it truly is. Four in five tell the birth date, as papers about persons mostly do. */
    public record Scan(byte[] pdf, String personId, String type, LocalDate dated) {}

    public List<KnownPerson> people() {
        return people;
    }

    public List<KnownType> types() {
        return types;
    }

    /** The same seed makes the same scans. */
    public Stream<Scan> scans(int count, long seed) {
        Random random = new Random(seed);
        return Stream.generate(() -> scan(random)).limit(count);
    }

    private Scan scan(Random random) {
        KnownPerson person = people.get(random.nextInt(people.size()));
        KnownType type = types.get(random.nextInt(types.size()));
        LocalDate dated = today.minusDays(random.nextInt(600));
        List<String> lines = PaperText.of(
                type.code(),
                type.names().get(0),
                (person.givenName() + " " + person.familyName()).strip(),
                random.nextInt(5) == 0 ? null : person.birthDate(),
                "withheld",
                dated,
                null);
        byte[] pdf = DemoPapers.scanned(PaperText.letterhead(type.code()), lines, random.nextLong());
        return new Scan(pdf, person.id(), type.code(), dated);
    }
}
