package app.denfold.paper.sealing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.Format;
import app.denfold.paper.SamplePapers;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** With a token in software from Debian's packages. */
class KeyTokenTest {

    private static final Path LIBRARY = Path.of("/usr/lib/softhsm/libsofthsm2.so");
    private static final char[] PIN = "482617".toCharArray();
    private static final Instant NOW = Instant.parse("2026-11-25T09:14:00Z");

    @TempDir
    private Path folder;

    @BeforeAll
    static void aToken() throws Exception {
        Path configuration = Path.of(System.getenv("SOFTHSM2_CONF"));
        Path tokens = Files.createTempDirectory(Files.createDirectories(configuration.getParent()), "tokens");
        Files.writeString(configuration, "directories.tokendir = " + tokens + "\nlog.level = ERROR\n");
        Process made = new ProcessBuilder(
                        "softhsm2-util",
                        "--init-token",
                        "--free",
                        "--label",
                        "Oakhollin",
                        "--so-pin",
                        "73519264",
                        "--pin",
                        new String(PIN))
                .redirectErrorStream(true)
                .start();
        String said = new String(made.getInputStream().readAllBytes());
        assertThat(made.waitFor(1, TimeUnit.MINUTES)).isTrue();
        assertThat(made.exitValue()).as(said).isZero();
    }

    private static KeyVault token() throws IOException {
        return KeyToken.find(LIBRARY, null, PIN);
    }

    private static SealKey key(Instant now) throws IOException {
        return SealKey.openOrMake(token(), "Oakhollin Riding & Therapy Yard", now);
    }

    private byte[] sealed(SealKey key, Instant now) throws IOException {
        return SignedCopy.make(
                SamplePapers.pdf(folder, 1, 0),
                Format.PDF,
                List.of(),
                new Evidence(List.of("# Evidence"), "{}"),
                List.of(),
                new SignedCopy.Sealing(key.trust(List.of(), now), key),
                "Signed",
                now);
    }

    @Test
    void keysAreMadeInTheTokenStayThereAndWhatTheySealedHoldsAfterTheyWereRenewed() throws Exception {
        SealKey first = key(NOW);
        List<byte[]> before = first.certificates();
        byte[] copy = sealed(first, NOW);
        assertThat(CheckSeals.of(copy)).isNotEmpty().allMatch(CheckedSeal::intact);

        KeyStore store = token().open();
        for (String alias : List.of("root", "seal", "stamp")) {
            assertThat(((PrivateKey) store.getKey(alias, null)).getEncoded())
                    .as(alias)
                    .isNull();
        }
        assertThat(key(NOW).certificates().get(0))
                .as("the next start finds them")
                .isEqualTo(before.get(0));

        Instant later = NOW.plus(Duration.ofDays(1000));
        SealKey renewed = key(later);
        assertThat(renewed.certificates().get(0)).isNotEqualTo(before.get(0));
        assertThat(renewed.certificates().get(1)).as("by the same root").isEqualTo(before.get(1));
        assertThat(renewed.knows(CheckSeals.of(copy).get(0).certificate())).isTrue();
        assertThat(CheckSeals.of(sealed(renewed, later))).isNotEmpty().allMatch(CheckedSeal::intact);
    }

    @Test
    void aTokenThatIsNotThereIsToldInWords() throws IOException {
        assertThatThrownBy(() -> KeyToken.find(folder.resolve("none.so"), null, PIN))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("The library of the token for sealing cannot be read");
        assertThatThrownBy(() -> KeyToken.find(Files.writeString(folder.resolve("no.so"), "no library"), null, PIN))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("There is no token for sealing at");
        assertThatThrownBy(() -> KeyToken.find(LIBRARY, 4711L, PIN).open())
                .isInstanceOf(IOException.class)
                .hasMessageContaining("slot 4711");
    }
}
