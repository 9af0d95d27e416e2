package app.denfold.server.content;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FolderContentStoreTest {

    /** SHA-256 of the three bytes “abc” (FIPS 180-2, appendix B.1). */
    private static final String ABC = "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad";

    @TempDir
    Path folder;

    private FolderContentStore store;

    @BeforeEach
    void open() throws IOException {
        store = new FolderContentStore(folder);
    }

    private static InputStream bytes(String text) {
        return new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
    }

    private List<Path> incoming() throws IOException {
        try (Stream<Path> files = Files.list(folder.resolve("incoming"))) {
            return files.toList();
        }
    }

    @Test
    void bytesAreFoundByTheirHash() throws IOException {
        ContentStore.Stored stored = store.put(bytes("abc"));
        assertThat(stored).isEqualTo(new ContentStore.Stored(ABC, 3));
        assertThat(store.file(ABC))
                .hasContent("abc")
                .startsWith(folder.resolve("ba").resolve("78"));
        assertThat(incoming()).isEmpty();
    }

    @Test
    void theSameBytesMendADamagedFileAndNobodyCanWriteToIt() throws IOException {
        store.put(bytes("abc"));
        Path file = store.file(ABC);
        assertThat(Files.getPosixFilePermissions(file)).isEqualTo(PosixFilePermissions.fromString("r--r--r--"));
        Files.delete(file);
        Files.writeString(file, "abd");
        assertThat(store.put(bytes("abc")).sha256()).isEqualTo(ABC);
        assertThat(file).hasContent("abc");
        assertThat(incoming()).isEmpty();
    }

    @Test
    void whatWasStagedAndNeverKeptIsSweptOnceItIsOld() throws IOException {
        ContentStore.Staged left = store.stage(bytes("half"));
        store.put(bytes("abc"));
        assertThat(store.sweepStaged(Instant.now().minusSeconds(60))).isZero();
        assertThat(left.file()).exists();
        assertThat(store.sweepStaged(Instant.now().plusSeconds(60))).isEqualTo(1);
        List<String> kept = new ArrayList<>();
        store.each((sha256, since) -> kept.add(sha256));
        assertThat(kept).containsExactly(ABC);
    }

    @Test
    void aStreamThatBreaksLeavesNothing() throws IOException {
        InputStream breaking = new InputStream() {
            private int left = 100_000;

            @Override
            public int read() throws IOException {
                if (left <= 0) {
                    throw new IOException("the line went dead");
                }
                left--;
                return 'x';
            }
        };
        assertThatThrownBy(() -> store.put(breaking)).hasMessageContaining("the line went dead");
        try (Stream<Path> everything = Files.walk(folder)) {
            assertThat(everything.filter(Files::isRegularFile)).isEmpty();
        }
    }

    @Test
    void manyAtOnceWithTheSameAndWithOtherBytes() throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(8);
        List<Callable<String>> puts = IntStream.range(0, 80)
                .mapToObj(i -> (Callable<String>)
                        () -> store.put(bytes("paper " + i % 10)).sha256())
                .toList();
        List<Future<String>> done = pool.invokeAll(puts);
        pool.shutdown();
        for (int i = 0; i < done.size(); i++) {
            assertThat(store.file(done.get(i).get())).hasContent("paper " + i % 10);
        }
        assertThat(incoming()).isEmpty();
    }

    @Test
    void onlyHashesAreLookedUp() {
        for (String name : List.of("../../etc/passwd", "", ABC.toUpperCase(), ABC + "0")) {
            assertThatThrownBy(() -> store.file(name)).as(name).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
