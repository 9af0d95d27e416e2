package app.denfold.bench;

import app.denfold.core.filing.Clues;
import app.denfold.core.filing.FoundDates;
import app.denfold.core.filing.Proposal;
import app.denfold.core.filing.ProposePerson;
import app.denfold.core.filing.ProposeType;
import app.denfold.core.filing.TypeWords;
import app.denfold.paper.Format;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.Sandbox;
import app.denfold.server.demo.DemoScans;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * How often what is proposed is right, on scans of the demo with the errors of recognition. The first 200 scans are filed
 * as they truly are; the others are asked about after them.
 */
public final class ProposalsBench {

    private static final int FILED_FIRST = 200;

    private ProposalsBench() {}

    private record Read(DemoScans.Scan scan, Clues clues) {}

    public static void main(String[] arguments) throws IOException {
        int asked = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 500;
        LocalDate today = LocalDate.now();
        DemoScans demo = new DemoScans(today);
        TypeWords.Learned learned = TypeWords.Learned.nothing();
        int persons = 0;
        int types = 0;
        int days = 0;
        int wrongPreselected = 0;
        int preselected = 0;
        try (PaperWorkers workers = new PaperWorkers(
                Sandbox.in(Files.createTempDirectory("denfold-bench"), "nobody"),
                Runtime.getRuntime().availableProcessors(),
                768,
                Duration.ofMinutes(3))) {
            List<DemoScans.Scan> scans = demo.scans(FILED_FIRST + asked, 97).toList();
            List<Read> read = scans.parallelStream().map(s -> read(workers, s)).toList();
            for (Read paper : read.subList(0, FILED_FIRST)) {
                learned = learned.with(paper.scan.type(), paper.clues.text(), 1);
            }
            for (Read paper : read.subList(FILED_FIRST, read.size())) {
                List<Proposal<String>> who =
                        ProposePerson.propose(paper.clues, demo.people(), FoundDates.Order.DAY_FIRST);
                List<Proposal<String>> what = ProposeType.propose(paper.clues, demo.types(), learned, null);
                boolean right = !who.isEmpty() && who.get(0).value().equals(paper.scan.personId());
                persons += right ? 1 : 0;
                preselected += !who.isEmpty() && who.get(0).preselected() ? 1 : 0;
                wrongPreselected += !right && !who.isEmpty() && who.get(0).preselected() ? 1 : 0;
                types += !what.isEmpty() && what.get(0).value().equals(paper.scan.type()) ? 1 : 0;
                days += FoundDates.propose(
                                        FoundDates.in(paper.clues.text(), FoundDates.Order.DAY_FIRST),
                                        FoundDates.Role.DOCUMENT,
                                        today)
                                .stream()
                                .limit(1)
                                .anyMatch(d -> d.value().equals(paper.scan.dated()))
                        ? 1
                        : 0;
            }
        }
        Figures.told("scans-asked-about", asked, "scans");
        Figures.atLeast("right-person-first", 100.0 * persons / asked, "%", 97);
        Figures.atLeast("right-type-first", 100.0 * types / asked, "%", 93);
        Figures.told("right-date-first", 100.0 * days / asked, "%");
        Figures.told("person-preselected", 100.0 * preselected / asked, "%");
        Figures.told("wrong-person-preselected (goal under 0.2)", 100.0 * wrongPreselected / asked, "%");
    }

    private static Read read(PaperWorkers workers, DemoScans.Scan scan) {
        try {
            Path file = Files.createTempFile("scan", ".pdf");
            try {
                Files.write(file, scan.pdf());
                List<Clues.PageClues> pages = new ArrayList<>();
                workers.read(file, Format.PDF, ReadPages.Settings.english(), 1, page -> pages.add(clues(page)));
                return new Read(scan, new Clues(pages, null, null));
            } finally {
                Files.delete(file);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static Clues.PageClues clues(PageFacts page) {
        return new Clues.PageClues(page.number(), page.text(), page.codes(), page.blank());
    }
}
