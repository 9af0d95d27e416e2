package app.denfold.server.arrivals.pickup;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BeingWrittenTest {

    @TempDir
    Path pickup;

    private BeingWritten written;
    private Path desk;

    @BeforeEach
    void watch() throws Exception {
        desk = Files.createDirectory(pickup.resolve("Desk"));
        written = new BeingWritten(pickup);
        written.start();
        Path probe = desk.resolve("probe");
        await().until(() -> isSeenWriting(probe));
    }

    /** Whether the folder is watched by now. */
    private boolean isSeenWriting(Path probe) throws Exception {
        try (OutputStream writer = Files.newOutputStream(probe)) {
            writer.write(1);
            await().pollDelay(Duration.ofMillis(20)).until(() -> true);
            return written.contains(probe);
        }
    }

    @AfterEach
    void end() {
        written.stop();
    }

    @Test
    void aFileIsBeingWrittenFromItsFirstByteUntilItsWriterClosesIt() throws Exception {
        Path scan = desk.resolve("scan of 28 November.pdf");
        try (OutputStream writer = Files.newOutputStream(scan)) {
            writer.write(new byte[9_000]);
            await().until(() -> written.contains(scan));
        }
        await().until(() -> !written.contains(scan));
    }

    @Test
    void aFileThatWasMovedAwayIsForgottenAndAnotherUnderItsNameIsNot() throws Exception {
        Path scan = desk.resolve("scan.pdf");
        try (OutputStream writer = Files.newOutputStream(scan)) {
            writer.write(1);
            await().until(() -> written.contains(scan));
            Files.move(scan, desk.resolve("moved.pdf"));
            await().until(() -> !written.contains(scan));
        }
        Files.writeString(scan, "whole");
        await().until(() -> !written.contains(scan));
        assertThat(written.contains(desk.resolve("moved.pdf"))).isFalse();
    }
}
