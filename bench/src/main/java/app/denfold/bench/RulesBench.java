package app.denfold.bench;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.Document;
import app.denfold.core.rules.DocumentType;
import app.denfold.core.rules.Evidence;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RuleBook;
import app.denfold.core.rules.Status;
import app.denfold.core.rules.Validity;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/**
 * How fast the core computes. The floor is one pass over the documents of a file that finds the newest one of each
 * type: no program that tells how a file stands can do less.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
public class RulesBench {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

    private final RuleBook small = book(1);
    private final Person onePaperTrail = person(1, 3);
    private final RuleBook large = book(30);
    private final Person thirtySlots = person(30, 120);

    private static RuleBook book(int requirements) {
        List<DocumentType> types = new ArrayList<>();
        List<Requirement> asked = new ArrayList<>();
        for (int i = 0; i < requirements; i++) {
            types.add(new DocumentType(
                    "t" + i, new Validity.ForPeriod(Validity.Anchor.DOCUMENT_DATE, Period.ofYears(1), i % 2 == 0)));
            asked.add(Requirement.of("r" + i, Evidence.ofType("t" + i))
                    .lead(30)
                    .grace(7)
                    .reviewed());
        }
        return RuleBook.of(types, List.of(new Checklist("list", Window.always(), Condition.always(), asked)));
    }

    private static Person person(int types, int documents) {
        List<Document> papers = new ArrayList<>();
        for (int i = 0; i < documents; i++) {
            LocalDate dated = TODAY.minusDays(30L + 300L * (i / types));
            papers.add(Document.dated("d" + i, "t" + i % types, dated, dated).accepted(dated.plusDays(1)));
        }
        return new Person(
                "employee",
                LocalDate.of(1990, 2, 28),
                List.of(Window.from(TODAY.minusYears(5))),
                List.of(),
                List.of(),
                papers);
    }

    /** One requirement with three documents: status with its next change. */
    @Benchmark
    public Object slot() {
        return KnownFile.of(small, onePaperTrail, TODAY).slots().get(0).outlookOn(TODAY);
    }

    /** A file of 30 requirements and 120 documents: everything but the reasons. */
    @Benchmark
    public Object file() {
        return KnownFile.of(large, thirtySlots, TODAY).on(TODAY);
    }

    /** The floor of {@link #file()}. */
    @Benchmark
    public Object floor() {
        java.util.Map<String, LocalDate> newest = new java.util.HashMap<>();
        for (Document document : thirtySlots.documents()) {
            newest.merge(document.type(), document.documentDate(), (a, b) -> a.isAfter(b) ? a : b);
        }
        return newest.values().stream()
                .map(d -> d.plusYears(1).isBefore(TODAY) ? Status.LAPSED : Status.ON_FILE)
                .toList();
    }

    public static void main(String[] args) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(RulesBench.class.getSimpleName())
                        .forks(1)
                        .jvmArgsAppend("-XX:+UseSerialGC")
                        .warmupIterations(3)
                        .warmupTime(TimeValue.seconds(2))
                        .measurementIterations(5)
                        .measurementTime(TimeValue.seconds(2))
                        .build())
                .run();
        double slot = score(results, "slot");
        double file = score(results, "file");
        double floor = score(results, "floor");
        Figures.atLeast("slots-a-second", 1e9 / slot, "1/s", 1_000_000);
        Figures.atMost("file-microseconds", file / 1_000, "us", 200);
        Figures.atMost("file-over-floor", file / floor, "x", 100);
    }

    private static double score(Collection<RunResult> results, String name) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + name))
                .findFirst()
                .orElseThrow()
                .getPrimaryResult()
                .getScore();
    }
}
