package app.denfold.server.signing;

import app.denfold.paper.Format;
import app.denfold.paper.SignatureMark;
import app.denfold.paper.SignedCopy;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.Files;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Makes the signed, evidenced and sealed version of a document once its signing ends. */
@Component
class SealSigned {

    private static final int EVIDENCE_PAGES = 1;

    private final DeskSigningRepository signings;
    private final Documents documents;
    private final Contents contents;
    private final Files files;
    private final InstallationSeal seal;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;

    SealSigned(
            DeskSigningRepository signings,
            Documents documents,
            Contents contents,
            Files files,
            InstallationSeal seal,
            PracticeSettings settings,
            PracticeCalendar calendar) {
        this.signings = signings;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.seal = seal;
        this.settings = settings;
        this.calendar = calendar;
    }

    /** All signatures ever given on the same source go on the copy, so that a later signer's copy holds the earlier ones. */
    void make(DeskSigning signing, Actor by) {
        FiledDocument document = documents.document(signing.documentId());
        List<SigningStep> steps = signings.findByDocumentIdOrderByStartedAt(document.id()).stream()
                .filter(s -> s.sourceSha256().equals(signing.sourceSha256()))
                .flatMap(s -> s.signedSteps().stream())
                .toList();
        Content source = contents.content(signing.sourceSha256());
        try {
            byte[] copy = SignedCopy.make(
                    contents.file(source.sha256()),
                    Format.ofMediaType(source.mediaType()).orElseThrow(),
                    steps.stream().map(this::mark).toList(),
                    evidence(document, source, signing, steps));
            byte[] sealed = seal.put(copy, "Signed at the desk of " + settings.name());
            String sha256 = contents.keepPdf(sealed, source.pages() + EVIDENCE_PAGES);
            documents.addVersion(
                    by,
                    document.id(),
                    sha256,
                    "signed and sealed copy of " + source.sha256().substring(0, 12),
                    "sealed “" + document.name() + "” with " + steps.size()
                            + (steps.size() == 1 ? " signature" : " signatures"));
        } catch (IOException failed) {
            throw new UncheckedIOException("The signed copy could not be made", failed);
        }
    }

    private SignatureMark mark(SigningStep step) {
        return new SignatureMark(
                step.signer(),
                step.roleLabel(),
                calendar.words(step.signedAt()),
                MarkJson.drawing(step.mark()),
                new SignatureMark.Place(step.page(), step.leftPart(), step.topPart()));
    }

    private List<String> evidence(
            FiledDocument document, Content source, DeskSigning signing, List<SigningStep> steps) {
        var file = files.file(document.fileId());
        List<String> lines = new ArrayList<>(List.of(
                "# How this paper was signed",
                settings.name(),
                "File " + file.number() + ", " + file.name(),
                "Paper dated " + PracticeCalendar.words(document.documentDate()) + ", " + source.pages()
                        + (source.pages() == 1 ? " page" : " pages") + " before this one",
                "SHA-256 of the paper before signing:",
                source.sha256(),
                "# Signatures"));
        for (SigningStep step : steps) {
            lines.add(step.signer() + ", " + step.roleLabel());
            lines.add("    on " + calendar.words(step.signedAt()) + " (" + settings.zone() + "), "
                    + ("PEN".equals(step.method()) ? "by pen on the screen" : "by typing the name"));
            lines.add("    on page " + step.page() + ", at the desk of " + signing.startedBy());
        }
        lines.add("# Seal");
        lines.add("The whole of this document is sealed by the practice (PAdES baseline B, ETSI EN 319 142-1).");
        lines.add("Any later change, of one byte even, makes the seal invalid. The paper before signing is kept.");
        return lines;
    }
}
