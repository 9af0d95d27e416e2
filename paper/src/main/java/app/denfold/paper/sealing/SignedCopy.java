package app.denfold.paper.sealing;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.drawing.CopyText;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.TextOfPaper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Makes a sealed copy of a paper with signatures on its pages and an evidence page at its end. */
public final class SignedCopy {

    /** How wide a signature's box is, as a part of a page's width. */
    public static final double BOX_WIDTH = 0.28;

    /** Name of the attached file where the evidence cannot be a page. */
    private static final String EVIDENCE_PAGE = "how-it-was-signed.pdf";

    /** Name of the attached file where the paper itself may not be continued. */
    private static final String AS_OTHERS_SEALED_IT = "as-others-sealed-it.pdf";

    private static final String CLOSING = "Closes this file: nothing was added since";

    private final Sealing sealing;
    private final TrueTypeFont letters;
    private byte[] bytes;

    private SignedCopy(byte[] bytes, Sealing sealing, TrueTypeFont letters) {
        this.bytes = bytes;
        this.sealing = sealing;
        this.letters = letters;
    }

    /**
     * Makes the copy: the original, then a revision for each signer with his marks, one with the evidence, and one with all
     * that strangers need to check them (PAdES baseline B-LT). Each is sealed, so that the last seal covers every byte. A PDF
     * is continued, not written anew, so that what others sealed in it holds; one that whoever sealed it closed for good is
     * attached as it is to a copy of its pages.
     *
     * @param enclosed files that go with it
     * @param reason printed in the seal of the evidence
     * @throws IOException when the original cannot be read, or the signer cannot sign or stamp
     */
    public static byte[] make(
            Path original,
            Format format,
            List<SignedPart> parts,
            Evidence evidence,
            List<Enclosed> enclosed,
            Sealing sealing,
            String reason,
            Instant now)
            throws IOException {
        Beginning beginning = beginning(original, format);
        // seals hold for the pages there are: the last ones are there from the beginning, and filled at the end
        int pages = beginning.sealed() ? 0 : EvidencePages.count(evidence.lines());
        List<Addition> waiting = new ArrayList<>();
        waiting.add((document, text) -> EvidencePages.add(document, pages));
        if (beginning.closed()) {
            byte[] asItWas = Files.readAllBytes(original);
            waiting.add((document, text) -> AttachFiles.to(
                    document, AS_OTHERS_SEALED_IT, "The paper as others sealed it", "application/pdf", asItWas, now));
        }
        try (TrueTypeFont letters = CopyText.letters()) {
            SignedCopy copy = new SignedCopy(beginning.pdf(), sealing, letters);
            for (SignedPart part : parts) {
                for (SignatureMark mark : part.marks()) {
                    waiting.add((document, text) -> DrawMarks.on(document, text, mark));
                }
                copy.continued(waiting, Seal.Level.PLAIN, part.reason(), part.at());
                waiting.clear();
            }
            waiting.add((document, text) -> {
                if (pages > 0) {
                    EvidencePages.write(document, text, evidence.lines(), pages);
                } else {
                    AttachFiles.to(
                            document,
                            EVIDENCE_PAGE,
                            "How this paper was signed",
                            "application/pdf",
                            apart(evidence.lines(), letters),
                            now);
                }
                for (Enclosed file : enclosed) {
                    AttachFiles.to(
                            document,
                            file.name(),
                            "Signed with a pen",
                            file.mediaType(),
                            Files.readAllBytes(file.file()),
                            now);
                }
                AttachFiles.to(
                        document,
                        Evidence.FILE,
                        "How this paper was signed, for programs",
                        "application/json",
                        evidence.json().getBytes(StandardCharsets.UTF_8),
                        now);
            });
            copy.continued(waiting, Seal.Level.STAMPED, reason, now);
            copy.close(now);
            return copy.bytes;
        }
    }

