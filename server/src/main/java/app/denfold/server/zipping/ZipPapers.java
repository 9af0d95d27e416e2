package app.denfold.server.zipping;

import app.denfold.core.filing.FileNames;
import app.denfold.paper.Format;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.CsvText;
import app.denfold.server.problems.NotNow;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.IntConsumer;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Writes papers into a ZIP as they came, in a folder for each person, with a manifest in CSV (RFC 4180). They are stored
 * without compression: papers hardly get smaller, and so nothing waits for it.
 */
@Component
public class ZipPapers {

    private final Documents documents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Contents contents;
    private final AuditTrail trail;
    private final TransactionTemplate transactions;
    private final GivenOut given;

    ZipPapers(
            Documents documents,
            PersonFiles files,
            Catalog catalog,
            Contents contents,
            AuditTrail trail,
            TransactionTemplate transactions,
            GivenOut given) {
        this.given = given;
        this.transactions = transactions;
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
        this.contents = contents;
        this.trail = trail;
    }

    private record Line(String path, PersonFile file, FiledDocument document, Content content) {}

    /**
     * @param ids of the papers; those that the viewer may not see, or no longer, are left out
     * @param reached told how many papers are written
     * @return how many papers are in it
     */
    public int write(Viewer viewer, List<UUID> ids, Path to, IntConsumer reached) throws IOException {
        Map<UUID, FiledDocument> visible = new HashMap<>();
        documents.visible(viewer, ids).forEach(d -> visible.put(d.id(), d));
        List<Line> lines = lines(
                ids.stream().filter(visible::containsKey).map(visible::get).toList());
        try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(to.toFile())) {
            zip.setMethod(ZipArchiveOutputStream.STORED);
            int done = 0;
            byte[] buffer = new byte[1 << 18];
            for (Line line : lines) {
                zip.putArchiveEntry(new ZipArchiveEntry(line.path));
                copy(file(line), zip, buffer);
                zip.closeArchiveEntry();
                reached.accept(++done);
            }
            zip.putArchiveEntry(new ZipArchiveEntry("manifest.csv"));
            zip.write(manifest(lines));
            zip.closeArchiveEntry();
        }
        // noted in one go before anybody can fetch it
        transactions.executeWithoutResult(t -> lines.forEach(line -> trail.record(new AuditEntry(
                viewer.actor(),
                "downloaded",
                line.file.id(),
                line.document.id(),
                "downloaded “" + line.document.name() + "” for the practice itself, in a ZIP of " + lines.size()))));
        return lines.size();
    }

    /** @throws NotNow naming the paper when its bytes are damaged */
    private Path file(Line line) {
        try {
            return contents.wholeFile(line.content);
        } catch (NotNow damaged) {
            throw damaged.of(line.document.name());
        }
    }

    private static void copy(Path from, OutputStream to, byte[] buffer) throws IOException {
        try (InputStream in = java.nio.file.Files.newInputStream(from)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                to.write(buffer, 0, read);
            }
        }
    }

    private List<Line> lines(List<FiledDocument> papers) {
        Map<UUID, PersonFile> people = new HashMap<>();
        files.files(papers.stream().map(FiledDocument::fileId).distinct().toList())
                .forEach(f -> people.put(f.id(), f));
        Map<UUID, String> hashes = given.closedNewest(papers);
        Map<String, Content> bytes = contents.contents(new HashSet<>(hashes.values()));
        Map<UUID, Set<String>> taken = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        for (FiledDocument paper : papers) {
            PersonFile person = Objects.requireNonNull(people.get(paper.fileId()));
            Content content = Objects.requireNonNull(bytes.get(hashes.get(paper.id())));
            if (content.virus().isPresent()) {
                continue;
            }
            Set<String> names = taken.computeIfAbsent(person.id(), id -> new HashSet<>());
            String name = FileNames.unique(FileNames.safe(paper.name()), names);
            names.add(name);
            String ending = Format.ofMediaType(content.mediaType())
                    .map(f -> "." + f.ending())
                    .orElse("");
            lines.add(new Line(
                    FileNames.safe(person.number() + " " + person.name()) + "/" + name + ending,
                    person,
                    paper,
                    content));
        }
        return lines;
    }

    private byte[] manifest(List<Line> lines) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (CSVPrinter csv =
                new CSVPrinter(new OutputStreamWriter(bytes, StandardCharsets.UTF_8), CSVFormat.RFC4180)) {
            csv.printRecord(
                    "Path",
                    "Person",
                    "Number",
                    "Type",
                    "Name",
                    "Dated",
                    "Received",
                    "Version",
                    "Pages",
                    "Bytes",
                    "SHA-256");
            for (Line line : lines) {
                FiledDocument d = line.document;
                csv.printRecord(
                        CsvText.harmless(line.path),
                        CsvText.harmless(line.file.name()),
                        line.file.number(),
                        CsvText.harmless(
                                String.join(", ", catalog.types(d.types()).labels())),
                        CsvText.harmless(d.name()),
                        d.documentDate(),
                        d.receivedOn(),
                        d.versions().size(),
                        line.content.pages(),
                        line.content.size(),
                        line.content.sha256());
            }
        }
        return bytes.toByteArray();
    }
}
