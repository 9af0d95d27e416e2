package app.denfold.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FileEndTest {

    @TempDir
    Path folder;

    /** However much of it is there, a file whose format has an end is whole only with all of it. */
    @Test
    void aPartOfAFileIsNeverTakenForTheWhole() throws IOException {
        List<Path> whole = List.of(
                SamplePapers.pdf(folder, 2, 0),
                SamplePapers.tiff(folder, 2),
                DrawnPages.png(folder, DrawnPages.text(List.of("Hay"))));
        for (Path file : whole) {
            byte[] bytes = Files.readAllBytes(file);
            assertThat(FileEnd.of(file)).as(file.toString()).isEqualTo(FileEnd.Found.THERE);
            for (double share : new double[] {0.1, 0.5, 0.9, 0.98}) {
                Path part = Files.write(folder.resolve("part"), Arrays.copyOf(bytes, (int) (bytes.length * share)));
                assertThat(FileEnd.of(part)).as(file + " " + share).isEqualTo(FileEnd.Found.MISSING);
            }
        }
    }

    @Test
    void whatHasNoEndIsNotWaitedFor() throws IOException {
        for (String text : List.of("", "a", "name;day\nNoor;2026-11-25\n")) {
            assertThat(FileEnd.of(Files.writeString(folder.resolve("x.csv"), text)))
                    .isEqualTo(FileEnd.Found.UNKNOWN);
        }
    }
}
