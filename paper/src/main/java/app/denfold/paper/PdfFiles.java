package app.denfold.paper;

import java.io.IOException;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Opens PDF files without holding them in memory. */
public final class PdfFiles {

    private PdfFiles() {}

    /** @throws org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException when it cannot be opened without one */
    public static PDDocument open(Path file) throws IOException {
        return Loader.loadPDF(new RandomAccessReadBufferedFile(file.toFile()), IOUtils.createTempFileOnlyStreamCache());
    }
}