    /** @throws IOException when it is no PDF */
    public static int pagesIn(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        }
    }

    /** A file that goes with a copy, such as the scan of a page that was signed with a pen. */
    public record Enclosed(String name, Path file, String mediaType) {}

    /**
     * The same copy for longer: fresh proof, the time stamped on all of it, and a seal that closes it anew. Not one byte that
     * was sealed before is changed.
     *
     * @throws IOException when it is no PDF, or the signer cannot sign or stamp
     */
    public static byte[] renewed(byte[] sealed, Sealing sealing, Instant now) throws IOException {
        byte[] proven;
        try (PDDocument document = Loader.loadPDF(sealed)) {
            Seal.addProof(document, sealing.trust());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out);
            proven = out.toByteArray();
        }
        byte[] stamped = Seal.stampDocument(proven, sealing.signer());
        try (PDDocument document = Loader.loadPDF(stamped)) {
            return Seal.put(document, sealing.trust(), sealing.signer(), Seal.Level.PLAIN, CLOSING, now);
        }
    }

    /** By what and by whom a copy is sealed. */
    public record Sealing(Trust trust, Signer signer) {}

    private interface Addition {
        void to(PDDocument document, CopyText text) throws IOException;
    }

    /** A sealed revision behind the bytes there are (ISO 32000-2, 7.5.6). */
    private void continued(List<Addition> additions, Seal.Level level, String reason, Instant at) throws IOException {
        try (PDDocument document = Loader.loadPDF(bytes)) {
            CopyText text = new CopyText(document, letters);
            for (Addition addition : additions) {
                addition.to(document, text);
            }
            bytes = Seal.put(document, sealing.trust(), sealing.signer(), level, reason, at);
        }
    }

    private void close(Instant now) throws IOException {
        continued(
                List.of((document, text) -> Seal.addProof(document, sealing.trust())), Seal.Level.PLAIN, CLOSING, now);
    }

    /**
     * What a copy begins with.
     *
     * @param sealed others sealed it: their seals hold for the pages that there are
     * @param closed a seal in the original forbids what signing does to it, so this is a copy of its pages
     */
    private record Beginning(byte[] pdf, boolean sealed, boolean closed) {}

    /** The original as it is, or as a PDF that anyone can open. */
    private static Beginning beginning(Path original, Format format) throws IOException {
        if (format == Format.PDF) {
            try (PDDocument document = PdfFiles.open(original)) {
                if (!isClosed(document)) {
                    byte[] pdf = document.isEncrypted() ? saved(document) : Files.readAllBytes(original);
                    boolean sealed = !document.isEncrypted()
                            && !document.getSignatureDictionaries().isEmpty();
                    return new Beginning(pdf, sealed, false);
                }
            }
            try (PDDocument pages = copied(original, format, pagesIn(Files.readAllBytes(original)))) {
                return new Beginning(saved(pages), false, true);
            }
        }
        int pages = format.shown() == Format.Shown.WORDS
                ? TextOfPaper.pages(original, format).size()
                : imageCount(original);
        try (PDDocument document = copied(original, format, pages)) {
            return new Beginning(saved(document), false, false);
        }
    }

    /**
     * Whether whoever sealed it certified it (ISO 32000-2, 12.8.2.2): at the most, fields may then be filled and annotations
     * be made, and nothing be written on its pages.
     */
    private static boolean isClosed(PDDocument document) {
        COSDictionary permissions =
                document.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.getPDFName("Perms"));
        return permissions != null && permissions.getCOSDictionary(COSName.getPDFName("DocMDP")) != null;
    }

    private static byte[] saved(PDDocument document) throws IOException {
        document.setAllSecurityToBeRemoved(true);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    /** The evidence as a file of its own. */
    private static byte[] apart(List<String> lines, TrueTypeFont letters) throws IOException {
        try (PDDocument document = new PDDocument()) {
            int pages = EvidencePages.count(lines);
            EvidencePages.add(document, pages);
            EvidencePages.write(document, new CopyText(document, letters), lines, pages);
            return saved(document);
        }
    }

    private static PDDocument copied(Path original, Format format, int pages) throws IOException {
        Path pdf = Files.createTempFile("pages", ".pdf");
        try {
            CopyPages.to(
                    pdf,
                    IntStream.rangeClosed(1, pages)
                            .mapToObj(page -> new CopyPages.Chosen(original, format, page, 0))
                            .toList());
            return Loader.loadPDF(Files.readAllBytes(pdf));
        } finally {
            Files.delete(pdf);
        }
    }

    private static int imageCount(Path images) throws IOException {
        try (ImagePages pages = ImagePages.open(images)) {
            return pages.count();
        }
    }
}
