package app.denfold.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Days and their roles in many sentences and pages, each with its English days in other notations too. */
class DateCorpusTest {

    private static final LocalDate RECEIVED = LocalDate.of(2026, 11, 25);

    private static final Pattern ENGLISH =
            Pattern.compile("\\b(\\d{1,2}) (January|February|March|April|May|June|July|August"
                    + "|September|October|November|December) (\\d{4})\\b");

    private static final DateTimeFormatter READ = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.UK);

    private static final List<DateTimeFormatter> OTHERS = List.of(
            DateTimeFormatter.ofPattern("MMMM d, uuuu", Locale.UK),
            DateTimeFormatter.ofPattern("dd.MM.uuuu"),
            DateTimeFormatter.ofPattern("dd-MMM-uuuu", Locale.US),
            DateTimeFormatter.ofPattern("uuuu-MM-dd"));

    private record Sentence(String text, Set<String> days) {}

    private static List<Sentence> read(String name) throws IOException {
        List<Sentence> all = new ArrayList<>();
        try (InputStream in = Objects.requireNonNull(DateCorpusTest.class.getResourceAsStream("/dates/" + name))) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                int arrow = line.indexOf(" => ");
                if (arrow > 0) {
                    String text = line.substring(0, arrow).replace("\\n", "\n").replace("\\t", "\t");
                    Set<String> days = new TreeSet<>(
                            List.of(line.substring(arrow + 4).strip().split("\\s+")));
                    days.remove("-");
                    all.add(new Sentence(text, days));
                }
            }
        }
        return all;
    }

    /** The same with its English days in other notations. */
    private static Set<Sentence> otherwise(Sentence sentence) {
        Set<Sentence> all = new LinkedHashSet<>(List.of(sentence));
        // pages in columns keep their widths
        if (!sentence.text().contains("\n")) {
            for (DateTimeFormatter other : OTHERS) {
                Matcher day = ENGLISH.matcher(sentence.text());
                String text = day.replaceAll(
                        found -> Matcher.quoteReplacement(other.format(LocalDate.parse(found.group(), READ))));
                all.add(new Sentence(text, sentence.days()));
            }
        }
        return all;
    }

    private record Result(int sentences, List<String> wrong, int days, List<String> wrongButSure) {

        double right() {
            return 1 - wrong.size() / (double) sentences;
        }
    }

    private static Result read(List<Sentence> sentences) {
        int days = 0;
        List<String> wrong = new ArrayList<>();
        List<String> sure = new ArrayList<>();
        for (Sentence sentence : sentences) {
            Set<String> found = new TreeSet<>();
            for (PaperDate day : PageDates.in(sentence.text(), DayOrder.DAY_FIRST, RECEIVED)) {
                String told = day.role().name().toLowerCase(Locale.ROOT) + ":" + day.day();
                found.add(told);
                days++;
                if (day.sure() && !sentence.days().contains(told)) {
                    sure.add(told + " in " + sentence.text());
                }
                assertThat(sentence.text()).as("quoted word for word").contains(day.quote());
            }
            if (!found.equals(sentence.days())) {
                wrong.add(sentence.text() + " " + found);
            }
        }
        return new Result(sentences.size(), wrong, days, sure);
    }

    private static Result of(String name) throws IOException {
        Result result = read(read(name).stream()
                .flatMap(s -> otherwise(s).stream())
                .distinct()
                .toList());
        System.out.printf(
                "figure dates-%s right %.1f %% of %d sentences, wrong but sure %d of %d days%n",
                name,
                100 * result.right(),
                result.sentences(),
                result.wrongButSure().size(),
                result.days());
        return result;
    }

    @Test
    void ofSentencesTheReaderWasMadeByNearlyAllAreReadAndNoneWronglyForSure() throws IOException {
        Result seen = of("seen.txt");
        assertThat(seen.sentences()).isGreaterThan(400);
        assertThat(seen.right()).as("%s", seen.wrong()).isGreaterThanOrEqualTo(0.97);
        assertThat(seen.wrongButSure()).hasSizeLessThanOrEqualTo(seen.days() / 200);
    }

    @Test
    void ofSentencesWrittenLaterNineOfTenAreReadAndOneInTwoHundredWronglyForSure() throws IOException {
        Result unseen = of("unseen.txt");
        assertThat(unseen.right()).as("%s", unseen.wrong()).isGreaterThanOrEqualTo(0.9);
        assertThat(unseen.wrongButSure()).hasSizeLessThanOrEqualTo(unseen.days() / 200);
    }

    /** A page of nothing but days, and one of nothing but words that could be labels, are read all the same. */
    @Test
    void aHugeTableIsReadRowByRow() {
        StringBuilder table = new StringBuilder("Name      Issued        Expires\n");
        for (int i = 0; i < 2_000; i++) {
            table.append("Rider     05.11.2024    30.11.2026\n");
        }
        List<PaperDate> days = PageDates.in(table.toString(), DayOrder.DAY_FIRST, RECEIVED);
        assertThat(days).hasSize(4_000);
        assertThat(days.stream().filter(d -> d.role() == DateRole.EXPIRES)).hasSizeGreaterThan(20);
        assertThat(PageDates.in("valid until from expires ".repeat(20_000), null, null))
                .isEmpty();
    }
}
