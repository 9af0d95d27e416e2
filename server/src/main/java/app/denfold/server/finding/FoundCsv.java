package app.denfold.server.finding;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.CsvText;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Component;

/** Found papers as comma-separated values (RFC 4180), one line a paper. */
@Component
class FoundCsv {

    private final FindPapers papers;

    FoundCsv(FindPapers papers) {
        this.papers = papers;
    }

    void write(Viewer viewer, FindCriteria criteria, String sort, Appendable out) throws IOException {
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "Person",
                    "Number",
                    "Kind",
                    "Team",
                    "Section",
                    "Type",
                    "Name",
                    "Dated",
                    "Received",
                    "Stored",
                    "State",
                    "Came",
                    "Filed by",
                    "Pages",
                    "Bytes",
                    "Pages without readable text");
            papers.each(viewer, criteria, sort, paper -> line(csv, paper));
        }
    }

    private static void line(CSVPrinter csv, FindPapers.FoundPaper p) {
        try {
            csv.printRecord(
                    CsvText.harmless(p.person()),
                    p.number(),
                    p.kindLabel(),
                    CsvText.harmless(p.team() == null ? "" : p.team()),
                    p.sectionLabel(),
                    CsvText.harmless(String.join(", ", p.typeLabels())),
                    CsvText.harmless(p.name()),
                    p.documentDate(),
                    p.receivedOn(),
                    p.storedAt(),
                    p.state().words(),
                    CsvText.harmless(p.source()),
                    CsvText.harmless(p.filedBy()),
                    p.pages(),
                    p.size(),
                    p.pagesWithoutText());
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }
}
