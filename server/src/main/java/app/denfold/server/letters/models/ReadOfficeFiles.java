package app.denfold.server.letters.models;

import app.denfold.paper.Format;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.content.office.OfficeHtml;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.images.Images;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Text documents, from which a model can go on. */
@Service
class ReadOfficeFiles {

    private static final Set<Format> OFFICE = Set.of(Format.DOCX, Format.DOC, Format.ODT, Format.RTF);

    private final OfficeHtml office;
    private final KnownNames names;
    private final Images images;

    ReadOfficeFiles(OfficeHtml office, KnownNames names, Images images) {
        this.office = office;
        this.names = names;
        this.images = images;
    }

    /** @param images how many of its images could not be taken over */
    record OfficeAnswer(List<Piece> pieces, int images) {}

    /**
     * Its words; its pictures are taken in.
     *
     * @throws Refusal when the viewer is no administrator, or it is no text that LibreOffice can read
     */
    OfficeAnswer words(Viewer viewer, UploadedFile file) {
        viewer.requireAdministrator();
        Format format = Format.claimedBy(file.name())
                .filter(OFFICE::contains)
                .orElseThrow(() -> Refusal.invalid(
                        "file", "“" + file.name() + "” is no text document. Choose a DOCX, DOC, ODT or RTF file."));
        String html = office.of(file.path(), format);
        try {
            OfficeWords.Read read =
                    OfficeWords.of(html, names.kinds().keySet(), picture -> kept(viewer, file.name(), picture));
            if (read.pieces().isEmpty()) {
                throw Refusal.invalid("file", "There are no words in “" + file.name() + "”.");
            }
            return new OfficeAnswer(read.pieces().stream().map(Piece::of).toList(), read.lost());
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("file", "“" + file.name() + "” cannot be a model: " + wrong.getMessage() + ".");
        }
    }

    /** @return its id; empty for one that is no whole picture */
    private Optional<UUID> kept(Viewer viewer, String name, byte[] picture) {
        try {
            Path file = Files.createTempFile("picture", ".part");
            try {
                Files.write(file, picture);
                return Optional.of(
                        images.add(viewer, new UploadedFile(file, name)).id());
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (Refusal none) {
            return Optional.empty();
        } catch (IOException failed) {
            throw NotNow.notStored("A picture", failed);
        }
    }
}
