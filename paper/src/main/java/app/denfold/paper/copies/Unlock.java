package app.denfold.paper.copies;

import java.io.IOException;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** Makes an open copy of a PDF that is locked with a password. The password is kept nowhere. */
public final class Unlock {

    private Unlock() {}

    /**
     * @return false when the password is not the right one; nothing is written then
     * @throws IOException when the file cannot be read
     */
    public static boolean to(Path open, Path locked, String password) throws IOException {
        try (PDDocument document = Loader.loadPDF(locked.toFile(), password)) {
            document.setAllSecurityToBeRemoved(true);
            document.save(open.toFile());
            return true;
        } catch (InvalidPasswordException wrong) {
            return false;
        }
    }
}
